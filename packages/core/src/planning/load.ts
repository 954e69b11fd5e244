/**
 * The load of a hand over a lesson, in effort-minutes: it fills by what is played (grade / 100 a minute, the
 * share of each minute really fretted) and drains with a half-life of rest. Assumed: six tenths of each minute are
 * fretted, half-life eight minutes. A curve in its own unit, never compared with one grip's limit.
 */
import type { PlanBlock } from './plan';

const LOAD = { frettedShare: 0.6, halfLifeMinutes: 8 } as const;

export interface LoadPoint {
  readonly minute: number;
  readonly load: number;
}

/** Load at each whole minute from 0 to the end of the blocks. */
export function handLoad(blocks: readonly PlanBlock[]): LoadPoint[] {
  const keep = 2 ** (-1 / LOAD.halfLifeMinutes);
  const points: LoadPoint[] = [{ minute: 0, load: 0 }];
  let load = 0;
  for (const block of blocks) {
    for (let m = 0; m < block.minutes; m++) {
      load = load * keep + (LOAD.frettedShare * block.effort) / 100;
      points.push({ minute: points.length, load });
    }
  }
  return points;
}

/** Highest load and the minute it is reached. */
export function peakLoad(blocks: readonly PlanBlock[]): LoadPoint {
  return handLoad(blocks).reduce((top, point) => (point.load > top.load ? point : top));
}
