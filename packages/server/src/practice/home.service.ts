/** What lies at home of several students, for whoever plans with it. */
import type { EntityManager } from 'typeorm';
import { openHomeOf } from './home.repository';

export interface GivenHome {
  readonly skillId: string | null;
  readonly since: Date;
}

/** Cards given home and not done with, by student, the newest first. */
export async function givenHome(
  manager: EntityManager,
  studentIds: readonly string[],
): Promise<Map<string, GivenHome[]>> {
  const given = new Map<string, GivenHome[]>();
  for (const { studentId, skillId, since } of await openHomeOf(manager, studentIds))
    given.set(studentId, [...(given.get(studentId) ?? []), { skillId, since }]);
  return given;
}
