/** Who plays a drill with slips is heard with those slips: from events, and from what a microphone hears of them. */
import fc from 'fast-check';
import { changeLoop, makeDrill, strumReading, tapIt, timeHeard, type Recipe } from '../drills';
import { averageHand, standardGuitar } from '../fretboard';
import { must } from '../kernel';
import { LEVEL_SECONDS, makeOnsetListener, sharpLevelsOf } from '../sound';
import { makeDrillPlayer, playDrill, type DrillPlayer, type PlayedDrill } from '.';

const RATE = 16_000;
const context = { hand: averageHand, instrument: standardGuitar };
const C = { chord: 'C', frets: [null, 3, 2, 0, 1, 0] };
const scoreOf = (recipe: Recipe) => must(makeDrill(recipe, context)).score;
const tap = (level: number, seed = 1) => scoreOf(tapIt({ level, beats: 4, bars: 8 }, seed));
const strum = (level: number, seed = 1) =>
  scoreOf(strumReading({ grips: [C], beats: 4, level, bars: 8 }, seed));
const heardOf = (player: DrillPlayer, seconds: number): number[] => {
  const samples = new Float32Array(Math.round(seconds * RATE));
  player.samplesAt(0, samples);
  const listener = makeOnsetListener();
  return sharpLevelsOf(samples, RATE).flatMap((level, i) =>
    listener.hear(level) ? [i * LEVEL_SECONDS] : [],
  );
};
const slipsIn = (played: PlayedDrill, bars: number) =>
  Array.from({ length: bars }, (_, bar) => played.slips.get(bar) ?? 'in time');
const times = (played: PlayedDrill) => played.strokes.map(({ atSeconds }) => atSeconds);
const bars = (heard: ReturnType<typeof timeHeard>) => heard?.bars.map(({ how }) => how);

test('every slip of one who plays is told from the events, and how late all of it came', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 5 }),
      fc.integer({ min: 40, max: 90 }),
      fc.integer({ min: 1, max: 400 }),
      (level, bpm, seed) => {
        const score = tap(level, seed % 7);
        const played = playDrill(score, standardGuitar, bpm, seed);
        const heard = timeHeard(score, standardGuitar, bpm, times(played));
        expect(bars(heard)).toEqual(slipsIn(played, 8));
        expect(Math.abs((heard?.lag ?? 0) - 0.06)).toBeLessThan(0.02);
      },
    ),
    { numRuns: 120 },
  );
});

test('slips are as often as said, of every kind, and the same seed plays the same', () => {
  const all = Array.from({ length: 60 }, (_, seed) => playDrill(tap(2), standardGuitar, 60, seed));
  const kinds = all.flatMap(({ slips }) => [...slips.values()]);
  expect(new Set(kinds)).toEqual(new Set(['late', 'left out', 'one too many']));
  expect(kinds.length / (60 * 8)).toBeGreaterThan(0.18);
  expect(kinds.length / (60 * 8)).toBeLessThan(0.32);
  expect(playDrill(tap(2), standardGuitar, 60, 5)).toEqual(all[5]);
});

test.each([
  ['taps', tap, 5],
  ['strums that ring on', strum, 4],
] as const)(
  '%s: what is heard of the sound is what was played, in nineteen bars of twenty',
  (_, scoreAt, levels) => {
    let [right, all] = [0, 0];
    for (let level = 1; level <= levels; level++)
      for (const [bpm, seed] of [
        [52, 3],
        [84, 5],
      ]) {
        const score = scoreAt(level, seed);
        const played = playDrill(score, standardGuitar, bpm, seed * 10 + level);
        const seconds = (60 / bpm) * 4 * 9 + 1;
        const heard = bars(
          timeHeard(
            score,
            standardGuitar,
            bpm,
            heardOf(makeDrillPlayer(played, standardGuitar, RATE), seconds),
          ),
        );
        const slips = slipsIn(played, 8);
        all += 8;
        right += slips.filter((slip, bar) => heard?.[bar] === slip).length;
      }
    expect(right / all).toBeGreaterThanOrEqual(0.95);
  },
);
test('who says nothing is not judged, nor who plays something else', () => {
  const score = tap(2);
  expect(timeHeard(score, standardGuitar, 60, [])).toBeNull();
  expect(timeHeard(score, standardGuitar, 60, [5, 9, 30])).toBeNull();
});

test('what is slow by a sixth of a second all along is in time, and by how much is said', () => {
  const score = tap(3);
  const written = times(playDrill(score, standardGuitar, 60, 1)).map((at) => at - 0.06);
  for (const by of [-0.1, 0, 0.16, 0.3]) {
    const heard = timeHeard(
      score,
      standardGuitar,
      60,
      written.map((at) => at + by),
    );
    expect(Math.abs((heard?.lag ?? 9) - by)).toBeLessThan(0.02);
  }
});

test('a change loop is heard stroke by stroke, though six strings sound at once', () => {
  const score = scoreOf(
    changeLoop({ grips: [C, { chord: 'Am', frets: [null, 0, 2, 2, 1, 0] }], beatsEach: 4 }),
  );
  const played = playDrill(score, standardGuitar, 60, 2);
  const strokes = score.parts[0].bars.reduce((sum, bar) => sum + bar.events.length, 0);
  expect(played.strokes.length - [...played.slips.values()].filter((slip) => slip === 'one too many').length
    + [...played.slips.values()].filter((slip) => slip === 'left out').length).toBe(strokes); // prettier-ignore
});
