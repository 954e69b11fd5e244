/** Who is in the studio, as other capabilities ask it inside their own transaction. */
import type { EntityManager } from 'typeorm';
import { notFound } from '../platform/problems';
import {
  archivedStudents,
  isStudent,
  mainStudent,
  studentRecords,
  type StudentRecord,
} from './students.repository';

/** Whether somebody of that id is or was taught here; doubles that were merged count, since takes for them may be on their way. */
export const isOfStudio = (manager: EntityManager, studentId: string): Promise<boolean> =>
  isStudent(manager, studentId);

/** Names of all who are taught, by id. */
export async function namesTaught(manager: EntityManager): Promise<ReadonlyMap<string, string>> {
  return new Map((await studentRecords(manager)).map((record) => [record.id, record.name]));
}

/** Who was put away and can be brought back. */
export const putAway = (manager: EntityManager): Promise<Pick<StudentRecord, 'id' | 'name'>[]> =>
  archivedStudents(manager);

/** What stands of a student beside their log; refuses where there is none. */
export async function studentOf(manager: EntityManager, studentId: string): Promise<StudentRecord> {
  const [record] = await studentRecords(manager, studentId);
  if (!record) throw notFound('studentId');
  return record;
}

/** The student whom something said of an id is about: their own record where the id is of a double merged into them; null of nobody. */
export async function taughtAs(manager: EntityManager, studentId: string): Promise<StudentRecord | null> {
  const main = await mainStudent(manager, studentId);
  return main === null ? null : studentOf(manager, main);
}
