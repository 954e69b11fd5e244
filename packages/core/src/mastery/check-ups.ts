/** What check-ups heard, term by term: read from the log, without what was taken back. */
import type { Recipe } from '../drills/recipe';
import type { TakeResult } from '../drills/take';
import { upTo, type LogEvent } from './log';

export interface CheckUpHeard {
  readonly skillId: string;
  readonly recipe: Recipe;
  readonly result: TakeResult;
  readonly tempoBpm: number | null;
}

export interface CheckUp {
  readonly id: string;
  /** ms since 1970. */
  readonly at: number;
  readonly heard: readonly CheckUpHeard[];
}

/** Check-ups up to an instant, ms since 1970, the first first; a take that was taken back is not heard, one without any is none. */
export function checkUpsOf(events: readonly LogEvent[], now: number): CheckUp[] {
  const { live } = upTo(events, now);
  const takes = new Map(
    live.flatMap(({ event }) => (event.kind === 'attempt' ? [[event.id, event.take] as const] : [])),
  );
  return live.flatMap(({ event, at }): CheckUp[] => {
    if (event.kind !== 'check-up') return [];
    const heard = event.takes.flatMap(({ skillId, takeId }): CheckUpHeard[] => {
      const take = takes.get(takeId);
      return take ? [{ skillId, recipe: take.recipe, result: take.result, tempoBpm: take.tempoBpm }] : [];
    });
    return heard.length ? [{ id: event.id, at, heard }] : [];
  });
}
