import type { EntityManager } from 'typeorm';
import {
  HandEntity,
  InstrumentEntity,
  LimitsEntity,
  PersonEntity,
  StudentEntity,
  type DatedRow,
  type StudentRow,
} from '../platform/entities';

export interface StudentRecord extends StudentRow {
  readonly name: string;
  readonly bornOn: string | null;
  readonly groups: readonly string[];
}

export async function studentRecords(manager: EntityManager, studentId?: string): Promise<StudentRecord[]> {
  const rows: (Omit<StudentRecord, never> & Record<string, unknown>)[] = await manager.query(
    `SELECT s.studio_id AS "studioId", s.id, s.person_id AS "personId", s.membership_id AS "membershipId", s.time_zone AS "timeZone", s.note,
       s.goals, s.waived, s.practice_minutes AS "practiceMinutes", s.version, s.created_at AS "createdAt", p.name, p.born_on::text AS "bornOn",
       coalesce((SELECT array_agg(b.name ORDER BY b.name) FROM band_member bm JOIN band b ON b.id = bm.band_id AND b.studio_id = bm.studio_id
         WHERE bm.student_id = s.id AND bm.studio_id = s.studio_id), '{}') AS groups
     FROM student s JOIN person p ON p.studio_id = s.studio_id AND p.id = s.person_id
     WHERE $1::uuid IS NULL OR s.id = $1::uuid ORDER BY s.id`,
    [studentId ?? null],
  );
  return rows;
}

export async function isStudent(manager: EntityManager, id: string): Promise<boolean> {
  const rows: unknown[] = await manager.query('SELECT 1 FROM student WHERE id = $1', [id]);
  return rows.length > 0;
}

export interface DatedRecords {
  readonly hands: DatedRow[];
  readonly instruments: DatedRow[];
  readonly limits: DatedRow[];
}

export async function datedRecords(
  manager: EntityManager,
  studioId: string,
  studentId: string,
): Promise<DatedRecords> {
  const order = { where: { studioId, studentId }, order: { fromInstant: 'ASC', id: 'ASC' } } as const;
  return {
    hands: await manager.getRepository(HandEntity).find(order),
    instruments: await manager.getRepository(InstrumentEntity).find(order),
    limits: await manager.getRepository(LimitsEntity).find(order),
  };
}

const DATED = { hand: HandEntity, instrument: InstrumentEntity, limits: LimitsEntity } as const;

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

/** Raises the version when it still is the one the writer saw; false when someone else wrote first. */
export async function touchStudent(
  manager: EntityManager,
  studentId: string,
  version: number,
  change: { note?: string } = {},
): Promise<boolean> {
  const result: [unknown, number] = await manager.query(
    'UPDATE student SET version = version + 1, note = coalesce($3, note) WHERE id = $1 AND version = $2',
    [studentId, version, change.note ?? null],
  );
  return result[1] === 1;
}
