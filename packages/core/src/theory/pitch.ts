/**
 * A pitch: a spelled note in an octave (scientific pitch notation, C4 = middle C = MIDI 60). Sounding pitch
 * everywhere; a guitar is written an octave above what it sounds, which `writtenPitch` alone knows. The octave
 * goes with the letter: B#3 sounds as C4, Cb4 as B3.
 */
import { fail, ok, type Result } from '../kernel/result';
import { LETTER_SEMITONES, LETTERS, noteText, readNote, type NoteName } from './note';

export interface Pitch {
  readonly note: NoteName;
  readonly octave: number;
}

/** MIDI number of a sounding pitch; B#3 and C4 are both 60. */
export function midiOf(pitch: Pitch): number {
  return (
    12 * (pitch.octave + 1) + LETTER_SEMITONES[LETTERS.indexOf(pitch.note.letter)] + pitch.note.accidental
  );
}

/** The pitch of a MIDI number under a given spelling; RangeError when the note does not sound there. */
export function pitchSpelled(midi: number, note: NoteName): Pitch {
  const natural = midi - note.accidental - LETTER_SEMITONES[LETTERS.indexOf(note.letter)];
  if (natural % 12 !== 0) throw new RangeError(`${noteText(note)} does not sound at ${midi}`);
  return { note, octave: natural / 12 - 1 };
}

/** `F#3`, `Bb2`. Problems: `pitch.note`, `pitch.octave` (-1 to 9). */
export function parsePitch(text: string): Result<Pitch> {
  const typed = text.trim().replaceAll('♭', 'b').replaceAll('♯', '#');
  const read = readNote(typed);
  if (!read) return fail('pitch.note', 0, 'C4');
  const octave = /^-?\d$/.exec(typed.slice(read.length));
  if (!octave) return fail('pitch.octave', read.length, `${noteText(read.note)}4`);
  return ok({ note: read.note, octave: Number(octave[0]) });
}

export const pitchText = (pitch: Pitch): string => `${noteText(pitch.note)}${pitch.octave}`;

/** Where a guitar's sounding pitch stands on its staff: an octave higher. */
export const writtenPitch = (pitch: Pitch): Pitch => ({ ...pitch, octave: pitch.octave + 1 });
