/**
 * The memory clock of one skill: FSRS schedules its return. A clean take is Good, nearly is Hard, not yet is
 * Again. A new skill comes back each practice day for a week, whatever FSRS says.
 */
import { createEmptyCard, fsrs, Rating, type Card, type Grade } from 'ts-fsrs';
import type { TakeResult } from '../drills/take';
import { STATES } from './constants';

export interface Memory {
  readonly card: Card;
  readonly firstMs: number;
}

const DAY_MS = 86_400_000;
const scheduler = fsrs({ enable_fuzz: false, enable_short_term: false });
const GRADES: Readonly<Record<TakeResult, Grade>> = {
  clean: Rating.Good,
  nearly: Rating.Hard,
  'not yet': Rating.Again,
};

export function remember(memory: Memory | null, result: TakeResult, atMs: number): Memory {
  const at = new Date(atMs);
  const card: Card = memory ? memory.card : createEmptyCard(at);
  return { card: scheduler.next(card, at, GRADES[result]).card, firstMs: memory?.firstMs ?? atMs };
}

/** Chance of recalling it, 0 to 1; 1 at the last take. */
export function recallAt(memory: Memory, atMs: number): number {
  const last = memory.card.last_review?.getTime() ?? memory.firstMs;
  if (atMs <= last) return 1;
  return scheduler.get_retrievability(memory.card, new Date(atMs), false);
}

/** When it wants to return, ms. */
export function dueAt(memory: Memory): number {
  const last = memory.card.last_review?.getTime() ?? memory.firstMs;
  const young = last - memory.firstMs < STATES.newDays * DAY_MS;
  return young ? Math.min(memory.card.due.getTime(), last + DAY_MS) : memory.card.due.getTime();
}
