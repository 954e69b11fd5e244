/** Which lessons there are, as other capabilities ask it inside their own transaction. */
import { TZDate } from '@date-fns/tz';
import { dayReader } from '@finch/core/mastery';
import { addDays, startOfDay } from 'date-fns';
import type { EntityManager } from 'typeorm';
import type { LessonRow } from '../platform/entities';
import {
  lessonsBetween,
  lessonsOf,
  nextLessonAfter,
  nextLessons,
  teachersBy,
  writeUpsOwed,
} from './lessons.repository';

export interface LessonDay {
  /** YYYY-MM-DD by the clocks of the studio; null where no lesson is ahead. */
  readonly day: string | null;
  readonly lessons: readonly LessonRow[];
}

/** Today's lessons, or those of the next day that has any. */
export async function lessonDay(manager: EntityManager, now: number, timeZone: string): Promise<LessonDay> {
  const dayOf = dayReader(timeZone);
  const from = startOfDay(new TZDate(now, timeZone));
  const today = await lessonsBetween(manager, from, addDays(from, 1));
  if (today.length) return { day: dayOf(now), lessons: today };
  const next = await nextLessonAfter(manager, new Date(now));
  if (!next) return { day: null, lessons: [] };
  const start = startOfDay(new TZDate(next.getTime(), timeZone));
  return { day: dayOf(next.getTime()), lessons: await lessonsBetween(manager, start, addDays(start, 1)) };
}

/** When each student comes next, by student. */
export const nextOfEach = (manager: EntityManager, now: number): Promise<ReadonlyMap<string, Date>> =>
  nextLessons(manager, new Date(now));

/** Lessons that were taught and not written up. */
export const owedWriteUps = (manager: EntityManager): Promise<number> => writeUpsOwed(manager);

/** Every lesson of a student, the latest first. */
export const lessonsOfStudent = (
  manager: EntityManager,
  studioId: string,
  studentId: string,
): Promise<readonly LessonRow[]> => lessonsOf(manager, studioId, studentId);

/** Membership of each student's teacher, who gives or last gave a lesson, by student. */
export const teachersOf = (manager: EntityManager): Promise<ReadonlyMap<string, string>> =>
  teachersBy(manager);
