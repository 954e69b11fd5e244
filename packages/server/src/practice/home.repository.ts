import { IsNull, type EntityManager } from 'typeorm';
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

export async function addHomeCard(manager: EntityManager, row: HomeCardRow): Promise<boolean> {
  const known = await manager.getRepository(HomeCardEntity).findOneBy({ studioId: row.studioId, id: row.id });
  if (known) return false;
  await manager.getRepository(HomeCardEntity).insert({ ...row, recipe: row.recipe as object });
  return true;
}
