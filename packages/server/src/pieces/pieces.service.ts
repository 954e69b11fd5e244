/** The studio's repertoire: read by who teaches, written over the version seen, taken away and brought back. */
import type { PieceBody, PieceContent } from '@finch/contract';
import type { DataSource, EntityManager } from 'typeorm';
import { makerOf, may, need, type Who } from '../accounts/rights';
import type { Clock } from '../platform/clock';
import { inStudio, writeInStudio } from '../platform/database';
import { notFound, Refusal } from '../platform/problems';
import { pieceHead, pieceRows, piecesAhead, writePiece, type PieceToward } from './pieces.repository';

export type { PieceToward };
/** Pieces somebody may play toward: of these ids, and those with a concert ahead. @param day YYYY-MM-DD */
export const piecesToward = (
  manager: EntityManager,
  ids: readonly string[],
  day: string,
): Promise<PieceToward[]> => piecesAhead(manager, ids, day);

const STALE = 'the newer piece; yours is still on your screen';
const MOST_PIECES = 500;

export interface PiecesService {
  readonly list: (who: Who) => Promise<PieceBody[]>;
  readonly keep: (who: Who, id: string, body: PieceContent & { version: number }) => Promise<PieceBody>;
  readonly remove: (who: Who, id: string, version: number) => Promise<{ version: number }>;
}

export function makePieces(database: DataSource, clock: Clock): PiecesService {
  const write = (who: Who, id: string, content: PieceContent | null, seen: number) =>
    writeInStudio(database, who.studioId, async (manager) => {
      const maker = makerOf(who, 'piece.write');
      const before = await pieceHead(manager, id);
      if (before && !may(who, 'piece.write', before.studentId ?? undefined))
        throw new Refusal('piece.not-own', 'pieceId', 'a piece of your own; this one is the studio’s');
      if (seen === 0 && (await pieceRows(manager)).length >= MOST_PIECES)
        throw new Refusal('piece.many', 'pieces', `at most ${MOST_PIECES} pieces; take one away first`);
      const row = { studioId: who.studioId, id, content, at: new Date(clock.now()), studentId: maker };
      if (!(await writePiece(manager, row, seen))) {
        if (!before) throw notFound('pieceId');
        throw new Refusal('write.stale', 'version', STALE);
      }
      return (await pieceHead(manager, id))?.version ?? 1;
    });
  return {
    list: async (who) => {
      need(who, 'piece.read');
      const pieces = await inStudio(database, who.studioId, pieceRows);
      return pieces.map(({ studentId, ...piece }) => ({
        ...piece,
        mayChange: may(who, 'piece.write', studentId ?? undefined),
      }));
    },
    keep: async (who, id, { version, ...content }) => ({
      id,
      ...content,
      mayChange: true,
      version: await write(who, id, content, version),
    }),
    remove: async (who, id, version) => ({ version: await write(who, id, null, version) }),
  };
}
