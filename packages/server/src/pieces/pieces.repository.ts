import { readPieceContent, type PieceBody, type PieceContent } from '@finch/contract';
import type { EntityManager } from 'typeorm';

const STORED_VERSION = 1;

interface PieceRow {
  readonly id: string;
  readonly content: unknown;
  readonly version: number;
  readonly studentId: string | null;
}

/** A piece and whose it is: null where it is the studio's. */
export interface OwnedPiece extends Omit<PieceBody, 'mayChange'> {
  readonly studentId: string | null;
}

/** The repertoire of the studio set in this transaction, in the order it was made. */
export async function pieceRows(manager: EntityManager): Promise<OwnedPiece[]> {
  const rows: PieceRow[] = await manager.query(
    'SELECT id, content, version, student_id AS "studentId" FROM piece WHERE NOT removed ORDER BY id',
  );
  return rows.flatMap((row) => {
    const content = readPieceContent(row.content);
    return content ? [{ id: row.id, version: row.version, studentId: row.studentId, ...content }] : [];
  });
}

export interface PieceToward {
  readonly id: string;
  readonly title: string;
  readonly concert: PieceContent['concert'];
  readonly parts: PieceContent['parts'];
  readonly locks: PieceContent['locks'];
  readonly chart: string;
}

/** Pieces of these ids, and those with a concert on a day or after it; the nearest concert first. Charts are not read. @param day YYYY-MM-DD */
export function piecesAhead(
  manager: EntityManager,
  ids: readonly string[],
  day: string,
): Promise<PieceToward[]> {
  return manager.query(
    `SELECT id, trim(substring(content->>'chart' from 'title:([^\n]*)')) AS title, nullif(content->'concert', 'null') AS concert,
       content->'parts' AS parts, content->'locks' AS locks, content->>'chart' AS chart
     FROM piece WHERE NOT removed AND (id::text = ANY($1) OR content->'concert'->>'day' >= $2)
     ORDER BY content->'concert'->>'day', id`,
    [ids, day],
  );
}

/** Writes over the version the writer saw (0: none yet); null content takes the piece away. False when stale. */
export async function writePiece(
  manager: EntityManager,
  row: { studioId: string; id: string; content: PieceContent | null; at: Date; studentId: string | null },
  seen: number,
): Promise<boolean> {
  const content = row.content && JSON.stringify({ schemaVersion: STORED_VERSION, ...row.content });
  if (seen === 0) {
    if (content === null) return false;
    const made: unknown[] = await manager.query(
      `INSERT INTO piece (studio_id, id, content, changed_at, student_id) VALUES ($1, $2, $3, $4, $5)
       ON CONFLICT (studio_id, id) DO NOTHING RETURNING 1`,
      [row.studioId, row.id, content, row.at, row.studentId],
    );
    return made.length === 1;
  }
  const changed: [unknown, number] = await manager.query(
    `UPDATE piece SET content = coalesce($3, content), removed = $4, changed_at = $5, version = version + 1
     WHERE studio_id = $1 AND id = $2 AND version = $6`,
    [row.studioId, row.id, content, content === null, row.at, seen],
  );
  return changed[1] === 1;
}

/** The version stored now and whose it is; null where this studio has no such piece. */
export async function pieceHead(
  manager: EntityManager,
  id: string,
): Promise<{ readonly version: number; readonly studentId: string | null } | null> {
  const found: { version: number; studentId: string | null }[] = await manager.query(
    'SELECT version, student_id AS "studentId" FROM piece WHERE id = $1',
    [id],
  );
  return found[0] ?? null;
}
