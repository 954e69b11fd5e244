/**
 * An interval between two pitches by letter and by semitones: `P5`, `m3`, `A4`, `d5`, `M9`. Letters count from 1
 * (a unison); compound intervals keep their number. Downward intervals carry a minus sign.
 */
import { LETTER_SEMITONES, LETTERS } from './note';
import { midiOf, type Pitch } from './pitch';

export interface Interval {
  /** 1 unison, 3 third, 8 octave, 9 ninth. */
  readonly number: number;
  readonly semitones: number;
  readonly down: boolean;
}

const steps = (pitch: Pitch) => pitch.octave * 7 + LETTERS.indexOf(pitch.note.letter);

/** From the first pitch to the second. E to F is a minor second; E# to F a diminished one. */
export function intervalBetween(from: Pitch, to: Pitch): Interval {
  const letters = steps(to) - steps(from);
  const semitones = midiOf(to) - midiOf(from);
  const down = letters < 0 || (letters === 0 && semitones < 0);
  return { number: Math.abs(letters) + 1, semitones: down ? -semitones : semitones, down };
}

/** The pitch an interval away; spelling follows the letters. */
export function pitchAway(from: Pitch, interval: Interval): Pitch {
  const sign = interval.down ? -1 : 1;
  const step = steps(from) + sign * (interval.number - 1);
  const octave = Math.floor(step / 7);
  const natural: Pitch = { note: { letter: LETTERS[step - octave * 7], accidental: 0 }, octave };
  const accidental = midiOf(from) + sign * interval.semitones - midiOf(natural);
  return { note: { letter: natural.note.letter, accidental }, octave };
}

const PERFECT = [1, 4, 5];

/** `P5`, `m3`, `A4`, `-M2`; more than one step off is written twice: `AA4`. */
export function intervalText(interval: Interval): string {
  const simple = ((interval.number - 1) % 7) + 1;
  const natural = LETTER_SEMITONES[simple - 1] + 12 * Math.floor((interval.number - 1) / 7);
  const off = interval.semitones - natural;
  const perfect = PERFECT.includes(simple);
  let quality: string;
  if (off === 0) quality = perfect ? 'P' : 'M';
  else if (off > 0) quality = 'A'.repeat(off);
  else if (perfect) quality = 'd'.repeat(-off);
  else quality = off === -1 ? 'm' : 'd'.repeat(-off - 1);
  return `${interval.down ? '-' : ''}${quality}${interval.number}`;
}
