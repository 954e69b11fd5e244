/** Versions of a studio's syllabus, the newest last; none is ever changed. Read once a version. */
import { createHash } from 'node:crypto';
import { countedPart, type Syllabus } from '@finch/core/syllabus';
import type { EntityManager } from 'typeorm';
import { notFound } from '../platform/problems';

export interface SyllabusVersion {
  readonly id: string;
  readonly content: Syllabus;
  /** Names what the numbers of students rest on: the same one after a change of words alone. */
  readonly ground: string;
}

export interface VersionHead {
  readonly id: string;
  readonly at: Date;
  readonly name: string;
  readonly skills: number;
  /** Who kept it; null for one that came with the program. */
  readonly by: string | null;
}

const known = new Map<string, SyllabusVersion>();

const groundOf = ({ skills }: Syllabus): string =>
  createHash('sha1')
    .update(JSON.stringify(skills.map(countedPart)))
    .digest('hex');

export async function currentSyllabus(manager: EntityManager): Promise<SyllabusVersion> {
  const rows: { id: string }[] = await manager.query(
    'SELECT id FROM syllabus_version ORDER BY id DESC LIMIT 1',
  );
  if (!rows[0]) throw notFound('syllabus');
  const found = known.get(rows[0].id);
  if (found) return found;
  const { content } = await storedSyllabus(manager, rows[0].id);
  const version = { id: rows[0].id, content, ground: groundOf(content) };
  known.set(version.id, version);
  return version;
}

export async function storedSyllabus(
  manager: EntityManager,
  id: string,
): Promise<{ readonly at: Date; readonly content: Syllabus }> {
  const rows: { at: Date; content: Syllabus }[] = await manager.query(
    'SELECT created_at AS at, content FROM syllabus_version WHERE id = $1',
    [id],
  );
  if (!rows[0]) throw notFound('versionId');
  return rows[0];
}

/** The newest first. */
export async function versionHeads(manager: EntityManager): Promise<VersionHead[]> {
  const rows: VersionHead[] = await manager.query(
    `SELECT v.id, v.created_at AS at, v.content->>'name' AS name, jsonb_array_length(v.content->'skills') AS skills, p.name AS by
     FROM syllabus_version v
     LEFT JOIN membership m ON m.studio_id = v.studio_id AND m.id = v.made_by
     LEFT JOIN person p ON p.studio_id = m.studio_id AND p.id = m.person_id
     ORDER BY v.id DESC`,
  );
  return rows;
}

/** Whether somebody of the studio made the newest version. */
export async function isOwn(manager: EntityManager): Promise<boolean> {
  const rows: { by: string | null }[] = await manager.query(
    'SELECT made_by AS by FROM syllabus_version ORDER BY id DESC LIMIT 1',
  );
  return rows[0]?.by !== null;
}

/** @param by who keeps it; null for one that comes with the program */
export async function addSyllabus(
  manager: EntityManager,
  studioId: string,
  id: string,
  content: Syllabus,
  at: Date,
  by: string | null = null,
): Promise<void> {
  await manager.query(
    'INSERT INTO syllabus_version (studio_id, id, content, created_at, made_by) VALUES ($1, $2, $3, $4, $5)',
    [studioId, id, JSON.stringify(content), at, by],
  );
}
