import type { EntityManager } from 'typeorm';
import { MembershipEntity, PersonEntity } from '../platform/entities';

export interface SeatRecord {
  readonly membershipId: string;
  readonly name: string;
  readonly bornOn: string | null;
  readonly roles: readonly string[];
  readonly ownStudents: readonly string[];
}

/** Every membership of the studio with the students that are, or are in the care of, that person. */
export async function seatRecords(manager: EntityManager, membershipId?: string): Promise<SeatRecord[]> {
  const rows: { id: string; name: string; born_on: string | null; roles: string[]; own: string[] | null }[] =
    await manager.query(
      `SELECT m.id, p.name, p.born_on::text, m.roles,
       array_remove(array_agg(DISTINCT s.id) || array_agg(DISTINCT g.student_id), NULL) AS own
     FROM membership m JOIN person p ON p.studio_id = m.studio_id AND p.id = m.person_id
     LEFT JOIN student s ON s.studio_id = m.studio_id AND s.membership_id = m.id
     LEFT JOIN guardianship g ON g.studio_id = m.studio_id AND g.membership_id = m.id
     WHERE $1::uuid IS NULL OR m.id = $1::uuid
     GROUP BY m.id, p.name, p.born_on, m.roles ORDER BY min(m.id::text)`,
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
