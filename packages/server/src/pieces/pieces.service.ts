/** The studio's repertoire: read by who teaches, written over the version seen, taken away and brought back. */
import type { PieceBody, PieceContent } from '@finch/contract';
import type { DataSource } from 'typeorm';
import { need, type Who } from '../accounts/rights';
import type { Clock } from '../platform/clock';
import { inStudio, writeInStudio } from '../platform/database';
import { notFound, Refusal } from '../platform/problems';
import { pieceRows, pieceVersion, writePiece } from './pieces.repository';

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
      if (seen === 0 && (await pieceRows(manager)).length >= MOST_PIECES)
        throw new Refusal('piece.many', 'pieces', `at most ${MOST_PIECES} pieces; take one away first`);
      const at = new Date(clock.now());
      if (!(await writePiece(manager, { studioId: who.studioId, id, content, at }, seen))) {
        if ((await pieceVersion(manager, id)) === null) throw notFound('pieceId');
        throw new Refusal('write.stale', 'version', STALE);
      }
      return (await pieceVersion(manager, id)) ?? 1;
    });
  return {
    list: async (who) => {
      need(who, 'piece.read');
      return inStudio(database, who.studioId, pieceRows);
    },
    keep: async (who, id, { version, ...content }) => {
      need(who, 'piece.write');
      return { id, ...content, version: await write(who, id, content, version) };
    },
    remove: async (who, id, version) => {
      need(who, 'piece.write');
      return { version: await write(who, id, null, version) };
    },
  };
}
