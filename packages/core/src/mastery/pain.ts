/**
 * What reported pain does to playing, by plain rules: any pain but unbroken fingertip skin ends playing for
 * the day; hard work stays locked until a teacher clears it and two days were free of pain; then a week at
 * half the minutes without a barre. Our convention; doctors and hand therapists decide.
 */
import { endsPlaying, type PainPlace } from '../drills/take';
import { PAIN } from './constants';
import { happenedAt, type LogEvent } from './log';

export interface PainState {
  readonly status: 'free' | 'stopped today' | 'locked' | 'returning';
  /** Present unless free. */
  readonly where?: PainPlace;
  readonly side?: 'left' | 'right' | 'both';
  readonly sinceDay?: string;
  readonly cleared?: boolean;
  /** First day, as YYYY-MM-DD, on which hard work may come back if cleared and free of pain. */
  readonly earliestDay?: string;
}

/** Replays pain and clearance events, in time order; `dayOf` gives the student's day of an instant. */
export function painState(
  events: readonly LogEvent[],
  now: number,
  dayOf: (ms: number) => string,
): PainState {
  let state: PainState = { status: 'free' };
  let clearedMs = 0;
  let painMs = 0;
  for (const event of events) {
    const at = happenedAt(event);
    if (at > now) break;
    if (event.kind === 'clearance') clearedMs = at;
    const feel = event.kind === 'attempt' ? event.take.feel : null;
    if (feel?.hand !== 'pain' || !endsPlaying(feel)) continue;
    painMs = at;
    state = { status: 'locked', where: feel.where, side: feel.side, sinceDay: dayOf(at) };
  }
  if (painMs === 0) return state;
  const earliestDay = addDays(dayOf(painMs), PAIN.freeDays + 1);
  const today = dayOf(now);
  const cleared = clearedMs > painMs;
  const common = { ...state, cleared, earliestDay };
  if (dayOf(painMs) === today) return { ...common, status: 'stopped today' };
  if (!cleared || today < earliestDay) return { ...common, status: 'locked' };
  const back = dayOf(clearedMs) > earliestDay ? dayOf(clearedMs) : earliestDay;
  return today < addDays(back, PAIN.returningDays) ? { ...common, status: 'returning' } : { status: 'free' };
}

/** A calendar day, YYYY-MM-DD, some days later. */
export function addDays(day: string, days: number): string {
  return new Date(Date.parse(`${day}T00:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10);
}
