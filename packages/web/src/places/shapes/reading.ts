/**
 * What was typed into the chord box: a symbol (`Bbm7`), a grip (`x32010`) that is then named, or notes
 * (`C E G Bb`) that are then named, or a numeral in a key (`ii7 in Ab`). One reading, or what is wrong with it.
 */
import { type Instrument } from '@finch/core/fretboard';
import { parseFrets, type Frets } from '@finch/core/grips';
import { ok, type Result } from '@finch/core/kernel';
import { nameGrip, nameNotes, type NamedGrip } from '@finch/core/shapes';
import { chordOfNumeral, parseChord, readNote, type Chord, type NoteName } from '@finch/core/theory';

export interface Reading {
  readonly chord: Chord;
  /** The grip that was typed, when one was. */
  readonly frets: Frets | null;
  /** Every name it has, likeliest first, when a grip or notes were typed. */
  readonly names: readonly NamedGrip[];
}

export function readBox(
  text: string,
  instrument: Instrument,
  noteNames: 'english' | 'german',
): Result<Reading> {
  const typed = text.trim();
  const frets = /\d/.test(typed) ? parseFrets(typed) : null;
  if (frets?.ok && frets.value.length === instrument.openPitches.length) {
    const named = nameGrip(frets.value, instrument);
    if (!named.ok) return named;
    if (named.value[0]) return ok({ chord: named.value[0].chord, frets: frets.value, names: named.value });
  }
  const numeral = /^(\S+)\s+in\s+(.+)$/i.exec(typed);
  if (numeral) {
    const chord = chordOfNumeral(numeral[1], numeral[2]);
    return chord.ok ? ok({ chord: chord.value, frets: null, names: [] }) : chord;
  }
  const notes = notesIn(typed);
  if (notes) {
    const names = nameNotes(notes);
    if (names[0]) return ok({ chord: names[0].chord, frets: null, names });
  }
  const chord = parseChord(text, { noteNames });
  return chord.ok ? ok({ chord: chord.value, frets: null, names: [] }) : chord;
}

/** Three notes and more with spaces or commas between them, lowest first; null for anything else. */
function notesIn(text: string): NoteName[] | null {
  const words = text
    .replaceAll('♭', 'b')
    .replaceAll('♯', '#')
    .split(/[\s,]+/);
  if (words.length < 3 || words.length > 8) return null;
  const notes = words.map((word) => {
    const read = readNote(word);
    return read && read.length === word.length ? read.note : null;
  });
  return notes.every((note) => note !== null) ? notes : null;
}
