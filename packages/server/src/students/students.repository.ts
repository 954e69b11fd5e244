import type { KeptGoal } from '@finch/contract';
import type { EntityManager } from 'typeorm';
import {
  HandEntity,
  InstrumentEntity,
  LimitsEntity,
  PlayedEntity,
  PersonEntity,
  StudentEntity,
  type DatedRow,
  type StudentRow,
} from '../platform/entities';

export interface StudentRecord extends StudentRow {
  readonly name: string;
  readonly bornOn: string | null;
  readonly groups: readonly string[];
  readonly archivedAt: Date | null;
}

/** One student, archived or not, or every one that is taught. A double that was merged is nobody by itself. */
export async function studentRecords(manager: EntityManager, studentId?: string): Promise<StudentRecord[]> {
  const rows: (Omit<StudentRecord, never> & Record<string, unknown>)[] = await manager.query(
    `SELECT s.studio_id AS "studioId", s.id, s.person_id AS "personId", s.membership_id AS "membershipId", s.time_zone AS "timeZone", s.note,
       s.goals, s.waived, s.practice_minutes AS "practiceMinutes", s.practice_days AS "practiceDays", s.version, s.created_at AS "createdAt", s.archived_at AS "archivedAt", p.name, p.born_on::text AS "bornOn",
       coalesce((SELECT array_agg(b.name ORDER BY b.name) FROM band_member bm JOIN band b ON b.id = bm.band_id AND b.studio_id = bm.studio_id
         WHERE bm.student_id = s.id AND bm.studio_id = s.studio_id), '{}') AS groups
     FROM student s JOIN person p ON p.studio_id = s.studio_id AND p.id = s.person_id
     WHERE s.merged_into IS NULL AND ($1::uuid IS NULL AND s.archived_at IS NULL OR s.id = $1::uuid) ORDER BY s.id`,
    [studentId ?? null],
  );
  return rows;
}

export async function isStudent(manager: EntityManager, id: string): Promise<boolean> {
  const rows: unknown[] = await manager.query('SELECT 1 FROM student WHERE id = $1', [id]);
  return rows.length > 0;
}

/** Whom an id names by now: the student it was merged into, or the one it is; null for none. */
export async function mainStudent(manager: EntityManager, id: string): Promise<string | null> {
  const rows: { id: string }[] = await manager.query(
    'SELECT coalesce(merged_into, id) AS id FROM student WHERE id = $1',
    [id],
  );
  return rows[0]?.id ?? null;
}

const DATED = {
  hand: HandEntity,
  instrument: InstrumentEntity,
  limits: LimitsEntity,
  played: PlayedEntity,
} as const;

export async function addDated(
  manager: EntityManager,
  what: keyof typeof DATED,
  row: DatedRow,
): Promise<void> {
  await manager.getRepository(DATED[what]).insert({ ...row, value: row.value as object });
}

export async function addPerson(
  manager: EntityManager,
  person: { studioId: string; id: string; name: string; bornOn: string | null },
): Promise<void> {
  await manager.getRepository(PersonEntity).insert({ ...person, version: 1 });
}

export async function addStudent(manager: EntityManager, row: StudentRow): Promise<void> {
  await manager.getRepository(StudentEntity).insert(row);
}

export interface StudentChange {
  readonly note?: string;
  readonly goals?: readonly KeptGoal[];
  readonly practice?: { readonly days: readonly number[]; readonly minutes: number };
}

/** Raises the version when it still is the one the writer saw; false when someone else wrote first. */
export async function touchStudent(
  manager: EntityManager,
  studentId: string,
  version: number,
  change: StudentChange = {},
): Promise<boolean> {
  const result: [unknown, number] = await manager.query(
    `UPDATE student SET version = version + 1, note = coalesce($3, note), goals = coalesce($4::jsonb, goals),
       practice_days = coalesce($5::smallint[], practice_days), practice_minutes = coalesce($6, practice_minutes)
     WHERE id = $1 AND version = $2`,
    [
      studentId,
      version,
      change.note ?? null,
      change.goals ? JSON.stringify(change.goals) : null,
      change.practice?.days ?? null,
      change.practice?.minutes ?? null,
    ],
  );
  return result[1] === 1;
}

/** Names and birthday stand in `person` alone. */
export async function renamePerson(
  manager: EntityManager,
  personId: string,
  name: string,
  bornOn: string | null,
): Promise<void> {
  await manager.query('UPDATE person SET name = $2, born_on = $3, version = version + 1 WHERE id = $1', [
    personId,
    name,
    bornOn,
  ]);
}

