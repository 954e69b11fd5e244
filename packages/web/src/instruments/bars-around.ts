/** The line of bars of a score that holds a beat, as tab columns and staff bars: what fits beside a neck at reading size. */
import type { Instrument } from '@finch/core/fretboard';
import { staffBars, tabColumns, type Score, type StaffBar, type TabColumn } from '@finch/core/score';

export interface BarsAround {
  /** Index of the first bar of the line, and of the line among all. */
  readonly first: number;
  readonly line: number;
  readonly lines: number;
  /** Where each line begins, in beats of the whole. */
  readonly starts: readonly number[];
  readonly bars: readonly StaffBar[];
  readonly columns: readonly TabColumn[];
}

/** Bars on a line: fewer where there is much in them. */
function barsOnLine(score: Score): number {
  const most = Math.max(
    1,
    ...(score.parts[0]?.bars ?? []).map((bar) => Math.max(bar.events.length, bar.beats)),
  );
  if (most > 8) return 1;
  return most > 4 ? 2 : 3;
}

/** A beat before the first or after the last bar counts as in it; never more than `most` bars on a line. */
export function barsAround(score: Score, instrument: Instrument, beat: number, most = 3): BarsAround {
  const all = score.parts[0]?.bars ?? [];
  const size = Math.min(most, barsOnLine(score));
  const starts: number[] = [];
  let at = 0;
  all.forEach((bar, i) => {
    if (i % size === 0) starts.push(at);
    at += bar.beats;
  });
  const line = Math.max(
    0,
    starts.findLastIndex((start) => start <= beat + 1e-9),
  );
  const first = line * size;
  return {
    first,
    line,
    lines: starts.length,
    starts,
    bars: staffBars(score, instrument).slice(first, first + size),
    columns: tabColumns(score).filter((column) => column.bar >= first && column.bar < first + size),
  };
}
