import type { LetterBody, LetterContent } from '@finch/contract';
import type { EntityManager } from 'typeorm';

export interface LetterRow {
  readonly id: string;
  readonly studentId: string;
  readonly student: string;
  readonly kind: LetterBody['kind'];
  readonly state: LetterBody['state'];
  readonly version: number;
  readonly madeAt: Date;
  readonly by: string | null;
  readonly content: LetterContent;
}

/** Letters that are listed: those that wait, then the latest. */
const MOST = 200;

const COLUMNS = `l.id, l.student_id AS "studentId", p.name AS student, l.kind, l.state, l.version, l.made_at AS "madeAt",
  w.name AS by, l.content`;
const JOINED = `FROM letter l JOIN student s ON s.studio_id = l.studio_id AND s.id = l.student_id
  JOIN person p ON p.studio_id = s.studio_id AND p.id = s.person_id
  LEFT JOIN membership m ON m.studio_id = l.studio_id AND m.id = l.made_by
  LEFT JOIN person w ON w.studio_id = m.studio_id AND w.id = m.person_id`;

export const letterRows = (manager: EntityManager): Promise<LetterRow[]> =>
  manager.query(
    `SELECT ${COLUMNS} ${JOINED} ORDER BY l.state <> 'waiting', l.made_at DESC, l.id LIMIT ${MOST}`,
  );

export async function letterRow(manager: EntityManager, id: string): Promise<LetterRow | null> {
  const rows: LetterRow[] = await manager.query(`SELECT ${COLUMNS} ${JOINED} WHERE l.id = $1`, [id]);
  return rows[0] ?? null;
}

export async function waitingCount(manager: EntityManager): Promise<number> {
  const rows: { count: number }[] = await manager.query(
    "SELECT count(*)::int AS count FROM letter WHERE state = 'waiting'",
  );
  return rows[0].count;
}

interface NewLetter extends Pick<LetterRow, 'id' | 'studentId' | 'kind' | 'madeAt' | 'content'> {
  readonly studioId: string;
  /** The student's day it is about, YYYY-MM-DD. */
  readonly day: string;
  /** Membership of who wrote it; null for the house. */
  readonly madeBy: string | null;
}

/** False where it is there already: the same letter, or one about pain of the same day. */
export async function addLetter(manager: EntityManager, letter: NewLetter): Promise<boolean> {
  const made: unknown[] = await manager.query(
    `INSERT INTO letter (studio_id, id, student_id, kind, about_day, content, made_by, made_at)
     VALUES ($1, $2, $3, $4, $5, $6, $7, $8) ON CONFLICT DO NOTHING RETURNING 1`,
    [
      letter.studioId,
      letter.id,
      letter.studentId,
      letter.kind,
      letter.day,
      JSON.stringify(letter.content),
      letter.madeBy,
      letter.madeAt,
    ],
  );
  return made.length === 1;
}

/** Over the version the writer saw; false when it is stale. */
export async function changeLetter(
  manager: EntityManager,
  id: string,
  { version, state, content }: Pick<LetterRow, 'version' | 'state' | 'content'>,
): Promise<boolean> {
  const changed: [unknown, number] = await manager.query(
    'UPDATE letter SET state = $3, content = $4, version = version + 1 WHERE id = $1 AND version = $2',
    [id, version, state, JSON.stringify(content)],
  );
  return changed[1] === 1;
}
