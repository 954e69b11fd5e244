/**
 * The memory clock of one skill: FSRS schedules its return. A clean take is Good, nearly is Hard, not yet is
 * Again. A new skill comes back each practice day for a week, whatever FSRS says.
 */
import { fsrs, Rating, State, type Card, type Grade } from 'ts-fsrs';
import type { TakeResult } from '../drills/take';
import { DAY_MS, STATES } from './constants';

/** A trace as FSRS keeps it after a review. */
interface Trace {
  readonly stability: number;
  readonly difficulty: number;
  /** The review, ms since 1970. */
  readonly at: number;
}

/**
 * The trace after the last take, and what it came of: when the skill is due is worked out when somebody asks, not at every
 * take, since the scheduler weighs all four grades against each other for it.
 */
export interface Memory {
  readonly firstMs: number;
  readonly trace: Trace;
  readonly before: Trace | null;
  readonly last: TakeResult;
}

const scheduler = fsrs({ enable_fuzz: false, enable_short_term: false });
const GRADES: Readonly<Record<TakeResult, Grade>> = {
  clean: Rating.Good,
  nearly: Rating.Hard,
  'not yet': Rating.Again,
};

/** Days between two reviews as FSRS counts them: days of the calendar, in UTC. */
const daysBetween = (from: number, to: number): number => Math.floor(to / DAY_MS) - Math.floor(from / DAY_MS);

/** @param atMs no earlier than the last take */
export function remember(memory: Memory | null, result: TakeResult, atMs: number): Memory {
  const before = memory?.trace ?? null;
  const days = before ? daysBetween(before.at, atMs) : 0;
  const { stability, difficulty } = scheduler.next_state(before, days, GRADES[result]);
  return {
    firstMs: memory?.firstMs ?? atMs,
    trace: { stability, difficulty, at: atMs },
    before,
    last: result,
  };
}

/** Chance of recalling it, 0 to 1; 1 at the last take. */
export function recallAt({ trace }: Memory, atMs: number): number {
  const days = Math.floor((atMs - trace.at) / DAY_MS);
  return days <= 0 ? 1 : scheduler.forgetting_curve(days, trace.stability);
}

/** Stability in days of a skill that came clean when it was first played. */
export const FIRST_STABILITY_DAYS = scheduler.next_state(null, 0, Rating.Good).stability;

/** Share forgotten after so many days at a stability, 0 to 1. */
export const forgottenAfter = (days: number, stabilityDays: number): number =>
  1 - scheduler.forgetting_curve(Math.max(0, days), stabilityDays);

/** Difficulty of a card that nothing else is known of, in the middle of its ten. */
const MIDDLE_DIFFICULTY = 5;

/** Stability that a visit after so many days is expected to leave, coming clean with a chance of 0 to 1. */
export function stabilityAfter(stabilityDays: number, days: number, chance: number): number {
  const after = (grade: Grade) =>
    scheduler.next_state({ stability: stabilityDays, difficulty: MIDDLE_DIFFICULTY }, days, grade).stability;
  return chance * after(Rating.Good) + (1 - chance) * after(Rating.Again);
}

/** When it wants to return, ms. */
export function dueAt({ firstMs, trace, before, last }: Memory): number {
  const due = scheduler.next(cardOf(before, trace.at), trace.at, GRADES[last]).card.due.getTime();
  const young = trace.at - firstMs < STATES.newDays * DAY_MS;
  return young ? Math.min(due, trace.at + DAY_MS) : due;
}

/** The card that a review found, as far as FSRS looks at it. */
function cardOf(trace: Trace | null, now: number): Card {
  const at = new Date(trace?.at ?? now);
  return {
    due: at,
    stability: trace?.stability ?? 0,
    difficulty: trace?.difficulty ?? 0,
    elapsed_days: 0,
    scheduled_days: 0,
    learning_steps: 0,
    reps: 0,
    lapses: 0,
    state: trace ? State.Review : State.New,
    ...(trace && { last_review: at }),
  };
}
