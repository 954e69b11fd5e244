/**
 * A grip is the fret chosen on each string, thickest first: `null` muted, 0 open. Written as `x32010`; frets
 * from 10 up need separators (`8-10-10-9-8-8`).
 */
import { fail, ok, type Result } from '../kernel/result';
import type { Instrument } from '../fretboard/instrument';

export type Fret = number | null;
export type Frets = readonly Fret[];
/** 0 open, 1 to 4 index to little, `T` thumb, null muted. */
export type FingerLabel = 0 | 1 | 2 | 3 | 4 | 'T' | null;

/** Reads `x32010` or `x-10-12-12-11-10`. Problem `grip.text` at the first character that is no fret. */
export function parseFrets(text: string): Result<Fret[]> {
  const trimmed = text.trim();
  const cells = /[-,\s]/.test(trimmed) ? trimmed.split(/[-,\s]+/) : [...trimmed];
  const frets: Fret[] = [];
  for (const [index, cell] of cells.entries()) {
    if (/^[xX]$/.test(cell)) frets.push(null);
    else if (/^\d{1,2}$/.test(cell)) frets.push(Number(cell));
    else return fail('grip.text', index, 'x for a muted string, 0 for open, or a fret number');
  }
  return ok(frets);
}

/** The text of a grip, as read by `parseFrets`. */
export function fretsText(frets: Frets): string {
  const cells = frets.map((fret) => (fret === null ? 'x' : String(fret)));
  return cells.join(cells.some((cell) => cell.length > 1) ? '-' : '');
}

/** Whether a grip can exist on an instrument: right number of strings, something sounding, frets on the neck. */
export function checkFrets(frets: Frets, instrument: Instrument): Result<Frets> {
  const strings = instrument.openPitches.length;
  if (frets.length !== strings) return fail('grip.strings', frets.length, `${strings} strings`);
  const highest = instrument.frets - instrument.capo;
  for (const [index, fret] of frets.entries()) {
    if (fret === null) continue;
    if (!Number.isInteger(fret) || fret < 0 || fret > highest) {
      return fail('grip.fret', `string ${strings - index}`, `a fret from 0 to ${highest}`);
    }
  }
  if (frets.every((fret) => fret === null)) return fail('grip.silent', 0, 'at least one sounding string');
  return ok(frets);
}

/** Digits of `gripKey`: frets 0 to 24 and muted. */
export const GRIP_KEY_BASE = 26;

/** A grip as one number, a digit a string from the thickest: 0 muted, else fret + 1. Orders as frets do. */
export function gripKey(frets: Frets): number {
  let key = 0;
  for (let s = 0; s < frets.length; s++) {
    const fret = frets[s];
    key = key * GRIP_KEY_BASE + (fret === null ? 0 : fret + 1);
  }
  return key;
}
