import { apartText, movedText, partsOf, resultText } from './why-parts';

const take = {
  result: 'nearly',
  steps: { clean: 6, all: 8 },
  fault: 'late',
  before: 0.744,
  after: 0.806,
} as const;

test('the parts as shown add up to the number as shown, whatever rounding does', () => {
  for (const [now, start, away] of [
    [0.744, 0.506, -0.115],
    [0.495, 0.505, -0.004],
    [0.36, 0.52, -0.125],
  ]) {
    const parts = partsOf({ now, parts: { start, takes: now - start - away, away }, takes: [] });
    const sum = parts.reduce((all, { points }) => all + Number(points.replace('−', '-').replace('±', '')), 0);
    expect(sum).toBe(Math.round(100 * now));
  }
});

test('days that took nothing are not told of, nor is anything of what was not met', () => {
  const parts = partsOf({ now: 0.8, parts: { start: 0.5, takes: 0.3, away: 0 }, takes: [] });
  expect(parts.map(({ points }) => points)).toEqual(['50', '+30']);
  expect(partsOf({ now: null, parts: { start: 0.5, takes: 0, away: 0 }, takes: [] })).toEqual([]);
});

test('what is heard is told in words of its own, beside the number', () => {
  expect(apartText({ kind: 'hear', takes: 5, clean: 3, lastAt: 0 })).toBe(
    'Told apart by ear: 3 of 5 takes clean',
  );
  expect(apartText({ kind: 'name', takes: 1, clean: 0, lastAt: 0 })).toBe(
    'Named or found by name: 0 of 1 take clean',
  );
});

test('a take says how it came, of how many steps and what went wrong most, and what it moved', () => {
  expect(resultText(take)).toBe('nearly, 6 of 8 steps, mostly late');
  expect(resultText({ ...take, steps: null, fault: null })).toBe('nearly');
  expect(movedText(take)).toBe('74 to 81');
});
