/** What was promised to students when they had their last lesson: not reached in it, or given home since; and what it began. */
import { upcastPlan, type DoneBody } from '@finch/contract';
import { promisesOf } from '@finch/core/planning';
import type { EntityManager } from 'typeorm';
import { begunAtHome } from '../homework/weeks.service';
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
  const weeks = await begunAtHome(manager, studentIds);
  return new Map(
    studentIds.map((id) => {
      const lesson = last.get(id);
      const given = (home.get(id) ?? []).filter(({ since }) => !lesson || since >= lesson.startsAt);
      const week = weeks.get(id);
      const begun = week && (!lesson || week.since >= lesson.startsAt) ? week.skillIds : [];
      const promised = promisesOf(
        lesson ? upcastPlan(lesson.plan) : null,
        (lesson?.done as DoneBody | null | undefined)?.blocks ?? [],
        [...given.map(({ skillId }) => skillId), ...begun],
      );
      return [id, promised];
    }),
  );
}

/** Skills that were new in a student's last lesson and were reached. @param now ms since 1970 */
export async function begunInLast(manager: EntityManager, studentId: string, now: number): Promise<string[]> {
  const lesson = (await lastLessons(manager, [studentId], new Date(now))).get(studentId);
  const reached = new Map(
    ((lesson?.done as DoneBody | null | undefined)?.blocks ?? []).map(({ blockId, minutes }) => [
      blockId,
      minutes,
    ]),
  );
  return (upcastPlan(lesson?.plan)?.blocks ?? []).flatMap(({ id, kind, skillId }) =>
    kind === 'new' && skillId !== null && (reached.get(id) ?? 0) >= 1 ? [skillId] : [],
  );
}