export async function setArchived(manager: EntityManager, studentId: string, at: Date | null): Promise<void> {
  await manager.query('UPDATE student SET archived_at = $2 WHERE id = $1', [studentId, at]);
}

export async function archivedStudents(manager: EntityManager): Promise<{ id: string; name: string }[]> {
  return manager.query(
    `SELECT s.id, p.name FROM student s JOIN person p ON p.studio_id = s.studio_id AND p.id = s.person_id
     WHERE s.archived_at IS NOT NULL AND s.merged_into IS NULL ORDER BY p.name`,
  );
}

/** Somebody else of this name, however it is written; null where there is nobody. */
export async function namesake(
  manager: EntityManager,
  name: string,
  exceptStudentId: string,
): Promise<string | null> {
  const rows: { name: string }[] = await manager.query(
    `SELECT p.name FROM student s JOIN person p ON p.studio_id = s.studio_id AND p.id = s.person_id
     WHERE lower(regexp_replace(p.name, '\\s+', ' ', 'g')) = lower(regexp_replace($1, '\\s+', ' ', 'g'))
       AND s.id <> $2 AND s.merged_into IS NULL LIMIT 1`,
    [name, exceptStudentId],
  );
  return rows[0]?.name ?? null;
}

/**
 * Everything of a double comes to the student: the log by reading both, since it is never written over; lessons, home cards
 * and pins by moving; hand, guitar, limits and months of playing only where the student has none of their own.
 */
export async function mergeInto(
  manager: EntityManager,
  studentId: string,
  doubleId: string,
  at: Date,
): Promise<void> {
  const both = [studentId, doubleId];
  for (const table of ['hand_record', 'instrument_record', 'limits_record', 'played_record'])
    await manager.query(
      `INSERT INTO ${table} (studio_id, id, student_id, from_instant, value)
       SELECT studio_id, gen_random_uuid(), $1, from_instant, value FROM ${table} WHERE student_id = $2
         AND NOT EXISTS (SELECT 1 FROM ${table} WHERE student_id = $1)`,
      both,
    );
  await manager.query('UPDATE lesson SET student_id = $1 WHERE student_id = $2', both);
  await manager.query('UPDATE home_card SET student_id = $1 WHERE student_id = $2', both);
  await manager.query(
    `UPDATE letter l SET student_id = $1 WHERE student_id = $2 AND NOT EXISTS (SELECT 1 FROM letter o
       WHERE o.student_id = $1 AND o.kind = 'pain' AND l.kind = 'pain' AND o.about_day = l.about_day)`,
    both,
  );
  await manager.query('UPDATE piece SET student_id = $1 WHERE student_id = $2', both);
  await manager.query(
    `UPDATE home_week w SET student_id = $1 WHERE student_id = $2 AND NOT EXISTS (
       SELECT 1 FROM home_week o WHERE o.student_id = $1)`,
    both,
  );
  await manager.query(
    `UPDATE grip_mark m SET student_id = $1 WHERE student_id = $2 AND NOT EXISTS (
       SELECT 1 FROM grip_mark o WHERE o.student_id = $1 AND o.kind = m.kind AND o.subject = m.subject)`,
    both,
  );
  await manager.query(
    `INSERT INTO band_member (studio_id, band_id, student_id)
     SELECT studio_id, band_id, $1 FROM band_member WHERE student_id = $2 ON CONFLICT DO NOTHING`,
    both,
  );
  await manager.query(
    `INSERT INTO guardianship (studio_id, membership_id, student_id)
     SELECT studio_id, membership_id, $1 FROM guardianship WHERE student_id = $2 ON CONFLICT DO NOTHING`,
    both,
  );
  await manager.query(
    `UPDATE student s SET membership_id = coalesce(s.membership_id, d.membership_id),
       note = trim(both E'\n' FROM concat_ws(E'\n', nullif(s.note, ''), nullif(d.note, ''))),
       goals = s.goals || (SELECT coalesce(jsonb_agg(goal), '[]') FROM jsonb_array_elements(d.goals) AS g (goal) WHERE NOT s.goals @> jsonb_build_array(jsonb_build_object('id', goal->'id')))
     FROM student d WHERE s.id = $1 AND d.id = $2`,
    both,
  );
  await manager.query('UPDATE student SET merged_into = $1 WHERE merged_into = $2', both);
  await manager.query(
    'UPDATE student SET merged_into = $1, archived_at = $3, membership_id = NULL WHERE id = $2',
    [...both, at],
  );
}

/** Deletes everything of a student, and of doubles merged into them, through the owner's own function. */
export async function eraseStudent(manager: EntityManager, studentId: string): Promise<void> {
  await manager.query('SELECT erase_student($1)', [studentId]);
}
