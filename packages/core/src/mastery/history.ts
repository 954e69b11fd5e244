/**
 * The chance of a clean take after each take of a skill, over the last weeks: numbers one after the other, five to a point,
 * so that the histories of a whole studio are copied and stored in no time.
 */
import { DAY_MS, STATES } from './constants';

export interface HistoryPoint {
  /** ms since 1970. */
  readonly at: number;
  readonly mean: number;
  readonly low: number;
  readonly high: number;
  readonly clean: boolean;
}

export type PackedHistory = Float64Array<ArrayBuffer>;

const FIELDS = 5;
export const NO_HISTORY: PackedHistory = new Float64Array();

/** With a later point, and without those that are too old for a chart by then. */
export function withPoint(
  history: PackedHistory,
  { at, mean, low, high, clean }: HistoryPoint,
): PackedHistory {
  const from = at - STATES.historyDays * DAY_MS;
  let kept = 0;
  while (kept < history.length && history[kept] < from) kept += FIELDS;
  const longer = new Float64Array(history.length - kept + FIELDS);
  longer.set(history.subarray(kept));
  longer.set([at, mean, low, high, clean ? 1 : 0], longer.length - FIELDS);
  return longer;
}

/** Point by point, the earliest first. */
export function historyPoints(history: PackedHistory): HistoryPoint[] {
  return Array.from({ length: history.length / FIELDS }, (_, i) => {
    const [at, mean, low, high, clean] = history.subarray(i * FIELDS, (i + 1) * FIELDS);
    return { at, mean, low, high, clean: clean === 1 };
  });
}
