/** The weeks that were given home, as other capabilities ask it inside their own transaction. */
import { dayBlocks, type HomeWeek, type PlanBlock } from '@finch/core/planning';
import type { EntityManager } from 'typeorm';
import { weeksOf } from './homework.repository';

/** What was begun or given in the kept weeks of some students: skills by student, with when the week was kept. */
export async function begunAtHome(
  manager: EntityManager,
  studentIds: readonly string[],
): Promise<ReadonlyMap<string, { readonly skillIds: readonly string[]; readonly since: Date }>> {
  const weeks = await weeksOf(manager, studentIds);
  return new Map(
    weeks.flatMap(({ studentId, week, keptAt }) => {
      const skillIds = (week?.rows ?? []).flatMap(({ id, kind, skillId }) =>
        skillId !== null && (kind === 'new' || id.startsWith('given:')) ? [skillId] : [],
      );
      return skillIds.length ? [[studentId, { skillIds, since: keptAt }] as const] : [];
    }),
  );
}

/** What one student's kept week asks on a day; null where it has no such day. @param day YYYY-MM-DD */
export async function weekOn(
  manager: EntityManager,
  studentId: string,
): Promise<(day: string) => readonly PlanBlock[] | null> {
  const week: HomeWeek | null = (await weeksOf(manager, [studentId]))[0]?.week ?? null;
  return (day) => {
    const at = week?.days.findIndex((one) => one.day === day) ?? -1;
    return week && at >= 0 ? dayBlocks(week, at) : null;
  };
}
