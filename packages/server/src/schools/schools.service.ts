/**
 * Schools: what the studio settled on, overridden by a teacher, then for a student. Only what is proposed, fingered
 * and printed follows them; no record of a hand, a take or a plan is ever changed by one.
 */
import type { SchoolLayer, SchoolScope, SchoolsBody, SomeSchools } from '@finch/contract';
import { schoolsOf, type Schools as Held } from '@finch/core/shapes';
import type { DataSource, EntityManager } from 'typeorm';
import { may, need, type Right, type Who } from '../accounts/rights';
import { teachersOf } from '../lessons/diary.service';
import { markBook } from '../marks/marks.service';
import { inStudio, writeInStudio } from '../platform/database';
import { notFound, Refusal } from '../platform/problems';
import { isOfStudio } from '../students/roster.service';
import { schoolRows, writeSchool, type SchoolRow } from './schools.repository';

const STALE = 'the newer choice; yours is still on your screen';
const RIGHT: Readonly<Record<SchoolScope, Right>> = {
  studio: 'school.studio',
  teacher: 'school.teacher',
  student: 'school.student',
};

/** The schools of every student at once: one reading of the layers for as many as are asked. */
export interface SchoolBook {
  readonly forStudent: (studentId: string) => Held;
}

export async function schoolBook(manager: EntityManager): Promise<SchoolBook> {
  const rows = await schoolRows(manager);
  const teachers = await teachersOf(manager);
  const says = (scope: SchoolScope, id?: string) =>
    rows.find((row) => row.scope === scope && (id === undefined || row.subjectId === id))?.says;
  return {
    forStudent: (studentId) =>
      schoolsOf(says('studio'), says('teacher', teachers.get(studentId) ?? ''), says('student', studentId)),
  };
}

export interface Schools {
  readonly read: (who: Who, studentId?: string) => Promise<SchoolsBody>;
  readonly keep: (
    who: Who,
    scope: SchoolScope,
    subjectId: string,
    kept: { version: number; says: SomeSchools },
  ) => Promise<{ version: number }>;
}

export function makeSchools(database: DataSource): Schools {
  const mayChange = (who: Who, scope: SchoolScope, subjectId: string): boolean =>
    may(who, RIGHT[scope], scope === 'student' ? subjectId : undefined) &&
    // A teacher's own layer is that teacher's; an owner may set any.
    (scope !== 'teacher' || subjectId === who.membershipId || may(who, 'school.studio'));
  const layer = (
    who: Who,
    rows: readonly SchoolRow[],
    scope: SchoolScope,
    subjectId: string,
  ): SchoolLayer => {
    const row = rows.find((one) => one.scope === scope && one.subjectId === subjectId);
    return {
      subjectId,
      version: row?.version ?? 0,
      says: row?.says ?? {},
      mayChange: mayChange(who, scope, subjectId),
    };
  };
  return {
    read: async (who, studentId) => {
      need(who, 'school.read', studentId);
      return inStudio(database, who.studioId, async (manager) => {
        if (studentId && !(await isOfStudio(manager, studentId))) throw notFound('student');
        const rows = await schoolRows(manager);
        const teacherId = studentId
          ? ((await teachersOf(manager)).get(studentId) ?? null)
          : may(who, 'school.teacher')
            ? who.membershipId
            : null;
        const studio = layer(who, rows, 'studio', who.studioId);
        const teacher = teacherId ? layer(who, rows, 'teacher', teacherId) : null;
        const student = studentId ? layer(who, rows, 'student', studentId) : null;
        return {
          studio,
          teacher,
          student,
          holds: schoolsOf(studio.says, teacher?.says, student?.says),
          marks: (await markBook(manager)).forStudent(studentId ?? null),
        };
      });
    },
    keep: async (who, scope, subjectId, { version, says }) => {
      need(who, RIGHT[scope], scope === 'student' ? subjectId : undefined);
      if (!mayChange(who, scope, subjectId))
        throw new Refusal('right.missing', RIGHT[scope], 'whose layer this is, or the owner');
      return writeInStudio(database, who.studioId, async (manager) => {
        if (scope === 'studio' && subjectId !== who.studioId) throw notFound('studio');
        if (scope === 'student' && !(await isOfStudio(manager, subjectId))) throw notFound('student');
        const written = await writeSchool(manager, who.studioId, { scope, subjectId, says }, version);
        if (!written) throw new Refusal('write.stale', 'version', STALE);
        return { version: version + 1 };
      });
    },
  };
}
