import { STRIKE, strikePoints } from '../effort/strike';
import { ticksOf, type Bar } from '../score';
import { strikeCounts } from './strike-counts';

const bar = (...events: readonly (readonly [beat: number, beats: number, hand?: Bar['events'][number]['hand'], string?: number, tied?: true])[]): Bar => ({
  beats: 4,
  events: events.map(([beat, beats, hand, string = 0, tied]) => ({
    tick: ticksOf(beat),
    ticks: ticksOf(beats),
    notes: [{ stringIndex: string, fret: 0, finger: 0, ...(tied ? { tied } : {}) }],
    stroke: typeof hand === 'string' || hand === undefined ? 'strum' : 'pick',
    ...(hand ? { hand } : {}),
  })),
}); // prettier-ignore

test('strokes on the beat count nothing but their rate', () => {
  expect(strikeCounts([bar([0, 1, 'down accent'], [1, 1, 'down'], [2, 2, 'down'])])).toEqual({
    perBeat: 0.75,
    offBeat: 0,
    muffled: 0,
    skippedStrings: 0,
  });
});

test('accents and ties off the beat, chops and mutes count by the bar of four', () => {
  const full = bar([0, 0.5, 'down'], [0.5, 1, 'up'], [1.5, 0.5, 'up accent'], [2, 1, 'chop'], [3, 1, 'mute']);
  expect(strikeCounts([full])).toMatchObject({ offBeat: 2, muffled: 2 });
  // Twice as many bars with the same in one of them: half as much.
  expect(strikeCounts([full, bar([0, 4, 'down'])])).toMatchObject({ offBeat: 1, muffled: 1 });
});

test('a stroke off the beat tied over the bar line is a tie; one on the beat that sounds on is none', () => {
  const over = [bar([3.5, 0.5, 'up']), bar([0, 2, undefined, 0, true])];
  expect(strikeCounts(over).offBeat).toBe(0.5);
  expect(strikeCounts([bar([3, 1, 'down']), bar([0, 2, undefined, 0, true])]).offBeat).toBe(0);
});

test('a pluck that leaves a string out is a skip', () => {
  const roll = (strings: readonly number[]) =>
    strikeCounts([bar(...strings.map((string, i) => [i, 1, ['p'], string] as const))]).skippedStrings;
  expect(roll([2, 3, 4, 5])).toBe(0);
  expect(roll([1, 3, 4, 5])).toBe(1);
  expect(roll([1, 4, 1, 4])).toBe(3);
});

test('points grow with the tempo above four strokes a second, by twelve an octave', () => {
  const counts = { perBeat: 2, offBeat: 1, muffled: 0, skippedStrings: 0 };
  expect(strikePoints(counts, 60)).toBe(STRIKE.offBeat);
  expect(strikePoints(counts, 240) - strikePoints(counts, 120)).toBeCloseTo(12, 9);
});
