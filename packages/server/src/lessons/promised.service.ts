/** What was promised to students when they had their last lesson: not reached in it, or given home since. */
import { upcastPlan, type DoneBody } from '@finch/contract';
import { promisesOf } from '@finch/core/planning';
import type { EntityManager } from 'typeorm';
import { givenHome } from '../practice/home.service';
import { lastLessons } from './lessons.repository';

/** Skills by student, two each at most; a student to whom nothing was promised has none. @param now ms since 1970 */
export async function promisedTo(
  manager: EntityManager,
  studentIds: readonly string[],
  now: number,
): Promise<ReadonlyMap<string, readonly string[]>> {
  const last = await lastLessons(manager, studentIds, new Date(now));
  const home = await givenHome(manager, studentIds);
  return new Map(
    studentIds.map((id) => {
      const lesson = last.get(id);
      const given = (home.get(id) ?? []).filter(({ since }) => !lesson || since >= lesson.startsAt);
      const promised = promisesOf(
        lesson ? upcastPlan(lesson.plan) : null,
        (lesson?.done as DoneBody | null | undefined)?.blocks ?? [],
        given.map(({ skillId }) => skillId),
      );
      return [id, promised];
    }),
  );
}
