/**
 * What reported pain does to playing, by plain rules: any pain but unbroken fingertip skin ends playing for
 * the day; hard work stays locked until a teacher clears it and two days were free of pain; then a week at
 * half the minutes without a barre. While it is locked a teacher may allow the other hand to play alone, from the day after
 * the pain on. Our convention; doctors and hand therapists decide.
 */
import { isQuiet } from '../drills/evidence';
import { handAlone, type OneHand } from '../drills/one-hand';
import type { Recipe } from '../drills/recipe';
import { endsPlaying, type PainPlace } from '../drills/take';
import { PAIN } from './constants';
import { addDays } from './days';
import type { LogEvent } from './log';

export interface PainState {
  readonly status: 'free' | 'stopped today' | 'locked' | 'returning';
  /** Present unless free. */
  readonly where?: PainPlace;
  readonly side?: 'left' | 'right' | 'both';
  readonly sinceDay?: string;
  readonly cleared?: boolean;
  /** First day, as YYYY-MM-DD, on which hard work may come back if cleared and free of pain. */
  readonly earliestDay?: string;
  /** The hand that may play alone, while it is locked. */
  readonly oneHand?: 'left' | 'right';
}

/** The last pain that ended playing and the last clearance, ms since 1970. */
export interface PainSoFar {
  readonly painMs: number | null;
  readonly clearedMs: number | null;
  readonly where?: PainPlace;
  readonly side?: 'left' | 'right' | 'both';
  /** The hand a teacher allowed to play alone since it hurt last. */
  readonly oneHand?: 'left' | 'right';
}

/** After one more event; they come in order. */
export function painAfter(before: PainSoFar, event: LogEvent, at: number): PainSoFar {
  if (event.kind === 'clearance') {
    const { oneHand: _before, ...rest } = before;
    if (event.oneHand === 'none') return rest;
    return event.oneHand ? { ...rest, oneHand: event.oneHand } : { ...before, clearedMs: at };
  }
  const feel = event.kind === 'attempt' ? event.take.feel : null;
  if (feel?.hand !== 'pain' || !endsPlaying(feel)) return before;
  // What was allowed before it hurt is allowed no more.
  return { painMs: at, clearedMs: before.clearedMs, where: feel.where, side: feel.side };
}

/** What may be played at an instant; `dayOf` gives the student's day of one. */
export function painAt(
  { painMs, clearedMs, where, side, oneHand }: PainSoFar,
  now: number,
  dayOf: (ms: number) => string,
): PainState {
  if (painMs === null) return { status: 'free' };
  const earliestDay = addDays(dayOf(painMs), PAIN.freeDays + 1);
  const today = dayOf(now);
  const cleared = clearedMs !== null && clearedMs > painMs;
  const common = { where, side, sinceDay: dayOf(painMs), cleared, earliestDay };
  if (dayOf(painMs) === today) return { status: 'stopped today', ...common };
  if (!cleared || today < earliestDay) {
    // Never the hand that hurts.
    const other = oneHand && side !== 'both' && side !== oneHand;
    return { status: 'locked', ...common, ...(other ? { oneHand } : {}) };
  }
  const back = dayOf(clearedMs) > earliestDay ? dayOf(clearedMs) : earliestDay;
  return today < addDays(back, PAIN.returningDays) ? { status: 'returning', ...common } : { status: 'free' };
}

/** The hand that may play alone of somebody who frets with the left one, or with the right; null where none may. */
export function allowedHand(
  pain: Pick<PainState, 'status' | 'oneHand'>,
  leftHanded: boolean,
): OneHand | null {
  if (pain.status !== 'locked' || !pain.oneHand) return null;
  return (pain.oneHand === 'left') !== leftHanded ? 'fretting' : 'striking';
}

/** Whether a drill stays open while playing is stopped: no hand plays in it, or only the one that may. */
export const staysOpen = (recipe: Recipe, allowed: OneHand | null): boolean =>
  isQuiet(recipe) || (allowed !== null && handAlone(recipe) === allowed);

/** From a pain that ended playing to the teacher's word, ms since 1970; null while that is not said. */
export interface PainStop {
  readonly from: number;
  readonly to: number | null;
}

/** Stops that are told of. */
const STOPS_KEPT = 12;

/** After one more event; they come in order. A second pain while playing is stopped is the same stop. */
export function stopsAfter(before: readonly PainStop[], event: LogEvent, at: number): readonly PainStop[] {
  const last = before.at(-1);
  const open = last !== undefined && last.to === null;
  if (event.kind === 'clearance' && event.oneHand) return before;
  if (event.kind === 'clearance')
    return open ? [...before.slice(0, -1), { from: last.from, to: at }] : before;
  const feel = event.kind === 'attempt' ? event.take.feel : null;
  if (open || feel?.hand !== 'pain' || !endsPlaying(feel)) return before;
  return [...before, { from: at, to: null }].slice(-STOPS_KEPT);
}
