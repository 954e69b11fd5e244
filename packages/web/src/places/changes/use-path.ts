/**
 * The path of the Changes bench: what is typed or which piece is on it, what is asked, what was locked, and what came
 * back. Worked out beside the page; an older answer never overtakes a newer question.
 */
import type { OtherWay, Path, PathFound, PathLock, PathOptions } from '@finch/core/changes';
import { gripLimit, playedBy, type PlayedBy } from '@finch/core/hands';
import { chordOf, gapBeatsOf } from '@finch/core/score';
import { refDebounced } from '@vueuse/core';
import { computed, reactive, ref, shallowRef, watch, type ComputedRef } from 'vue';
import { benchWork, plain } from '../../workers/bench';
import { useLatest } from '../../workers/latest';
import { limitsAsked, type PathAsked } from './path-asked';
import { readProgression } from './progression';

/** Chords beyond which only the best path is searched. */
const LONG_PIECE = 64;

export function usePath(given: {
  readonly typed: string;
  readonly asked: PathAsked;
  readonly drilling: ComputedRef<PlayedBy>;
  /** Fret of a capo the chords are meant for. */
  readonly capo: number;
}) {
  const typed = ref(given.typed);
  const settled = refDebounced(typed, 150);
  const asked = reactive({ ...given.asked });
  const locks = shallowRef<Readonly<Record<number, PathLock>>>({});
  const progression = computed(() => readProgression(settled.value));
  const options = computed<PathOptions>(() => {
    const { chords, piece } = progression.value;
    const { instrument, ...of } = playedBy(given.drilling.value);
    return {
      ...of,
      instrument: { ...instrument, capo: given.capo || piece.capo || instrument.capo },
      objective: asked.objective,
      limits: limitsAsked(asked, gripLimit(given.drilling.value)),
      locked: chords.map((_, i) => locks.value[i] ?? null),
      gapBeats: chords.map((one) => gapBeatsOf(one.ticks)),
    };
  });
  const search = useLatest(
    () => ({ now: progression.value, options: options.value }),
    async ({ now, options: asked }): Promise<{ of: typeof now; path: PathFound | null }> => {
      if (now.chords.length === 0) return { of: now, path: null };
      const chords = now.chords.map((one) => chordOf(one.chord));
      const others = chords.length > LONG_PIECE ? 0 : 2;
      return { of: now, path: await benchWork().path(plain(chords), plain({ ...asked, others })) };
    },
    () => true,
  );
  const shown = ref(0);
  watch(search.answer, () => (shown.value = 0));
  const found = computed(() => search.answer.value?.path ?? null);
  /** The progression that the path shown belongs to. */
  const foundFor = computed(() => search.answer.value?.of ?? progression.value);
  const paths = computed<readonly Path[]>(() =>
    found.value
      ? [found.value, ...found.value.others, ...(found.value.quicker ? [found.value.quicker] : [])]
      : [],
  );
  /** What the paths are called: the last may be one of less usual grips. */
  const pathNames = computed(() =>
    paths.value.map((one, i) =>
      i === 0 ? 'Best' : one === found.value?.quicker ? 'Quicker, less usual' : `Another ${i}`,
    ),
  );
  const path = computed<Path | null>(() => paths.value[shown.value] ?? paths.value[0] ?? null);

  /** Index of the change that is looked at. */
  const picked = ref<number | null>(null);
  watch(path, (now) => {
    if (!now || picked.value === null || !now.changes[picked.value]) picked.value = now?.weakest ?? null;
  });
  const others = useLatest(
    () => (path.value && picked.value !== null ? ([path.value, picked.value + 1] as const) : null),
    ([now, at]) => benchWork().otherWays(plain(now), at, plain(options.value)),
  );
  const ways = computed<readonly OtherWay[]>(() => others.answer.value ?? []);
  const lock = (chord: number, to: PathLock | null) => {
    const next: Record<number, PathLock> = { ...locks.value };
    if (to) next[chord] = to;
    else delete next[chord];
    locks.value = next;
  };
  // Another progression has other chords: what was locked belongs to the old one.
  watch(
    () => progression.value.chords.map((one) => one.chord).join(' '),
    (now, before) => before !== undefined && now !== before && (locks.value = {}),
  );
  return {
    typed,
    settled,
    asked,
    locks,
    lock,
    progression,
    foundFor,
    options,
    paths,
    pathNames,
    path,
    shown,
    picked,
    ways,
    busy: search.busy,
    failed: search.failed,
    plan: search.again,
  };
}

export type PathWork = ReturnType<typeof usePath>;
