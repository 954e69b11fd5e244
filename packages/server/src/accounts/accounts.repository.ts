import type { EntityManager } from 'typeorm';
import { MembershipEntity, PersonEntity } from '../platform/entities';

export interface SeatRecord {
  readonly membershipId: string;
  readonly name: string;
  readonly bornOn: string | null;
  readonly roles: readonly string[];
  readonly ownStudents: readonly string[];
}

/**
 * Every membership of the studio with the students that are, or are in the care of, that person: who is taught first, then
 * doubles that were merged into them, since takes made for a double may still be on their way.
 */
export async function seatRecords(manager: EntityManager, membershipId?: string): Promise<SeatRecord[]> {
  const rows: { id: string; name: string; born_on: string | null; roles: string[]; own: string[] | null }[] =
    await manager.query(
      `SELECT m.id, p.name, p.born_on::text, m.roles,
       (SELECT array_agg(s.id ORDER BY s.merged_into IS NOT NULL, s.id) FROM student s
         WHERE s.studio_id = m.studio_id AND EXISTS (SELECT 1 FROM student o
           LEFT JOIN guardianship g ON g.studio_id = o.studio_id AND g.student_id = o.id AND g.membership_id = m.id
           WHERE o.studio_id = s.studio_id AND (o.id = s.id OR o.id = s.merged_into)
             AND (o.membership_id = m.id OR g.membership_id IS NOT NULL))) AS own
     FROM membership m JOIN person p ON p.studio_id = m.studio_id AND p.id = m.person_id
     WHERE $1::uuid IS NULL OR m.id = $1::uuid
     ORDER BY m.id::text`,
      [membershipId ?? null],
    );
  return rows.map((row) => ({
    membershipId: row.id,
    name: row.name,
    bornOn: row.born_on,
    roles: row.roles,
    ownStudents: row.own ?? [],
  }));
}

export async function studioRecord(
  manager: EntityManager,
): Promise<{ id: string; name: string; timeZone: string } | null> {
  const rows: { id: string; name: string; time_zone: string }[] = await manager.query(
    'SELECT id, name, time_zone FROM studio',
  );
  return rows[0] ? { id: rows[0].id, name: rows[0].name, timeZone: rows[0].time_zone } : null;
}

export async function nameStudio(manager: EntityManager, name: string, timeZone: string): Promise<void> {
  await manager.query('UPDATE studio SET name = $1, time_zone = $2, version = version + 1', [name, timeZone]);
}

export async function namePerson(
  manager: EntityManager,
  studioId: string,
  membershipId: string,
  name: string,
): Promise<void> {
  const membership = await manager
    .getRepository(MembershipEntity)
    .findOneByOrFail({ studioId, id: membershipId });
  const people = manager.getRepository(PersonEntity);
  const person = await people.findOneByOrFail({ studioId, id: membership.personId });
  await people.update({ studioId, id: person.id }, { name, version: person.version + 1 });
}

/** Names of who is in charge of a student. */
export async function guardianNames(manager: EntityManager, studentId: string): Promise<string[]> {
  const rows: { name: string }[] = await manager.query(
    `SELECT p.name FROM guardianship g JOIN membership m ON m.studio_id = g.studio_id AND m.id = g.membership_id
       JOIN person p ON p.studio_id = m.studio_id AND p.id = m.person_id WHERE g.student_id = $1 ORDER BY p.name, m.id`,
    [studentId],
  );
  return rows.map(({ name }) => name);
}
