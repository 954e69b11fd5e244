import { In, IsNull, type EntityManager } from 'typeorm';
import { HomeCardEntity, type HomeCardRow } from '../platform/entities';

export async function openHomeCards(
  manager: EntityManager,
  studioId: string,
  studentId: string,
): Promise<HomeCardRow[]> {
  return manager
    .getRepository(HomeCardEntity)
    .find({ where: { studioId, studentId, endedAt: IsNull() }, order: { since: 'DESC', id: 'DESC' } });
}

export async function openHomeOf(
  manager: EntityManager,
  studentIds: readonly string[],
): Promise<Pick<HomeCardRow, 'studentId' | 'skillId' | 'since'>[]> {
  return manager.getRepository(HomeCardEntity).find({
    select: { studentId: true, skillId: true, since: true },
    where: { studentId: In([...studentIds]), endedAt: IsNull() },
    order: { since: 'DESC', id: 'DESC' },
  });
}

export async function addHomeCard(manager: EntityManager, row: HomeCardRow): Promise<boolean> {
  const known = await manager.getRepository(HomeCardEntity).findOneBy({ studioId: row.studioId, id: row.id });
  if (known) return false;
  await manager.getRepository(HomeCardEntity).insert({ ...row, recipe: row.recipe as object });
  return true;
}

/** Ends a card, or gives it again; false where the student has none of that id. */
export async function endHomeCard(
  manager: EntityManager,
  studentId: string,
  id: string,
  at: Date | null,
): Promise<boolean> {
  const changed: [unknown, number] = await manager.query(
    'UPDATE home_card SET ended_at = $3, version = version + 1 WHERE student_id = $1 AND id = $2',
    [studentId, id, at],
  );
  return changed[1] === 1;
}
