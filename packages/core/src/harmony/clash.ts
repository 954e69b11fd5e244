/**
 * How a note of a melody stands over a chord: as a tone of it, as a colour, or rubbing. It rubs where it lies a half step
 * above a tone of the chord or its bass and is no colour of a dominant; and where a chord puts a tone a half step above the
 * note it replaces: the 4 of a sus4 over the 3, a #9 over the 9, a b13 over the 5.
 */
import type { Chord } from '../theory/chord';
import { degreeSemitones, noteAtDegree, type Degree } from '../theory/degree';
import { degreeOver } from '../theory/figure';
import { mod12, pitchClassOf, type NoteName } from '../theory/note';

export interface Clash {
  readonly note: NoteName;
  /** The note it rubs against, and whether that lies a half step below it or above. */
  readonly against: NoteName;
  readonly lies: 'below' | 'above';
}

const has = (chord: Chord, degree: Degree): boolean => chord.tones.some((tone) => tone.degree === degree);
/** Colours of a dominant stand over it without rubbing: b9, #9, #11, b13 (semitones over its root). */
const COLOURS: ReadonlySet<number> = new Set([1, 3, 6, 8]);
/** A note that a chord has replaced by one a half step above it. */
const REPLACED: readonly { readonly by: Degree; readonly unless: Degree; readonly note: Degree }[] = [
  { by: '4', unless: '3', note: '3' },
  { by: '#9', unless: '9', note: '9' },
  { by: 'b13', unless: '5', note: '5' },
];

/** Null where the note is a tone of the chord or lies well over it. */
export function clashOf(note: NoteName, chord: Chord): Clash | null {
  const over = mod12(pitchClassOf(note) - pitchClassOf(chord.root));
  if (chord.tones.some((tone) => tone.pitchClass === pitchClassOf(note))) return null;
  for (const { by, unless, note: replaced } of REPLACED)
    if (has(chord, by) && !has(chord, unless) && over === degreeSemitones(replaced))
      return { note, against: noteAtDegree(chord.root, by), lies: 'above' };
  const dominant = has(chord, '3') && has(chord, 'b7');
  if (dominant && COLOURS.has(over)) return null;
  const under = (one: NoteName) => mod12(pitchClassOf(note) - pitchClassOf(one)) === 1;
  const rubbed = [...chord.tones.map((tone) => tone.note), ...(chord.bass ? [chord.bass] : [])].find(under);
  return rubbed ? { note, against: rubbed, lies: 'below' } : null;
}

/** What a note is over a chord: a tone of it or a tension, 2 4 6 as 9 11 13; a b3 beside a 3 is a #9. */
export function degreeOfNote(note: NoteName, chord: Chord): Degree {
  const tone = chord.tones.find((one) => one.pitchClass === pitchClassOf(note));
  return tone ? tone.degree : asTension(degreeOver(chord.root, note), has(chord, '3'));
}

const UPPER: Readonly<Record<string, string>> = { 2: '9', 4: '11', 6: '13' };
/** Names of a spelling that nobody says, by what is heard. */
const HEARD: Readonly<Record<string, Degree>> = { b4: '3', '#1': 'b9', b1: '7', '#7': '1', '#3': '11' };

/** `b2` as `b9`, `#4` as `#11`, `6` as `13`, `b4` as the 3 it sounds; over a chord with a 3 a `b3` as `#9`. */
export function asTension(degree: Degree, overMajor = false): Degree {
  if (overMajor && degree === 'b3') return '#9';
  if (HEARD[degree]) return HEARD[degree];
  const number = degree.replace(/^[b#]+/, '');
  return degree.slice(0, degree.length - number.length) + (UPPER[number] ?? number);
}
