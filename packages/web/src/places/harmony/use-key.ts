/** The key in hand: which it is, its seven chords, and which of them is looked at. */
import { degreeChords, keysOn, makeKey, noteText, type FigureSchool, type Key } from '@finch/core/theory';
import { must } from '@finch/core';
import { computed, ref } from 'vue';

export const KEY_KINDS = [
  'major', 'minor', 'harmonic minor', 'melodic minor', 'dorian', 'phrygian', 'lydian', 'mixolydian', 'locrian',
] as const; // prettier-ignore
export const SCHOOLS: readonly { readonly id: FigureSchool; readonly name: string }[] = [
  { id: 'by degree', name: 'I ii ♭III' },
  { id: 'by signature', name: 'I ii III' },
  { id: 'by number', name: '1 2m 3m' },
];
const FIRST = 'Ab major';

/** Every tonic a kind of key has with at most seven signs, round the circle from the most flats. */
export const tonicsOf = (kind: string): Key[] =>
  Array.from({ length: 12 }, (_, pitchClass) => keysOn(pitchClass, kind))
    .flat()
    .sort((a, b) => a.fifths - b.fifths);

export function useKeyInHand(given: {
  readonly name: string;
  readonly degree: string;
  readonly triads: string;
  readonly school: string;
}) {
  const asked = makeKey(given.name || FIRST);
  /** What an address asked for that is no key, and the twin to take instead. */
  const refused = ref(asked.ok ? null : { name: given.name, instead: asked.problem.detail });
  const name = ref(asked.ok ? asked.value.name : (twinOf(asked.problem.detail) ?? FIRST));
  const key = computed<Key>(() => must(makeKey(name.value)));
  const sevenths = ref(given.triads !== '1');
  const school = ref<FigureSchool>(SCHOOLS.find((one) => one.id === given.school)?.id ?? 'by degree');
  const degrees = computed(() => degreeChords(key.value, { sevenths: sevenths.value, school: school.value }));
  const at = Number(given.degree);
  const picked = ref(at >= 1 && at <= 7 ? at - 1 : 4);
  const degree = computed(() => degrees.value[picked.value]);

  function take(to: string) {
    const made = makeKey(to);
    if (!made.ok) {
      refused.value = { name: to, instead: made.problem.detail };
      return;
    }
    refused.value = null;
    name.value = made.value.name;
  }
  /** The same tonic in another kind; its twin by sound where that has more than seven signs. */
  function takeKind(kind: string) {
    const made = makeKey(`${noteText(key.value.tonic)} ${kind}`);
    take(made.ok ? made.value.name : made.problem.detail);
  }
  const step = (by: number) => (picked.value = (picked.value + by + 7) % 7);
  return { name, key, refused, sevenths, school, degrees, picked, degree, take, takeKind, step };
}

const twinOf = (detail: string): string | null => {
  const made = makeKey(detail);
  return made.ok ? made.value.name : null;
};
