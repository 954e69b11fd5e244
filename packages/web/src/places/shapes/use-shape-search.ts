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
import { school } from '../../words/school';
import { benchWork, plain } from '../../workers/bench';
import { givenWay, limitsOf, NOTHING_ASKED, type Asked } from './asked';
import { readBox } from './reading';

/** Long enough for a frame with the first cards. */
const REST_AFTER_MS = 60;

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
  /** The head of what was found, then all of it. */
  const list = shallowRef<readonly GradedGrip[]>([]);
  const total = ref(0);
  /** The chord the grips on screen belong to; the one typed is shown once its grips are there. */
  const shownChord = shallowRef<Chord | null>(null);
  const steps = shallowRef<readonly LimitStep[]>([]);
  const searching = ref(false);
  const failed = ref(false);
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
  let turn = 0;
  async function search() {
    const mine = ++turn;
    const now = request.value;
    if (!now) {
      shownChord.value = null;
      return;
    }
    searching.value = true;
    failed.value = false;
    try {
      const typedGrip = reading.value.ok ? reading.value.value.frets : null;
      const { total: count, head } = await benchWork().shapes(plain(now));
      const grip = typedGrip
        ? await benchWork().graded(plain(typedGrip), plain(now.chord), plain(now.hand), plain(now.instrument))
        : null;
      const why = count ? [] : await benchWork().explain(plain(now));
      if (mine !== turn) return;
      list.value = head;
      total.value = count;
      own.value = grip;
      steps.value = why;
      shownChord.value = now.chord;
      if (typedGrip) pickedText.value = fretsText(typedGrip);
      if (count > head.length) void fetchRest(mine, head);
    } catch {
      if (mine === turn) failed.value = true;
    } finally {
      if (mine === turn) searching.value = false;
    }
  }
  /** The rest comes when the first cards stand. */
  async function fetchRest(mine: number, head: readonly GradedGrip[]) {
    await new Promise((resolve) => setTimeout(resolve, REST_AFTER_MS));
    if (mine !== turn) return;
    const rest = await benchWork().restOfShapes();
    if (mine === turn) list.value = [...head, ...rest];
  }
  watch(request, search, { immediate: true });

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
    else requestAnimationFrame(() => setTimeout(take));
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
    searching,
    failed,
    list,
    picked,
    inHand,
    pickedText,
    pickedIndex,
    pickFrets,
    step,
    giveWay,
    reset,
    search,
  };
}

export type ShapeSearch = ReturnType<typeof useShapeSearch>;
