/** Pieces as they are listed, and what a new one begins with. */
import type { PieceBody, PieceContent } from '@finch/contract';
import type { Piece } from '@finch/core/score';

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
