/** The simulated voice is heard as a count, once every eight seconds. */
import { levelsOf, makeCountListener } from '../sound';
import { makeCounter } from './counter';

test('counts four, rests, and again', () => {
  const RATE = 48_000;
  const all = new Float32Array(17 * RATE);
  makeCounter(RATE).samplesAt(0, all);
  const listener = makeCountListener();
  const heard = levelsOf(all, RATE).flatMap((level, i) => (listener.hear(level) ? [i / 100] : []));
  expect(heard).toHaveLength(2);
  expect(heard[1] - heard[0]).toBeCloseTo(8, 1);
});

test('the same instant sounds the same, read in pieces too', () => {
  const [whole, piece] = [new Float32Array(4800), new Float32Array(480)];
  makeCounter(48_000).samplesAt(1, whole);
  makeCounter(48_000).samplesAt(1.05, piece);
  expect(piece).toEqual(whole.slice(2400, 2880));
});
