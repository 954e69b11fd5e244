/** The studio's pieces: read, written over the version seen, taken away and brought back. */
import { routes, type PieceBody, type PieceContent } from '@finch/contract';
import { readChart, type Piece } from '@finch/core/score';
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed } from 'vue';
import { call } from '../../session/api';
import { useSeat } from '../../session/seat';

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

export function useRepertoire() {
  const seat = useSeat();
  const client = useQueryClient();
  const query = useQuery({
    queryKey: computed(() => ['pieces', seat.seat?.membershipId]),
    queryFn: () => call(routes.pieces),
  });
  const today = computed(() => new Date(seat.now()).toISOString().slice(0, 10));
  const pieces = computed(() =>
    inOrder(
      (query.data.value?.pieces ?? []).map((body) => ({ body, piece: readChart(body.chart).piece })),
      today.value,
    ),
  );
  const refresh = () => client.invalidateQueries({ queryKey: ['pieces'] });
  /** Rejects with the server's refusal; nothing is changed then. */
  async function keep(id: string, version: number, content: PieceContent): Promise<PieceBody> {
    const kept = await call(routes.keepPiece, { params: { pieceId: id }, body: { version, ...content } });
    await refresh();
    return kept;
  }
  async function remove(body: PieceBody): Promise<number> {
    const { version } = await call(routes.removePiece, {
      params: { pieceId: body.id },
      query: { version: String(body.version) },
    });
    await refresh();
    return version;
  }
  return { query, pieces, today, keep, remove };
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
