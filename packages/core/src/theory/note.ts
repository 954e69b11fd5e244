/**
 * A spelled note name without octave: a letter and an accidental. Spelling matters: E# and F share a pitch
 * class (0 = C ... 11 = B) and are different names. ASCII on the inside (`F##`, `Bb`); screens draw the signs.
 */
export type Letter = 'C' | 'D' | 'E' | 'F' | 'G' | 'A' | 'B';

export interface NoteName {
  readonly letter: Letter;
  /** Semitones the letter is raised (positive) or lowered (negative). */
  readonly accidental: number;
}

export const LETTERS: readonly Letter[] = ['C', 'D', 'E', 'F', 'G', 'A', 'B'];
export const LETTER_SEMITONES: readonly number[] = [0, 2, 4, 5, 7, 9, 11];

/** Pitch class 0 (C) to 11 (B). */
export function pitchClassOf(note: NoteName): number {
  return mod12(LETTER_SEMITONES[LETTERS.indexOf(note.letter)] + note.accidental);
}

export function noteText(note: NoteName): string {
  const sign = note.accidental < 0 ? 'b' : '#';
  return note.letter + sign.repeat(Math.abs(note.accidental));
}

/** Reads a note name at the start of a text; null when there is none. `length` is how much was read. */
export function readNote(text: string): { readonly note: NoteName; readonly length: number } | null {
  const match = /^([A-Ga-g])(##|bb|#|b|x)?/.exec(text);
  if (!match) return null;
  const accidental = { '##': 2, x: 2, '#': 1, bb: -2, b: -1 }[match[2] ?? ''] ?? 0;
  return { note: { letter: match[1].toUpperCase() as Letter, accidental }, length: match[0].length };
}

const FLATS = 'C Db D Eb E F Gb G Ab A Bb B'.split(' ');
const SHARPS = 'C C# D D# E F F# G G# A A# B'.split(' ');

/** A note nobody writes (three signs and more) by the simplest name of its pitch, on the side its signs lie; any other as it is. */
export function spelledSimply(note: NoteName): NoteName {
  if (Math.abs(note.accidental) <= 2) return note;
  const name = (note.accidental < 0 ? FLATS : SHARPS)[pitchClassOf(note)];
  return { letter: name[0] as Letter, accidental: name.length === 1 ? 0 : name[1] === 'b' ? -1 : 1 };
}

export function mod12(n: number): number {
  return ((n % 12) + 12) % 12;
}

/** Names players use for the twelve roots: flats where keys with them are the common ones, F# by itself. */
const ROOT_NAMES: readonly NoteName[] = 'C Db D Eb E F F# G Ab A Bb B'.split(' ').map((text) => ({
  letter: text[0] as Letter,
  accidental: text.endsWith('#') ? 1 : text.length > 1 ? -1 : 0,
}));

/** The usual name of a pitch class. */
export const rootNamed = (pitchClass: number): NoteName => ROOT_NAMES[mod12(pitchClass)];
