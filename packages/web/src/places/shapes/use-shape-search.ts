/**
 * The search of the Shapes bench: what is typed, what is asked of a grip, what came back and which one is in
 * hand. Runs in the worker; an older answer never overtakes a newer question.
 */
import type { Hand, Instrument } from '@finch/core/fretboard';
import { fretsText, type Frets } from '@finch/core/grips';
import type { GradedGrip, LimitStep, ShapeRequest } from '@finch/core/shapes';
import { refDebounced, useLocalStorage } from '@vueuse/core';
import { computed, reactive, ref, shallowRef, watch, type ComputedRef } from 'vue';
import { school } from '../../app/school';
import { benchWork, plain } from '../../workers/bench';
import { givenWay, limitsOf, NOTHING_ASKED, type Asked } from './asked';
import { readBox } from './reading';

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
  const grips = shallowRef<readonly GradedGrip[]>([]);
  /** Which chord the grips on screen belong to. */
  const foundFor = ref('');
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
    if (!now) return;
    searching.value = true;
    failed.value = false;
    try {
      const typedGrip = reading.value.ok ? reading.value.value.frets : null;
      const found = await benchWork().shapes(plain(now));
      const grip = typedGrip
        ? await benchWork().graded(plain(typedGrip), plain(now.chord), plain(now.hand), plain(now.instrument))
        : null;
      const why = found.length ? [] : await benchWork().explain(plain(now));
      if (mine !== turn) return;
      grips.value = found;
      own.value = grip;
      steps.value = why;
      foundFor.value = now.chord.symbol;
      if (typedGrip) pickedText.value = fretsText(typedGrip);
    } catch {
      if (mine === turn) failed.value = true;
    } finally {
      if (mine === turn) searching.value = false;
    }
  }
  watch(request, search, { immediate: true });

  /** Grips worth a card: one that is another less a string has none, unless it is a named layout or still full. */
  const list = computed(() =>
    grips.value.filter(
      (grip) =>
        grip.foldsInto === undefined ||
        grip.layout !== null ||
        grip.frets.filter((f) => f !== null).length >= 4,
    ),
  );
  const picked = computed(() => {
    const is = (grip: GradedGrip) => fretsText(grip.frets) === pickedText.value;
    return grips.value.find(is) ?? (own.value && is(own.value) ? own.value : null) ?? list.value[0] ?? null;
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
    grips,
    foundFor,
    steps,
    searching,
    failed,
    list,
    picked,
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
