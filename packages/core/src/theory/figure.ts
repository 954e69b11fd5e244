/**
 * The number of a chord in a key, as it is printed: a sign where its root is not in the major scale of the tonic, upper or
 * lower case by its third, `o` or `+`, then the rest of its suffix. Read back by `chordOfNumeral` it is the chord again.
 * Schools print it otherwise: by signature a minor key's own III, VI and VII have no flats; by number the degrees are
 * digits and the quality is said.
 */
import { degreeSemitones, type Degree, type DegreeParts } from './degree';
import { makeChord, type Chord } from './chord';
import type { Key } from './key';
import { LETTERS, mod12, noteText, pitchClassOf, type NoteName } from './note';

export type FigureSchool = 'by degree' | 'by signature' | 'by number';

const NUMERALS = ['I', 'II', 'III', 'IV', 'V', 'VI', 'VII'];

/** Number and signs of a note against the major scale of another, by its letter. */
function placeOver(tonic: NoteName, note: NoteName): DegreeParts {
  const number = mod7(LETTERS.indexOf(note.letter) - LETTERS.indexOf(tonic.letter)) + 1;
  const semitones = mod12(pitchClassOf(note) - pitchClassOf(tonic));
  return { number, alteration: mod12(semitones - degreeSemitones(String(number)) + 6) - 6 };
}

/** `b3`, `#4`, `5`: where a note lies against the major scale of another, by its letter. */
export function degreeOver(tonic: NoteName, note: NoteName): Degree {
  const { number, alteration } = placeOver(tonic, note);
  return (alteration < 0 ? 'b' : '#').repeat(Math.abs(alteration)) + number;
}
const hasDegree = (chord: Chord, degree: string): boolean =>
  chord.tones.some((tone) => tone.degree === degree);
const mod7 = (n: number): number => ((n % 7) + 7) % 7;

/** The root by a name that has a number: one sign at most, and in minor no sharp before 3, 6 and 7 but the one that raises them. */
function within(key: Key, root: NoteName): NoteName {
  if (signsOf(key, root) <= 1) return root;
  const names = LETTERS.map((letter): NoteName => {
    const off = mod12(pitchClassOf(root) - pitchClassOf({ letter, accidental: 0 }) + 6) - 6;
    return { letter, accidental: off };
  });
  const cost = (note: NoteName) => 4 * signsOf(key, note) + Math.abs(note.accidental);
  return names.reduce((best, one) => (cost(one) < cost(best) ? one : best));
}

function signsOf({ tonic, mode }: Key, note: NoteName): number {
  const { number, alteration } = placeOver(tonic, note);
  return mode === 'minor' && [3, 6, 7].includes(number) && alteration > 0 ? 2 : Math.abs(alteration);
}

/** A bass as a step of the key, the natural one of a minor key bare; as a note where a step would need two signs. */
function stepName(bass: NoteName, key: Key): string {
  if (signsOf(key, bass) > 1) return noteText(bass);
  const degree = degreeOver(key.tonic, bass);
  if (key.mode === 'major' || !/[367]$/.test(degree)) return degree;
  return degree.startsWith('b') ? degree.slice(1) : `#${degree}`;
}

/** What follows the numeral: what case, `o` and `+` do not say already. */
function restOf(chord: Chord, key: Key): string {
  const bass = chord.bass ? `/${stepName(chord.bass, key)}` : '';
  const symbol = chord.symbol.replace(/\/[A-G][b#]*$/, '');
  const suffix = symbol.slice(noteText(chord.root).length);
  const minor = hasDegree(chord, 'b3');
  if (suffix.startsWith('dim')) return `o${suffix.slice(3)}${bass}`;
  if (suffix.startsWith('augMaj')) return `+maj${suffix.slice(6)}${bass}`;
  if (suffix.startsWith('aug')) return `+${suffix.slice(3)}${bass}`;
  // `m7b5` and `mMaj7` keep their m: as `7b5` and `Maj7` they would be other chords.
  if (!minor || /^m(?:Maj|\d*b5)/.test(suffix)) return suffix + bass;
  return suffix.replace(/^m/, '') + bass;
}

/** The figure of any chord in a key; `V7`, `viim7b5`, `bIII+maj7`, `IV/5`. `N.C.` for silence. */
export function figureOf(chord: Chord, key: Key, school: FigureSchool = 'by degree'): string {
  if (chord.tones.length === 0) return chord.symbol;
  const root = within(key, chord.root);
  const degree = degreeOver(key.tonic, root);
  const { number, alteration } = placeOver(key.tonic, root);
  const rest = restOf(chord, key);
  if (school === 'by number') return numberOf(chord, degree, rest);
  const small = hasDegree(chord, 'b3');
  const roman = small ? NUMERALS[number - 1].toLowerCase() : NUMERALS[number - 1];
  const sign = degree.slice(0, -1);
  if (key.mode === 'major' || ![3, 6, 7].includes(number)) return sign + roman + rest;
  if (alteration === -1) return (school === 'by signature' ? '' : 'b') + roman + rest;
  // Without a sign a minor key's reader takes 3, 6 and 7 for the natural ones, but for what is diminished there.
  const plain = alteration === 0 && number !== 3 && /^(?:o|m7b5)/.test(rest);
  return (alteration === 0 && !plain ? '#' : sign) + roman + rest;
}

/** `2m`, `5M`, `7o`; four notes and more by their suffix, in brackets where it begins with a digit: `5(7)`, `2m7`. */
function numberOf(chord: Chord, degree: string, rest: string): string {
  if (chord.tones.length > 3 || chord.bass) {
    const suffix = hasDegree(chord, 'b3') && /^\d/.test(rest) ? `m${rest}` : rest;
    return degree + (/^\d/.test(suffix) ? `(${suffix})` : suffix);
  }
  if (rest !== '') return degree + rest;
  return degree + (hasDegree(chord, 'b3') ? 'm' : 'M');
}

/** The triad a chord stands on, for its numeral alone; a chord without one is itself. */
export function triadOf(chord: Chord): Chord {
  const has = (degree: string) => hasDegree(chord, degree);
  const third = has('b3') ? 'minor' : has('3') ? 'major' : null;
  if (!third) return chord;
  const fifth = has('5') ? '' : has('b5') ? 'b5' : has('#5') ? '#5' : '';
  const quality = { minorb5: 'diminished', 'major#5': 'augmented' }[third + fifth] ?? third;
  return makeChord(chord.root, quality);
}
