import { readPieceContent, type PieceBody, type PieceContent } from '@finch/contract';
import type { EntityManager } from 'typeorm';

const STORED_VERSION = 1;

interface PieceRow {
  readonly id: string;
  readonly content: unknown;
  readonly version: number;
}

/** The repertoire of the studio set in this transaction, in the order it was made. */
export async function pieceRows(manager: EntityManager): Promise<PieceBody[]> {
  const rows: PieceRow[] = await manager.query(
    'SELECT id, content, version FROM piece WHERE NOT removed ORDER BY id',
  );
  return rows.flatMap((row) => {
    const content = readPieceContent(row.content);
    return content ? [{ id: row.id, version: row.version, ...content }] : [];
  });
}

/** Writes over the version the writer saw (0: none yet); null content takes the piece away. False when stale. */
export async function writePiece(
  manager: EntityManager,
  row: { studioId: string; id: string; content: PieceContent | null; at: Date },
  seen: number,
): Promise<boolean> {
  const content = row.content && JSON.stringify({ schemaVersion: STORED_VERSION, ...row.content });
  if (seen === 0) {
    if (content === null) return false;
    const made: unknown[] = await manager.query(
      `INSERT INTO piece (studio_id, id, content, changed_at) VALUES ($1, $2, $3, $4)
       ON CONFLICT (studio_id, id) DO NOTHING RETURNING 1`,
      [row.studioId, row.id, content, row.at],
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

/** The version stored now; null where this studio has no such piece. */
export async function pieceVersion(manager: EntityManager, id: string): Promise<number | null> {
  const found: { version: number }[] = await manager.query('SELECT version FROM piece WHERE id = $1', [id]);
  return found[0]?.version ?? null;
}
