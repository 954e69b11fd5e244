/**
 * The path of the Changes bench: what is typed or which piece is on it, what is asked, what was locked, and what came
 * back. Worked out beside the page; an older answer never overtakes a newer question.
 */
import type {
  OtherWay,
  Path,
  PathFound,
  PathLimits,
  PathLock,
  PathObjective,
  PathOptions,
} from '@finch/core/changes';
import type { DrillContext } from '@finch/core/drills';
import { chordOf, gapBeatsOf } from '@finch/core/score';
import { refDebounced } from '@vueuse/core';
import { computed, reactive, ref, shallowRef, watch, type ComputedRef } from 'vue';
import { school } from '../../app/school';
import { benchWork, plain } from '../../workers/bench';
import { readProgression } from './progression';

export interface PathAsked {
  objective: PathObjective;
  fromFret: number;
  toFret: number;
  bass: PathLimits['bass'];
  rootString: number | null;
  /** Strings that may sound, by number: from the thicker to the thinner; null for all. */
  strings: string | null;
  open: boolean;
  barre: boolean;
  /** Grips up to this hand's limit only. */
  insideLimit: boolean;
}

export const NOTHING_ASKED: PathAsked = {
  objective: 'easiest',
  fromFret: 0,
  toFret: 15,
  bass: 'root',
  rootString: null,
  strings: null,
  open: true,
  barre: true,
  insideLimit: false,
};

export function limitsAsked(asked: PathAsked, limit: number | null): Partial<PathLimits> {
  const [thick, thin] = (asked.strings ?? '').split('-').map(Number);
  return {
    minFret: asked.fromFret,
    maxFret: Math.max(asked.fromFret, asked.toFret),
    bass: asked.bass,
    rootStrings: asked.rootString === null ? null : [asked.rootString],
    strings: asked.strings ? [thick, thin] : null,
    allowOpen: asked.open,
    allowBarre: asked.barre,
    maxEffort: asked.insideLimit && limit !== null ? limit : 100,
  };
}

/** Only what differs from nothing asked, for the address. */
export function writeAsked(asked: PathAsked): string {
  const says = Object.entries(asked).filter(
    ([name, value]) => value !== NOTHING_ASKED[name as keyof PathAsked],
  );
  return says.length ? JSON.stringify(Object.fromEntries(says)) : '';
}

/** What an address asks; anything it says wrongly is left as it is when nothing is asked. */
export function readAsked(text: string, objectives: readonly string[]): PathAsked {
  let said: Record<string, unknown> = {};
  try {
    const read: unknown = JSON.parse(text || '{}');
    if (read && typeof read === 'object') said = read as Record<string, unknown>;
  } catch {
    said = {};
  }
  const fret = (value: unknown, otherwise: number) =>
    Number.isInteger(value) && Number(value) >= 0 && Number(value) <= 24 ? Number(value) : otherwise;
  const nothing = NOTHING_ASKED;
  return {
    objective: objectives.includes(String(said.objective))
      ? (said.objective as PathObjective)
      : nothing.objective,
    fromFret: fret(said.fromFret, nothing.fromFret),
    toFret: fret(said.toFret, nothing.toFret),
    bass: said.bass === 'any' || said.bass === 'root or 5' ? said.bass : nothing.bass,
    rootString: [4, 5, 6].includes(Number(said.rootString)) ? Number(said.rootString) : null,
    strings: /^[3-8]-[1-6]$/.test(String(said.strings)) ? String(said.strings) : null,
    open: said.open !== false,
    barre: said.barre !== false,
    insideLimit: said.insideLimit === true,
  };
}

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

