/** What a piece asks of the hand on the bench, worked out beside the page: its grips, changes, tempo and parts. */
import type { PathOptions } from '@finch/core/changes';
import type { DrillContext } from '@finch/core/drills';
import type { PartGrade, Piece, PieceDemand } from '@finch/core/score';
import { computed, ref, shallowRef, watch, type Ref } from 'vue';
import { school } from '../../words/school';
import { benchWork, plain } from '../../workers/bench';
import { locksOf, type Listed } from './listed';

export function useDemand(
  shown: Readonly<Ref<Listed | null>>,
  drilling: Readonly<Ref<DrillContext>>,
  limit: Readonly<Ref<number | null>>,
) {
  const piece = computed<Piece | null>(() => shown.value?.piece ?? null);
  /** Locked grips of the piece, by written chord. */
  const locked = computed(() => (shown.value ? locksOf(shown.value) : []));
  const options = computed<PathOptions>(() => {
    const { hand, instrument, pace, pins } = drilling.value;
    return {
      hand,
      instrument,
      ...(pace ? { pace } : {}),
      ...(pins ? { pins } : {}),
      locked: locked.value,
      // What this hand may be given comes first; a chord that has nothing lighter is shown over the limit.
      limits: limit.value === null ? {} : { maxEffort: limit.value },
      school: { ...school() },
    };
  });
  const demand = shallowRef<PieceDemand | null>(null);
  const parts = shallowRef<readonly PartGrade[]>([]);
  const failed = ref(false);
  let turn = 0;
  watch(
    [piece, options],
    async ([now, asked]) => {
      const mine = ++turn;
      demand.value = null;
      parts.value = [];
      failed.value = false;
      if (!now) return;
      try {
        const found = await benchWork().demand(plain(now), plain(asked));
        if (mine !== turn) return;
        demand.value = found;
        const graded = await benchWork().parts(plain(now), plain({ ...asked, locked: [], limits: {} }));
        if (mine === turn) parts.value = graded;
      } catch {
        if (mine === turn) failed.value = true;
      }
    },
    { immediate: true },
  );
  return { piece, options, demand, parts, failed };
}
