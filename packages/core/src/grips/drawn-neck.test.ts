import { beakPath, dotAt, windowOf, wireAt } from './drawn-neck';

test.each([
  [[null, 3, 2, 0, 1, 0], 0, 4],
  [[1, 3, 3, 2, 1, 1], 0, 4],
  [[6, 8, 6, 6, 6, 6], 4, 8],
  [[null, null, 8, 10, 9, 9], 6, 10],
  [[null, 13, 15, 13, 14, 13], 11, 15],
  [[0, 0, 0, 0, 0, 0], 0, 4],
])('the window of %j is frets %i to %i', (frets, from, to) => {
  const window = windowOf([frets]);
  expect(window.to - window.from).toBeGreaterThanOrEqual(4);
  for (const fret of frets) if (fret) expect(fret > window.from && fret <= window.to).toBe(true);
  expect([window.from <= from + 1, window.to >= to]).toEqual([true, true]);
});

test('two grips share one window', () => {
  const window = windowOf(
    [
      [null, 3, 2, 0, 1, 0],
      [null, null, 8, 10, 9, 9],
    ],
    5,
  );
  expect(window).toEqual({ from: 0, to: 10 });
});

test('wires are truly spaced, also in a thumbnail', () => {
  const window = { from: 0, to: 12 };
  expect(wireAt(window, 0)).toBe(0);
  expect(wireAt(window, 12)).toBe(1);
  const gaps = Array.from({ length: 12 }, (_, n) => wireAt(window, n + 1) - wireAt(window, n));
  for (let n = 1; n < 12; n++) expect(gaps[n - 1] / gaps[n]).toBeCloseTo(2 ** (1 / 12), 9);
});

test('a dot sits at seven tenths of its space, near the wire that stops the note', () => {
  const window = { from: 4, to: 9 };
  const share = (dotAt(window, 6) - wireAt(window, 5)) / (wireAt(window, 6) - wireAt(window, 5));
  expect(share).toBeCloseTo(0.7, 9);
});

test('the root’s beak points 1.52 radii toward the nut', () => {
  expect(beakPath(10, 20, 5, 'up').startsWith('M10 12.4L')).toBe(true);
  expect(beakPath(10, 20, 5, 'left').startsWith('M2.4')).toBe(true);
  expect(beakPath(10, 20, 5, 'right').startsWith('M17.6')).toBe(true);
});
