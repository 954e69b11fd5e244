/**
 * The path of the Changes bench: what is typed or which piece is on it, what is asked, what was locked, and what came
 * back. Worked out beside the page; an older answer never overtakes a newer question.
 */
import type { OtherWay, Path, PathFound, PathLock, PathOptions } from '@finch/core/changes';
import type { DrillContext } from '@finch/core/drills';
import { chordOf, gapBeatsOf } from '@finch/core/score';
import { refDebounced } from '@vueuse/core';
import { computed, reactive, ref, shallowRef, watch, type ComputedRef } from 'vue';
import { school } from '../../words/school';
import { benchWork, plain } from '../../workers/bench';
import { limitsAsked, type PathAsked } from './path-asked';
import { readProgression } from './progression';

export function usePath(given: {
  readonly typed: string;
  readonly asked: PathAsked;
  readonly drilling: ComputedRef<DrillContext>;
  readonly limit: ComputedRef<number | null>;
  /** Fret of a capo the chords are meant for. */
  readonly capo: number;
}) {
  const typed = ref(given.typed);
  const settled = refDebounced(typed, 150);
  const asked = reactive({ ...given.asked });
  const locks = shallowRef<Readonly<Record<number, PathLock>>>({});
  const progression = computed(() => readProgression(settled.value));
  const options = computed<PathOptions>(() => {
    const { hand, instrument, pace, pins } = given.drilling.value;
    const { chords, piece } = progression.value;
    return {
      hand,
      instrument: { ...instrument, capo: given.capo || piece.capo || instrument.capo },
      ...(pace ? { pace } : {}),
      ...(pins ? { pins } : {}),
      objective: asked.objective,
      limits: limitsAsked(asked, given.limit.value),
      locked: chords.map((_, i) => locks.value[i] ?? null),
      gapBeats: chords.map((one) => gapBeatsOf(one.beats)),
      school: { ...school() },
    };
  });
  const found = shallowRef<PathFound | null>(null);
  const foundFor = shallowRef(progression.value);
  const shown = ref(0);
  const busy = ref(false);
  const failed = ref(false);
  let turn = 0;
  async function plan() {
    const mine = ++turn;
    const now = progression.value;
    if (now.chords.length === 0) {
      found.value = null;
      foundFor.value = now;
      return;
    }
    busy.value = true;
    failed.value = false;
    try {
      const chords = now.chords.map((one) => chordOf(one.chord));
      const others = chords.length > 64 ? 0 : 2;
      const path = await benchWork().path(plain(chords), plain({ ...options.value, others }));
      if (mine !== turn) return;
      found.value = path;
      foundFor.value = now;
      shown.value = 0;
    } catch {
      if (mine === turn) failed.value = true;
    } finally {
      if (mine === turn) busy.value = false;
    }
  }
  watch([progression, options], plan, { immediate: true });
  const paths = computed<readonly Path[]>(() => (found.value ? [found.value, ...found.value.others] : []));
  const path = computed<Path | null>(() => paths.value[shown.value] ?? paths.value[0] ?? null);

  /** Index of the change that is looked at. */
  const picked = ref<number | null>(null);
  watch(path, (now) => {
    if (!now || picked.value === null || !now.changes[picked.value]) picked.value = now?.weakest ?? null;
  });
  const ways = shallowRef<readonly OtherWay[]>([]);
  let waysTurn = 0;
  watch([path, picked], async ([now, at]) => {
    const mine = ++waysTurn;
    ways.value = [];
    if (!now || at === null) return;
    const next = await benchWork().otherWays(plain(now), at + 1, plain(options.value));
    if (mine === waysTurn) ways.value = next;
  });
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
    path,
    shown,
    picked,
    ways,
    busy,
    failed,
    plan,
  };
}
