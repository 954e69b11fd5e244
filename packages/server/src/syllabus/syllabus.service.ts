/** The studio's syllabus: the newest immutable version. Read once a version, since it never changes. */
import type { SyllabusBody } from '@finch/contract';
import type { Syllabus } from '@finch/core/syllabus';
import type { EntityManager } from 'typeorm';
import { notFound } from '../platform/problems';

export interface SyllabusVersion {
  readonly id: string;
  readonly content: Syllabus;
}

const known = new Map<string, SyllabusVersion>();

export async function currentSyllabus(manager: EntityManager): Promise<SyllabusVersion> {
  const rows: { id: string }[] = await manager.query(
    'SELECT id FROM syllabus_version ORDER BY id DESC LIMIT 1',
  );
  if (!rows[0]) throw notFound('syllabus');
  const found = known.get(rows[0].id);
  if (found) return found;
  const full: { content: Syllabus }[] = await manager.query(
    'SELECT content FROM syllabus_version WHERE id = $1',
    [rows[0].id],
  );
  const version = { id: rows[0].id, content: full[0].content };
  known.set(version.id, version);
  return version;
}

export async function addSyllabus(
  manager: EntityManager,
  studioId: string,
  id: string,
  content: Syllabus,
  at: Date,
): Promise<void> {
  await manager.query(
    'INSERT INTO syllabus_version (studio_id, id, content, created_at) VALUES ($1, $2, $3, $4)',
    [studioId, id, JSON.stringify(content), at],
  );
}

export function syllabusBody({ id, content }: SyllabusVersion): SyllabusBody {
  return {
    version: id,
    name: content.name,
    strands: [...content.strands],
    skills: content.skills.map((skill) => ({
      id: skill.id,
      name: skill.name,
      strand: skill.strand,
      targetBpm: skill.targetBpm,
      barre: skill.barre,
      practice: [...skill.practice],
    })),
    courses: content.courses.map((course) => ({ ...course, skills: [...course.skills] })),
  };
}
