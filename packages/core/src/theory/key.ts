/**
 * A key: a tonic, a scale of seven notes on it, and the signature it is written with, that of the major or natural minor
 * key its scale belongs to. Fifteen major and fifteen minor keys need at most seven sharps or flats; modes and the other
 * minors are judged by the key whose signature they take. What needs more is refused and its twin by sound offered.
 */
import { fail, ok, type Result } from '../kernel/result';
import { LETTERS, mod12, noteText, pitchClassOf, readNote, type NoteName } from './note';
import { kindNamed, parentOf, scaleOn } from './scale';

export interface Key {
  /** `Ab major`, `E harmonic minor`, `D dorian`. */
  readonly name: string;
  readonly tonic: NoteName;
  /** A kind of `scaleKinds` with seven notes. */
  readonly kind: string;
  /** By its third. */
  readonly mode: 'major' | 'minor';
  /** Sharps of the signature, flats negative: -7 to 7. */
  readonly fifths: number;
  /** The seven notes from the tonic up. */
  readonly scale: readonly NoteName[];
}

const MOST_SIGNS = 7;
/** Of a natural note as a major tonic. */
const FIFTHS = { F: -1, C: 0, G: 1, D: 2, A: 3, E: 4, B: 5 } as const;
/** A minor key has the signature of the major key a minor third above: three fifths back. */
const MINOR_BACK = 3;

/** The signature of a scale of seven notes, in sharps; beyond seven either way there is no such key. Null for other scales. */
export function signatureOf(tonic: NoteName, kind: string): number | null {
  const parent = parentOf(tonic, kind);
  if (!parent) return null;
  const major = FIFTHS[parent.tonic.letter] + 7 * parent.tonic.accidental;
  return parent.kind === 'major' ? major : major - MINOR_BACK;
}

const fits = (tonic: NoteName, kind: string): boolean =>
  Math.abs(signatureOf(tonic, kind) ?? Number.POSITIVE_INFINITY) <= MOST_SIGNS;

const keyOf = (tonic: NoteName, kind: string): Key => {
  const { name, notes, degrees } = scaleOn(tonic, kind);
  const mode = degrees[2] === 'b3' ? 'minor' : 'major';
  return { name, tonic, kind, mode, fifths: signatureOf(tonic, kind) ?? 0, scale: notes };
};

/**
 * Reads `Ab major`, `Ab`, `F#m`, `E harmonic minor`, `D dorian`. Problems: `key.tonic`, `key.mode` (detail: one there is), `key.signature` (more than seven signs; detail: the twin).
 */
export function makeKey(name: string): Result<Key> {
  const text = name.trim().replaceAll('♭', 'b').replaceAll('♯', '#');
  const read = readNote(text);
  if (!read) return fail('key.tonic', 0, 'C major');
  const kind = kindNamed(text.slice(read.length));
  if (kind === null || !parentOf(read.note, kind))
    return fail('key.mode', read.length, `${noteText(read.note)} major`);
  if (!fits(read.note, kind)) return fail('key.signature', 0, keyOn(pitchClassOf(read.note), kind).name);
  return ok(keyOf(read.note, kind));
}

/** Every note with at most one sign: the tonics there are. */
const TONICS: readonly NoteName[] = LETTERS.flatMap((letter) =>
  [-1, 0, 1].map((accidental) => ({ letter, accidental })),
);

/** Every key of this kind on a pitch class that has at most seven sharps or flats, flats first. */
export const keysOn = (pitchClass: number, kind: string): Key[] =>
  TONICS.filter((tonic) => pitchClassOf(tonic) === mod12(pitchClass) && fits(tonic, kind))
    .map((tonic) => keyOf(tonic, kind))
    .sort((a, b) => a.fifths - b.fifths);

/** The key of this kind on a pitch class with the fewest signs; flats where two are equal. */
export const keyOn = (pitchClass: number, kind: string): Key =>
  keysOn(pitchClass, kind).reduce((best, one) => (Math.abs(one.fifths) < Math.abs(best.fifths) ? one : best));

const allOf = (kind: string): Key[] =>
  TONICS.filter((tonic) => fits(tonic, kind))
    .map((tonic) => keyOf(tonic, kind))
    .sort((a, b) => a.fifths - b.fifths);

/** The fifteen major keys by fifths, from Cb to C#. */
export const majorKeys = (): Key[] => allOf('major');
/** The fifteen minor keys by fifths, from Ab to A#. */
export const minorKeys = (): Key[] => allOf('minor');
