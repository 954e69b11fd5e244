/**
 * The search of the Shapes bench: what is typed, what is asked of a grip, what came back and which one is in
 * hand. Runs in the worker; an older answer never overtakes a newer question.
 */
import type { Hand, Instrument } from '@finch/core/fretboard';
import { fretsText, type Frets } from '@finch/core/grips';
import type { GradedGrip, LimitStep, ShapeRequest } from '@finch/core/shapes';
import type { Chord } from '@finch/core/theory';
import { refDebounced, useLocalStorage } from '@vueuse/core';
import { computed, reactive, ref, shallowRef, watch, type ComputedRef } from 'vue';
import { afterPaint } from '../../app/stages';
import { school } from '../../words/school';
import { benchWork, plain } from '../../workers/bench';
import { useLatest } from '../../workers/latest';
import { givenWay, limitsOf, NOTHING_ASKED, type Asked } from './asked';
import { readBox } from './reading';

/** Long enough for a frame with the first cards. */
const REST_AFTER_MS = 60;

interface Found {
  readonly chord: Chord | null;
  readonly list: readonly GradedGrip[];
  readonly total: number;
  /** The grip that was typed, graded. */
  readonly own: GradedGrip | null;
  readonly typed: Frets | null;
  /** Steps that would fill an empty list. */
  readonly steps: readonly LimitStep[];
}
const NOTHING_FOUND: Found = { chord: null, list: [], total: 0, own: null, typed: null, steps: [] };

export function useShapeSearch(given: {
  readonly typed: string;
  readonly picked: string;
  readonly asked: Asked;
  readonly hand: ComputedRef<Hand>;
  readonly instrument: ComputedRef<Instrument>;
}) {
  const { hand, instrument } = given;
  const typed = ref(given.typed);
  /** The address follows typing a little later; the search does not wait. */
  const settled = refDebounced(typed, 200);
  const german = useLocalStorage('finch-german-names', false);
  const asked = reactive<Asked>({ ...given.asked });
  const pickedText = ref(given.picked);
  const own = shallowRef<GradedGrip | null>(null);

  const reading = computed(() =>
    readBox(typed.value.slice(0, 400), instrument.value, german.value ? 'german' : 'english'),
  );
  const chord = computed(() => (reading.value.ok ? reading.value.value.chord : null));
  const names = computed(() => (reading.value.ok ? reading.value.value.names : []));
  const request = computed<ShapeRequest | null>(() =>
    chord.value
      ? {
          chord: chord.value,
          hand: hand.value,
          instrument: instrument.value,
          limits: limitsOf(asked, school()),
          school: { ...school() },
          ...(asked.use ? { use: asked.use } : {}),
          ...(asked.style ? { style: asked.style } : {}),
        }
      : null,
  );
  let before = NOTHING_FOUND;
  /** The head of what was found; the chord typed is shown once its grips are there. */
  const search = useLatest(
    () => ({ asked: request.value, typedGrip: reading.value.ok ? reading.value.value.frets : null }),
    async ({ asked: now, typedGrip }): Promise<Found> => {
      if (!now) return { ...NOTHING_FOUND, list: before.list };
      const { total, head } = await benchWork().shapes(plain(now));
      const own = typedGrip
        ? await benchWork().graded(plain(typedGrip), plain(now.chord), plain(now.hand), plain(now.instrument))
        : null;
      const steps = total ? [] : await benchWork().explain(plain(now));
      return (before = { chord: now.chord, list: head, total, own, steps, typed: typedGrip });
    },
    () => true,
  );
  const found = computed(() => search.answer.value ?? NOTHING_FOUND);
  /** The rest comes when the first cards stand. */
  const rest = useLatest(
    () => (found.value.total > found.value.list.length && found.value.chord ? found.value : null),
    async (head) => {
      await new Promise((resolve) => setTimeout(resolve, REST_AFTER_MS));
      return { head, grips: found.value === head ? await benchWork().restOfShapes() : [] };
    },
  );
  const list = computed<readonly GradedGrip[]>(() =>
    rest.answer.value?.head === found.value
      ? [...found.value.list, ...rest.answer.value.grips]
      : found.value.list,
  );
  const total = computed(() => found.value.total);
  const steps = computed(() => found.value.steps);
  /** The chord the grips on screen belong to. */
  const shownChord = computed(() => found.value.chord);
  watch(found, (now) => {
    own.value = now.own;
    if (now.typed) pickedText.value = fretsText(now.typed);
  });

  const picked = computed(() => {
    const is = (grip: GradedGrip) => fretsText(grip.frets) === pickedText.value;
    return list.value.find(is) ?? (own.value && is(own.value) ? own.value : null) ?? list.value[0] ?? null;
  });
  // A stand-in or an address may name a grip that has no card: it is asked for by itself.
  watch([pickedText, list], async ([text, now]) => {
    const has = (grip: GradedGrip) => fretsText(grip.frets) === text;
    if (text === '' || now.length === 0 || now.some(has) || (own.value && has(own.value))) return;
    const one = await benchWork().oneShape(text);
    if (one && pickedText.value === text) own.value = one;
  });
  // The grip in hand follows the first cards by a frame: its panel costs more than all of them, and the eye is on the cards.
  const inHand = shallowRef<{ readonly grip: GradedGrip | null; readonly chord: Chord | null }>({
    grip: null,
    chord: null,
  });
  watch([picked, shownChord], ([grip, of]) => {
    const take = () => (inHand.value = { grip: picked.value, chord: shownChord.value });
    if (!grip || !of || of === inHand.value.chord) take();
    else afterPaint(take);
  });
  const pickedIndex = computed(() => (picked.value ? list.value.indexOf(picked.value) : -1));
  const pickFrets = (frets: Frets) => (pickedText.value = fretsText(frets));
  /** Picks the next card or the one before; returns its index, or -1 at either end. */
  function step(by: number): number {
    const at = Math.max(0, Math.min(list.value.length - 1, pickedIndex.value + by));
    const next = list.value[at];
    if (!next) return -1;
    pickFrets(next.frets);
    return at;
  }
  /** Takes a step that fills an empty list. */
  const giveWay = (way: LimitStep) => Object.assign(asked, givenWay(asked, way));
  const reset = () => Object.assign(asked, { ...NOTHING_ASKED, strings: {} });
  return {
    typed,
    settled,
    german,
    asked,
    reading,
    chord,
    names,
    total,
    shownChord,
    steps,
    searching: search.busy,
    failed: search.failed,
    list,
    picked,
    inHand,
    pickedText,
    pickedIndex,
    pickFrets,
    step,
    giveWay,
    reset,
    again: search.again,
  };
}

export type ShapeSearch = ReturnType<typeof useShapeSearch>;
