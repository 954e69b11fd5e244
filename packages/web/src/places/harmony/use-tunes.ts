/** The pieces of the studio that have a melody, read from the server. */
import { routes } from '@finch/contract';
import { useQuery } from '@tanstack/vue-query';
import { computed } from 'vue';
import { call } from '../../session/api';
import { useSeat } from '../../session/seat';
import { tunesOf } from './tunes';

export function useTunes(most: number) {
  const seat = useSeat();
  const { data } = useQuery({
    queryKey: computed(() => ['pieces', seat.seat?.membershipId]),
    queryFn: () => call(routes.pieces),
  });
  return computed(() =>
    tunesOf(
      (data.value?.pieces ?? []).map((piece) => piece.chart),
      most,
    ),
  );
}
