/** What a piece asks of the hand on the bench, worked out beside the page: its grips, changes, tempo and parts. */
import type { PathOptions } from '@finch/core/changes';
import { playedBy, type PlayedBy } from '@finch/core/hands';
import type { PartGrade, Piece } from '@finch/core/score';
import { computed, type Ref } from 'vue';
import { benchWork, plain } from '../../workers/bench';
import { useLatest } from '../../workers/latest';
import { locksOf, type Listed } from './listed';

export function useDemand(shown: Readonly<Ref<Listed | null>>, drilling: Readonly<Ref<PlayedBy>>) {
  const piece = computed<Piece | null>(() => shown.value?.piece ?? null);
  /** Locked grips of the piece, by written chord. */
  const locked = computed(() => (shown.value ? locksOf(shown.value) : []));
  const options = computed<PathOptions>(() => {
    // What this hand may be given comes first; a chord that has nothing lighter is shown over the limit.
    return { ...playedBy(drilling.value), locked: locked.value };
  });
  const asking = () => (piece.value ? ([piece.value, options.value] as const) : null);
  const grips = useLatest(asking, ([now, asked]) => benchWork().demand(plain(now), plain(asked)));
  const demand = grips.answer;
  // The parts come after the grips: the chart is what is looked at first.
  const graded = useLatest(
    () => (demand.value ? asking() : null),
    ([now, asked]) => benchWork().parts(plain(now), plain(asked)),
  );
  const parts = computed<readonly PartGrade[]>(() => graded.answer.value ?? []);
  const failed = computed(() => grips.failed.value || graded.failed.value);
  return { piece, options, demand, parts, failed };
}
