import { durationsOf } from './staff-engraver';

test.each([
  [4, ['w']],
  [3, ['h.']],
  [2, ['h']],
  [1, ['q']],
  [3.5, ['h.', '8']],
  [6, ['w', 'h']],
  [0, []],
])('%d beats are written %j', (beats, written) => {
  expect(durationsOf(beats).map(({ duration, dots }) => duration + '.'.repeat(dots))).toEqual(written);
});

test('every half beat up to eight bars is written whole', () => {
  const length: Readonly<Record<string, number>> = { w: 4, h: 2, q: 1, '8': 0.5 };
  for (let halves = 1; halves <= 64; halves++) {
    const written = durationsOf(halves / 2);
    const sum = written.reduce((beats, one) => beats + length[one.duration] * (one.dots ? 1.5 : 1), 0);
    expect(sum).toBe(halves / 2);
  }
});
