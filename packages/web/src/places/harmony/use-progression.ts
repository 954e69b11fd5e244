/** A progression as it is typed: its chords, the keys it may be in, and the chord of it that is looked at. */
import {
  findKeys,
  guideTones,
  MOST_CHORDS,
  readNumbers,
  readsAsNumbers,
  type KeyFound,
} from '@finch/core/harmony';
import { parseChord, pitchClassOf, type Chord, type Key } from '@finch/core/theory';
import type { Problem } from '@finch/core/kernel';
import { writtenChords } from '@finch/core/score';
import { refDebounced } from '@vueuse/core';
import { computed, ref, type Ref } from 'vue';

/** What could not be read, with its place and what could stand there. */
interface Unread {
  readonly word: string;
  readonly problem: Problem;
}

interface ProgressionRead {
  readonly chords: readonly Chord[];
  readonly unread: Unread | null;
  readonly tooMany: boolean;
}

/** Reads chords between spaces and bars, or numbers in a key. */
function readProgressionIn(text: string, keyName: string): ProgressionRead {
  const nothing = { chords: [], unread: null, tooMany: false };
  if (!text.trim()) return nothing;
  if (readsAsNumbers(text)) {
    const read = readNumbers(text, keyName);
    if (!read.ok) return { ...nothing, unread: { word: String(read.problem.at), problem: read.problem } };
    const chords = writtenChords(read.value.piece).flatMap(({ chord }) => {
      const made = parseChord(chord);
      return made.ok ? [made.value] : [];
    });
    return { ...nothing, chords };
  }
  const words = text.split(/[\s|,]+/).filter((word) => word && !/^[.%]+$/.test(word));
  if (words.length > MOST_CHORDS) return { ...nothing, tooMany: true };
  const chords: Chord[] = [];
  for (const word of words) {
    const read = parseChord(word);
    if (!read.ok) return { ...nothing, unread: { word, problem: read.problem } };
    chords.push(read.value);
  }
  return { ...nothing, chords };
}

export function useProgression(
  given: { readonly text: string; readonly at: string },
  keyName: Readonly<Ref<string>>,
) {
  const typed = ref(given.text);
  const settled = refDebounced(typed, 150);
  const read = computed(() => readProgressionIn(settled.value, keyName.value));
  const chords = computed(() => read.value.chords.filter((one) => one.tones.length > 0));
  const found = computed<readonly KeyFound[]>(() => findKeys(chords.value));
  const at = ref(Math.max(0, Number(given.at) || 0));
  /** In a progression that has not so many chords the first is looked at. */
  const index = computed(() => (at.value < chords.value.length ? at.value : 0));
  const chord = computed<Chord | null>(() => chords.value[index.value] ?? null);
  const before = computed<Chord | null>(() => chords.value[index.value - 1] ?? null);
  const next = computed<Chord | null>(() => chords.value[index.value + 1] ?? null);
  /** What it is read as: the best found; of several as good the key in hand, else the one that begins or ends at home. */
  const reading = computed<KeyFound | null>(() => {
    const ties = found.value.filter((one) => one.points === found.value[0].points);
    const home = (one: KeyFound, chord: Chord | undefined) =>
      chord !== undefined && pitchClassOf(chord.root) === pitchClassOf(one.key.tonic);
    return (
      ties.find((one) => one.key.name === keyName.value) ??
      ties.find((one) => home(one, chords.value[0])) ??
      ties.find((one) => home(one, chords.value.at(-1))) ??
      ties[0] ??
      null
    );
  });
  const key = computed<Key | null>(() => reading.value?.key ?? null);
  const guides = computed(() => guideTones(chords.value));
  /** Puts another chord in the place of the one looked at. */
  function take(chord: Chord) {
    const symbols = chords.value.map((one, i) => (i === index.value ? chord.symbol : one.symbol));
    typed.value = symbols.join(' | ');
  }
  const step = (by: number) =>
    (at.value = Math.min(Math.max(0, chords.value.length - 1), Math.max(0, index.value + by)));
  return {
    typed,
    settled,
    read,
    chords,
    found,
    reading,
    at,
    index,
    chord,
    before,
    next,
    key,
    guides,
    take,
    step,
  };
}
