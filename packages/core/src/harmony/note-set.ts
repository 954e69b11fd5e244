/**
 * Any set of notes to be heard over a root: typed as a chord, as notes or as the frets of a grip. Notes and chords keep the
 * spelling they were typed in; frets have none and are spelled anew over every root.
 */
import { fail, ok, type Result } from '../kernel/result';
import { pitchAt, type Instrument } from '../fretboard/instrument';
import { checkFrets, parseFrets, type Fret, type Frets } from '../grips/grip';
import { parseChord } from '../theory/chord';
import { noteAtDegree, type Degree } from '../theory/degree';
import { mod12, pitchClassOf, readNote, type NoteName } from '../theory/note';
import { heardOver, type HeardOver } from './over-root';

export interface NoteSet {
  /** As spelled; null for frets. */
  readonly notes: readonly NoteName[] | null;
  /** From the lowest up, each once. */
  readonly pitchClasses: readonly number[];
  /** As it is played: the grip typed, else its notes one above the other; null where the strings do not reach. */
  readonly frets: Frets | null;
}

/** Reads `Am7`, `C E G` or `x32010`. Problems: of the chord, of the grip, or `set.note` with the word that is no note. */
export function readNoteSet(text: string, instrument: Instrument): Result<NoteSet> {
  const trimmed = text.trim().replaceAll('♭', 'b').replaceAll('♯', '#');
  if (/^[xX\d][xX\d\s,-]*$/.test(trimmed)) return ofFrets(trimmed, instrument);
  const words = trimmed.split(/[\s,]+/);
  if (words.length > 1) return ofWords(words, instrument);
  const chord = parseChord(trimmed);
  if (!chord.ok) return chord;
  const { tones, bass } = chord.value;
  const notes = tones.map((tone) => tone.note);
  const above = notes.filter((note) => !bass || pitchClassOf(note) !== pitchClassOf(bass));
  return ok(spelled(bass ? [bass, ...above] : notes, instrument));
}

function ofFrets(text: string, instrument: Instrument): Result<NoteSet> {
  const read = parseFrets(text);
  const checked = read.ok ? checkFrets(read.value, instrument) : read;
  if (!checked.ok) return checked;
  const pitches = checked.value.flatMap((fret, s) => (fret === null ? [] : [pitchAt(instrument, s, fret)]));
  const rising = pitches.sort((a, b) => a - b).map(mod12);
  return ok({ notes: null, pitchClasses: [...new Set(rising)], frets: checked.value });
}

function ofWords(words: readonly string[], instrument: Instrument): Result<NoteSet> {
  const notes: NoteName[] = [];
  for (const word of words) {
    const read = readNote(word);
    if (!read || read.length !== word.length) return fail('set.note', word, 'a note, like B or E♭');
    if (!notes.some((one) => pitchClassOf(one) === pitchClassOf(read.note))) notes.push(read.note);
  }
  return ok(spelled(notes, instrument));
}

const spelled = (notes: readonly NoteName[], instrument: Instrument): NoteSet => {
  const pitchClasses = notes.map(pitchClassOf);
  return { notes, pitchClasses, frets: laidUp(pitchClasses, instrument) };
};

/** Notes one above the other, a string each, ending on the thinnest: the first as low as it lies there. */
function laidUp(pitchClasses: readonly number[], instrument: Instrument): Frets | null {
  const strings = instrument.openPitches.length;
  const frets: Fret[] = Array.from({ length: strings }, () => null);
  const first = strings - pitchClasses.length;
  if (first < 0) return null;
  let below = -1;
  for (const [i, pitchClass] of pitchClasses.entries()) {
    const open = pitchAt(instrument, first + i, 0);
    const least = Math.max(open, below + 1);
    below = least + mod12(pitchClass - least);
    frets[first + i] = below - open;
  }
  return checkFrets(frets, instrument).ok ? frets : null;
}

/** What a half step count over a root is called, where a spelling does not say: with and without the perfect fifth or major third. */
function calledOver(pitchClasses: readonly number[], root: NoteName): NoteName[] {
  const ups = pitchClasses.map((pitchClass) => mod12(pitchClass - pitchClassOf(root)));
  const [third, fifth] = [ups.includes(4), ups.includes(7)];
  const names: readonly Degree[] = [
    '1', 'b2', '2', third ? '#2' : 'b3', '3', '4', fifth ? '#4' : 'b5', '5', fifth || !third ? 'b6' : '#5', '6', 'b7', '7',
  ]; // prettier-ignore
  return ups.map((up) => noteAtDegree(root, names[up]));
}

/** A set over a root: its degrees there, and its name. */
export const setOver = ({ notes, pitchClasses }: NoteSet, root: NoteName): HeardOver =>
  heardOver(notes ?? calledOver(pitchClasses, root), root);
