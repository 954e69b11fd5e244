/** The studio's pieces: read, written over the version seen, taken away and brought back. */
import { routes, type PieceBody, type PieceContent } from '@finch/contract';
import { readChart } from '@finch/core/score';
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed } from 'vue';
import { call } from '../../session/api';
import { useSeat } from '../../session/seat';
import { inOrder } from './listed';

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
  async function newest(id: string): Promise<PieceBody | null> {
    const now = await call(routes.pieces);
    await refresh();
    return now.pieces.find((one) => one.id === id) ?? null;
  }
  return { query, pieces, today, keep, remove, newest };
}
