/** Bars picked on a chart, by their numbers, and the stretch of them as it is played. */
import type { PlayedBar } from '@finch/core/score';

/** One bar, then another takes all between; a third begins anew; the same again lets go. No key has to be held. */
export function pickBar(picked: readonly number[], bar: number): number[] {
  const [first] = picked;
  if (picked.length !== 1 || first === bar) return first === bar ? [] : [bar];
  const [low, high] = [Math.min(first, bar), Math.max(first, bar)];
  return Array.from({ length: high - low + 1 }, (_, i) => low + i);
}

export interface Stretch {
  /** Indexes of played bars, both included. */
  readonly from: number;
  readonly to: number;
}

/**
 * The first stretch of picked bars in playing order, or of all where none is picked. `unbroken` ends it where the next
 * bar played is not the next on the chart: at a repeat or an ending. Null where nothing is played.
 */
export function stretchOf(
  bars: readonly PlayedBar[],
  picked: readonly number[],
  unbroken: boolean,
  most = bars.length,
): Stretch | null {
  const inside = (i: number) => picked.length === 0 || picked.includes(bars[i].number);
  const from = bars.findIndex((_, i) => inside(i));
  if (from < 0) return null;
  let to = from;
  const goesOn = (i: number) => inside(i) && (!unbroken || bars[i].number === bars[i - 1].number + 1);
  while (to + 1 < bars.length && to + 1 - from < most && goesOn(to + 1)) to++;
  return { from, to };
}
