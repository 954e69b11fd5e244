import { makeDrill, strumReading } from '@finch/core/drills';
import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { must } from '@finch/core/kernel';
import { barsAround } from './bars-around';

const context = { hand: averageHand, instrument: standardGuitar };
const score = (level: number, beats = 4) =>
  must(
    makeDrill(
      strumReading({ grips: [{ chord: 'C', frets: [null, 3, 2, 0, 1, 0] }], beats, level, bars: 8 }, 2),
      context,
    ),
  ).score;

test('a line holds the beat asked for, and lines cover every bar once', () => {
  const seen = new Set<number>();
  const { starts, lines } = barsAround(score(2), standardGuitar, 0);
  for (const start of starts) {
    const one = barsAround(score(2), standardGuitar, start);
    for (const column of one.columns) seen.add(column.bar);
    expect(
      one.columns.every((column) => column.bar >= one.first && column.bar < one.first + one.bars.length),
    ).toBe(true);
  }
  expect(seen.size).toBe(8);
  expect(starts).toHaveLength(lines);
  expect(barsAround(score(2), standardGuitar, starts[1] - 0.5).line).toBe(0);
});

test('bars with much in them have a line of their own', () => {
  expect(barsAround(score(1, 3), standardGuitar, 0).bars).toHaveLength(3);
  expect(barsAround(score(6), standardGuitar, 0).bars.length).toBeLessThan(3);
  // A phone has room for one.
  expect(barsAround(score(1, 3), standardGuitar, 0, 1).bars).toHaveLength(1);
});

test('before and after the score is its first and its last line', () => {
  const last = barsAround(score(2), standardGuitar, 999);
  expect(barsAround(score(2), standardGuitar, -4).line).toBe(0);
  expect(last.line).toBe(last.lines - 1);
});
