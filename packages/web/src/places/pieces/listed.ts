/** Pieces as they are listed, and what a new one begins with. */
import type { PieceBody, PieceContent } from '@finch/contract';
import { chordPlace, writtenChords, type Piece } from '@finch/core/score';

export interface Listed {
  readonly body: PieceBody;
  readonly piece: Piece;
}

/** Those with a concert first, the nearest first; then by title. */
export function inOrder(pieces: readonly Listed[], today: string): Listed[] {
  const day = ({ body }: Listed) => (body.concert && body.concert.day >= today ? body.concert.day : '9999');
  return [...pieces].sort(
    (a, b) => day(a).localeCompare(day(b)) || a.piece.title.localeCompare(b.piece.title),
  );
}

export const contentOf = ({ chart, concert, locks, parts }: PieceBody): PieceContent => ({
  chart,
  concert,
  locks,
  parts,
});

/** What a chart begins with when somebody types one. */
export const NEW_CHART = `title: 
key: C major
time: 4/4
tempo: 90
strum plain 2: D - d u - u d u

[A] plain
| C | Am | F | G |
`;

/** Locked grips by written chord; null where none is. */
export const locksOf = ({ body, piece }: Listed) =>
  writtenChords(piece).map((one) => body.locks[chordPlace(one)] ?? null);

/**
 * Locks that still belong after a chart was edited: those of the chords before the first that changed and after the
 * last, wherever these stand now. A grip locked for a chord in between goes, since it may be another chord's.
 */
export function locksAfter(before: Piece, after: Piece, locks: PieceContent['locks']): PieceContent['locks'] {
  const [had, has] = [writtenChords(before), writtenChords(after)];
  const alike = (i: number, j: number) => i >= 0 && j >= 0 && had[i]?.chord === has[j]?.chord;
  const shorter = Math.min(had.length, has.length);
  let head = 0;
  while (head < shorter && alike(head, head)) head++;
  let tail = 0;
  while (tail < shorter - head && alike(had.length - 1 - tail, has.length - 1 - tail)) tail++;
  return Object.fromEntries(
    had.flatMap((one, i) => {
      const lock = locks[chordPlace(one)];
      const at = i < head ? i : i >= had.length - tail ? has.length - (had.length - i) : -1;
      return lock && at >= 0 ? [[chordPlace(has[at]), lock]] : [];
    }),
  );
}
