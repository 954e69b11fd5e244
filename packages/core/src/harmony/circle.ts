/** The circle of fifths, the ring of degrees by fourths or fifths, cadences by name, and what colours a mode. */
import type { Chord } from '../theory/chord';
import { degreeChords } from '../theory/degree-chords';
import { noteAtDegree, type Degree } from '../theory/degree';
import { figureOf } from '../theory/figure';
import { keysOn, makeKey, type Key } from '../theory/key';
import { mod12, noteText, pitchClassOf, type NoteName } from '../theory/note';
import { parentOf } from '../theory/scale';

export interface CirclePlace {
  /** Signs of the signature, flats negative; of two that sound alike both stand in one place. */
  readonly majors: readonly Key[];
  readonly minors: readonly Key[];
}

/** Twelve places by fifths from C; where two keys sound alike the place has both. */
export function circleOfFifths(): CirclePlace[] {
  return Array.from({ length: 12 }, (_, i) => ({
    majors: [...keysOn(7 * i, 'major')].reverse(),
    minors: [...keysOn(7 * i + 9, 'minor')].reverse(),
  }));
}

/** Roots by fourths from a note, each spelled as the fourth of the one before, until a name would need two signs: twelve at most. */
export function roundOf(from: NoteName, by: 'fourths' | 'fifths', most = 12): NoteName[] {
  const round = [from];
  while (round.length < most) {
    const next = noteAtDegree(round[round.length - 1], by === 'fourths' ? '4' : '5');
    if (Math.abs(next.accidental) > 1 || ['Fb', 'B#'].includes(noteText(next))) break;
    round.push(next);
  }
  return round;
}

export type Cadence = 'authentic' | 'plagal' | 'half' | 'deceptive' | 'borrowed plagal';

export interface CadenceFound {
  readonly name: Cadence;
  readonly figures: readonly [string, string];
}

/** The cadence two chords make in a key; null where they make none. */
export function cadenceOf(from: Chord, to: Chord, key: Key): CadenceFound | null {
  const step = (chord: Chord) => mod12(pitchClassOf(chord.root) - pitchClassOf(key.tonic));
  const major = (chord: Chord) => chord.tones.some((tone) => tone.degree === '3');
  const figures = [figureOf(from, key), figureOf(to, key)] as const;
  const named = (name: Cadence): CadenceFound => ({ name, figures });
  const [a, b] = [step(from), step(to)];
  const sixth = key.mode === 'minor' ? 8 : 9;
  if (a === 7 && major(from) && b === 0) return named('authentic');
  if (a === 11 && from.tones.some((tone) => tone.degree === 'b5') && b === 0) return named('authentic');
  if (a === 7 && major(from) && b === sixth) return named('deceptive');
  if (a === 5 && b === 0) return named(key.mode === 'major' && !major(from) ? 'borrowed plagal' : 'plagal');
  if (b === 7 && major(to) && a !== 7) return named('half');
  return null;
}

export interface ModeColour {
  /** The degree that tells the mode from the plain major or minor scale. */
  readonly degree: Degree;
  readonly note: NoteName;
  /** A triad of the mode that has that note, by figure. */
  readonly chord: Chord;
  readonly figure: string;
  readonly parent: Key;
}

/** By mode: the degree that colours it, and the degree its telling chord stands on. */
const COLOURS: Readonly<Record<string, readonly [Degree, number]>> = {
  dorian: ['6', 4],
  phrygian: ['b2', 2],
  lydian: ['#4', 2],
  mixolydian: ['b7', 7],
  minor: ['b6', 6],
  locrian: ['b5', 5],
};

/** What colours a mode of the major scale; null for the major scale itself and for kinds that are none. */
export function modalColour(key: Key): ModeColour | null {
  const colour = COLOURS[key.kind];
  const parent = parentOf(key.tonic, key.kind);
  if (!colour || !parent) return null;
  const made = makeKey(`${noteText(parent.tonic)} major`);
  if (!made.ok) return null;
  const [degree, on] = colour;
  const { chord, numeral } = degreeChords(key)[on - 1];
  return { degree, note: noteAtDegree(key.tonic, degree), chord, figure: numeral, parent: made.value };
}

/** The parallel key: the minor of a major key and the other way round, by the twin where that has more than seven signs. */
export function parallelOf(key: Key): Key {
  const other = key.mode === 'major' ? 'minor' : 'major';
  const made = makeKey(`${noteText(key.tonic)} ${other}`);
  if (made.ok) return made.value;
  const twin = makeKey(made.problem.detail);
  if (!twin.ok) throw new RangeError(made.problem.detail);
  return twin.value;
}

/** The relative key: same signature. */
export function relativeOf(key: Key): Key {
  const tonic = key.mode === 'major' ? noteAtDegree(key.tonic, '6') : noteAtDegree(key.tonic, 'b3');
  const made = makeKey(`${noteText(tonic)} ${key.mode === 'major' ? 'minor' : 'major'}`);
  if (!made.ok) throw new RangeError(`no relative of ${key.name}`);
  return made.value;
}
