import fc from 'fast-check';
import { beatsWords, readTicks, simplestNear, TICKS_A_BEAT, ticksOf, ticksText } from './ticks';

test.each([
  ['1', 10_080],
  ['1.5', 15_120],
  ['.25', 2520],
  ['0.0625', 630],
  ['1.4', 14_112],
  ['.3', 3024],
  ['1/3', 3360],
  ['2/6', 3360],
  ['11/3', 36_960],
  ['4/7', 5760],
  ['5/9', 5600],
  // Cut short, rounded or not: the simplest fraction that begins so.
  ['.3333', 3360],
  ['.33', 3360],
  ['0.6667', 6720],
  ['.66', 6720],
  ['1.333', 13_440],
  ['.1667', 1680],
  ['.142857', 1440],
  ['2.1429', 21_600],
])('%s beats are %d ticks', (text, ticks) => {
  expect(readTicks(text)).toBe(ticks);
});

test.each(['', '0', '0.0', '-1', '1/0', '0/3', '1/11', '1/13', '1/17', '1.', 'x', '1/2/3', '..5', '1e3', '12345', '1/1000', '.0000001'])(
  '%j is no length',
  (text) => expect(readTicks(text)).toBeNull(),
); // prettier-ignore

test.each([
  [0, '0', '0'],
  [10_080, '1', '1'],
  [15_120, '1.5', '1 1/2'],
  [3360, '1/3', '1/3'],
  [36_960, '11/3', '3 2/3'],
  [630, '0.0625', '1/16'],
  [1008, '1/10', '1/10'],
])('%d ticks are written %s and said %s', (ticks, text, words) => {
  expect([ticksText(ticks), beatsWords(ticks)]).toEqual([text, words]);
});

test('whatever is written is read back', () => {
  const length = fc.record({ over: fc.integer({ min: 1, max: 999 }), parts: fc.constantFrom(1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 12, 14, 15, 16, 18, 21, 24, 28, 32) });
  fc.assert(
    fc.property(length, ({ over, parts }) => {
      const ticks = (over * TICKS_A_BEAT) / parts;
      expect(Number.isInteger(ticks)).toBe(true);
      expect(readTicks(ticksText(ticks))).toBe(ticks);
      expect(readTicks(`${over}/${parts}`)).toBe(ticks);
    }),
  );
}); // prettier-ignore

test('the simplest fraction near a moment, or none', () => {
  expect(simplestNear(0.3333, 0.001)).toBe(3360);
  expect(simplestNear(69 / 480, 0.501 / 480)).toBe(1440); // a seventh in a file of 480 a quarter
  expect(simplestNear(0.5, 0)).toBe(5040);
  expect(simplestNear(0.3, 0.0001)).toBe(3024);
  expect(simplestNear(0.013, 0.001)).toBeNull();
  expect(simplestNear(1 / 28, 0.0001)).toBeNull();
  expect(simplestNear(2.001, 0.002)).toBe(2 * TICKS_A_BEAT);
});

test('a float of beats is the nearest tick', () => {
  expect([ticksOf(1 / 3), ticksOf(0.1 + 0.2), ticksOf(1e-6)]).toEqual([3360, 3024, 0]);
});
