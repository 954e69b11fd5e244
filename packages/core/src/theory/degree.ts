/**
 * A degree is a place in the major scale of a root, with alterations: `1`, `b3`, `#5`, `bb7`, `9`. Degrees
 * above 7 are the same notes an octave up. They spell exactly: the b3 of B is D, its #5 is F##.
 */
import { LETTERS, LETTER_SEMITONES, mod12, pitchClassOf, type NoteName } from './note';

export type Degree = string;

export interface DegreeParts {
  /** 1 to 13. */
  readonly number: number;
  /** Semitones against the major scale. */
  readonly alteration: number;
}

/** Splits a degree; RangeError when the text is not one. */
export function degreeParts(degree: Degree): DegreeParts {
  const match = /^(b{0,2}|#{0,2})(1[0-3]|[1-9])$/.exec(degree);
  if (!match) throw new RangeError(`not a degree: ${degree}`);
  const alteration = match[1].startsWith('b') ? -match[1].length : match[1].length;
  return { number: Number(match[2]), alteration };
}

/** Semitones of a degree above its root, 0 to 11. */
export function degreeSemitones(degree: Degree): number {
  const { number, alteration } = degreeParts(degree);
  return mod12(LETTER_SEMITONES[(number - 1) % 7] + alteration);
}

/** The note of a degree over a root, in the spelling the degree demands. */
export function noteAtDegree(root: NoteName, degree: Degree): NoteName {
  const { number } = degreeParts(degree);
  const letterIndex = (LETTERS.indexOf(root.letter) + number - 1) % 7;
  const wanted = pitchClassOf(root) + degreeSemitones(degree);
  const accidental = mod12(wanted - LETTER_SEMITONES[letterIndex] + 6) - 6;
  return { letter: LETTERS[letterIndex], accidental };
}
