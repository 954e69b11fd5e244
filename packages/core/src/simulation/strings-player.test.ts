/** The simulated player is heard by the tuner as what it plays: string by string, nearer in tune with every round. */
import { standardGuitar } from '../fretboard';
import { stringHeard, toneOf, TUNER_SAMPLES } from '../sound';
import { makeStringsPlayer } from './strings-player';

const RATE = 48_000;
const OFF = [-22, 14, 0, 31, -9, 18];
const player = makeStringsPlayer(standardGuitar, OFF, RATE);
/** What is heard half a second into a pluck. */
const heardAt = (n: number) => {
  const samples = new Float32Array(TUNER_SAMPLES);
  player.samplesAt(2 * n + 0.5, samples);
  const tone = toneOf(samples, RATE);
  return tone && stringHeard(tone.hz, standardGuitar);
};

test('each string in turn, off by what was asked, then by half of it, at last by nothing', () => {
  for (const [string, cents] of OFF.entries()) {
    const first = heardAt(string);
    expect(first?.stringIndex).toBe(string);
    expect(Math.abs((first?.cents ?? 99) - cents)).toBeLessThan(3);
    expect(Math.abs((heardAt(6 + string)?.cents ?? 99) - cents / 2)).toBeLessThan(3);
    expect(Math.abs(heardAt(30 + string)?.cents ?? 99)).toBeLessThan(3);
  }
});

test('the same instant sounds the same, across the edge of two plucks too', () => {
  const [once, again] = [new Float32Array(512), new Float32Array(512)];
  player.samplesAt(1.995, once);
  player.samplesAt(40, new Float32Array(64));
  player.samplesAt(1.995, again);
  expect(again).toEqual(once);
  expect(once.some((sample) => sample !== 0)).toBe(true);
});
