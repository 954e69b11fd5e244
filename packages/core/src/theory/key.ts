/**
 * A key and the seven chords built on its degrees. This version holds the fifteen major keys whose signature
 * needs at most seven accidentals; the chords come from stacking the scale in thirds, never from a list.
 */
import { fail, must, ok, type Result } from '../kernel/result';
import { degreeParts, degreeSemitones, noteAtDegree, type Degree } from './degree';
import { makeChord, type Chord } from './chord';
import { mod12, noteText, pitchClassOf, readNote, type NoteName } from './note';
import { QUALITIES } from './qualities';

export interface Key {
  /** e.g. `Ab major`. */
  readonly name: string;
  readonly tonic: NoteName;
  /** The seven notes from the tonic up. */
  readonly scale: readonly NoteName[];
}

export interface Tension {
  readonly degree: Degree;
  /** Set where the tension lies a half step above a chord tone (or is the 13 on 2): use it knowingly. */
  readonly care?: true;
}

export interface DegreeChord {
  /** 1 to 7. */
  readonly degree: number;
  /** Upper case major, lower case minor, `o` for diminished. */
  readonly numeral: string;
  readonly chord: Chord;
  readonly mode: string;
  readonly tensions: readonly Tension[];
}

const MAJOR: readonly Degree[] = ['1', '2', '3', '4', '5', '6', '7'];
const MODES = ['ionian', 'dorian', 'phrygian', 'lydian', 'mixolydian', 'aeolian', 'locrian'];
const NUMERALS = ['I', 'II', 'III', 'IV', 'V', 'VI', 'VII'];

/** Reads `Ab major` or `Ab`. Problems: `key.tonic`, `key.mode`, `key.signature` (more than seven accidentals). */
export function makeKey(name: string): Result<Key> {
  const text = name.trim().replaceAll('♭', 'b').replaceAll('♯', '#');
  const read = readNote(text);
  if (!read) return fail('key.tonic', 0, 'C major');
  const mode = text.slice(read.length).trim();
  if (mode !== '' && mode !== 'major') return fail('key.mode', read.length, `${noteText(read.note)} major`);
  const scale = MAJOR.map((degree) => noteAtDegree(read.note, degree));
  const accidentals = scale.reduce((sum, note) => sum + Math.abs(note.accidental), 0);
  if (accidentals > 7) return fail('key.signature', 0, `${simplerTonic(read.note)} major`);
  return ok({ name: `${noteText(read.note)} major`, tonic: read.note, scale });
}

/** Tonics by fifths, from seven flats to seven sharps. */
const BY_FIFTHS = 'Cb Gb Db Ab Eb Bb F C G D A E B F# C#'.split(' ');

/** The fifteen major keys by fifths, from Cb to C#. */
export function majorKeys(): Key[] {
  return BY_FIFTHS.map((name) => must(makeKey(name)));
}

/** The seven chords of a key in order; with `sevenths` four-note chords. */
export function degreeChords(key: Key, options: { readonly sevenths?: boolean } = {}): DegreeChord[] {
  return key.scale.map((root, index) => {
    const stacked = [0, 2, 4, 6, 8, 10, 12].map((step) => relativeDegree(key, index, step));
    const formula = stacked.slice(0, options.sevenths ? 4 : 3);
    const quality = QUALITIES.find((candidate) => candidate.formula.join() === formula.join());
    if (!quality) throw new RangeError(`no quality for ${formula.join(' ')}`);
    const small = formula[1] === 'b3';
    const numeral =
      (small ? NUMERALS[index].toLowerCase() : NUMERALS[index]) + (formula[2] === 'b5' ? 'o' : '');
    return {
      degree: index + 1,
      numeral,
      chord: makeChord(root, quality.id),
      mode: MODES[index],
      tensions: stacked.slice(4).map((degree) => withCare(degree, stacked.slice(0, 4), index)),
    };
  });
}

/** The scale note `step` thirds-wise above a degree, named against the major scale of that degree's note. */
function relativeDegree(key: Key, index: number, step: number): Degree {
  const root = key.scale[index];
  const note = key.scale[(index + step) % 7];
  const number = step + 1;
  const semitones = mod12(pitchClassOf(note) - pitchClassOf(root));
  const alteration = mod12(semitones - degreeSemitones(String(number)) + 6) - 6;
  return (alteration < 0 ? 'b'.repeat(-alteration) : '#'.repeat(alteration)) + number;
}

function withCare(tension: Degree, chord: readonly Degree[], index: number): Tension {
  const above = chord.some((tone) => mod12(degreeSemitones(tension) - degreeSemitones(tone)) === 1);
  const sixOnTwo = index === 1 && degreeParts(tension).number === 13;
  return above || sixOnTwo ? { degree: tension, care: true } : { degree: tension };
}

function simplerTonic(tonic: NoteName): string {
  const target = pitchClassOf(tonic);
  const plain = majorKeys().find((key) => pitchClassOf(key.tonic) === target);
  return plain ? noteText(plain.tonic) : 'C';
}
