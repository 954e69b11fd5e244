/**
 * Tunings by name and as people type them. Open pitches are sounding MIDI note numbers, thickest string first.
 * Typed without octaves ("DADGAD", "D A D F# A D") a tuning is read from low to high, each string above the one
 * before; re-entrant tunings, where a string lies below its thicker neighbour, are typed with octaves ("G4 C4
 * E4 A4"; C4 = 60, scientific pitch notation) or called by name.
 */
import { fail, ok, type Result } from '../kernel';

export interface NamedTuning {
  readonly name: string;
  readonly openPitches: readonly number[];
}

const STANDARD = [40, 45, 50, 55, 59, 64];
const lowered = (by: number) => STANDARD.map((pitch) => pitch - by);

/** Common tunings; public convention, not ours. */
export const namedTunings: readonly NamedTuning[] = [
  { name: 'standard', openPitches: STANDARD },
  { name: 'half step down', openPitches: lowered(1) },
  { name: 'whole step down', openPitches: lowered(2) },
  { name: 'drop D', openPitches: [38, 45, 50, 55, 59, 64] },
  { name: 'double drop D', openPitches: [38, 45, 50, 55, 59, 62] },
  { name: 'drop C', openPitches: [36, 43, 48, 53, 57, 62] },
  { name: 'open D', openPitches: [38, 45, 50, 54, 57, 62] },
  { name: 'open E', openPitches: [40, 47, 52, 56, 59, 64] },
  { name: 'open G', openPitches: [38, 43, 50, 55, 59, 62] },
  { name: 'open A', openPitches: [40, 45, 52, 57, 61, 64] },
  { name: 'open C', openPitches: [36, 43, 48, 55, 60, 64] },
  { name: 'D modal', openPitches: [38, 45, 50, 55, 57, 62] },
  { name: 'all fourths', openPitches: [40, 45, 50, 55, 60, 65] },
  { name: 'high-strung', openPitches: [52, 57, 62, 67, 59, 64] },
  { name: 'seven strings', openPitches: [35, ...STANDARD] },
  { name: 'eight strings', openPitches: [30, 35, ...STANDARD] },
  { name: 'five strings, low B', openPitches: [23, 28, 33, 38, 43] },
  { name: 'four strings, bass', openPitches: [28, 33, 38, 43] },
  { name: 'four strings, re-entrant', openPitches: [67, 60, 64, 69] },
];

const CLASSES: Readonly<Record<string, number>> = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 };
const LOWEST = 20;
const HIGHEST = 90;
const TOO_LONG = 60;
const plain = (text: string) => text.toLowerCase().replace(/[^a-z]/g, '');

/** The name of these open pitches, or null. */
export function tuningName(openPitches: readonly number[]): string | null {
  const key = openPitches.join();
  return namedTunings.find((one) => one.openPitches.join() === key)?.name ?? null;
}

const NAMES = ['C', 'C#', 'D', 'Eb', 'E', 'F', 'F#', 'G', 'G#', 'A', 'Bb', 'B'];

/** Writes open pitches with octaves, as `parseTuning` reads them: "E2 A2 D3 G3 B3 E4". */
export function writeTuning(openPitches: readonly number[]): string {
  return openPitches.map((pitch) => `${NAMES[pitch % 12]}${Math.floor(pitch / 12) - 1}`).join(' ');
}

/**
 * Reads a tuning by name or by notes from the thickest string to the thinnest. Problems: `tuning.empty`,
 * `tuning.note` (at: the character not read), `tuning.strings` (4 to 8), `tuning.range` (at: the string index).
 */
export function parseTuning(text: string): Result<readonly number[]> {
  // "dadgbe" has no flats in it: letters alone, all small, are read as if they were written large.
  const typed = text.trim().replace(/^[a-g]+$/, (letters) => letters.toUpperCase());
  if (typed === '') return fail('tuning.empty', '0', 'standard');
  if (typed.length > TOO_LONG) return fail('tuning.note', String(TOO_LONG), 'E A D G B E');
  const named = namedTunings.find((one) => plain(one.name) === plain(typed));
  if (named) return ok(named.openPitches);
  const notes: { readonly pitchClass: number; readonly octave: number | null }[] = [];
  const each = /([A-Ga-g])([#b♯♭]?)(-?\d)?[\s,–-]*/y;
  while (each.lastIndex < typed.length) {
    const at = each.lastIndex;
    const found = each.exec(typed);
    if (!found) return fail('tuning.note', String(at), 'E A D G B E');
    const shift = found[2] === '' ? 0 : '#♯'.includes(found[2]) ? 1 : -1;
    notes.push({
      pitchClass: CLASSES[found[1].toUpperCase()] + shift,
      octave: found[3] === undefined ? null : Number(found[3]),
    });
  }
  if (notes.length < 4 || notes.length > 8)
    return fail('tuning.strings', String(notes.length), '4 to 8 strings');
  const pitches = placed(notes);
  const outside = pitches.findIndex((pitch) => pitch < LOWEST || pitch > HIGHEST);
  return outside < 0
    ? ok(pitches)
    : fail('tuning.range', String(outside), 'sounding pitches from G#0 to F#6');
}

/** Notes without octave climb from the thickest string, which starts where that many strings usually start. */
function placed(notes: readonly { readonly pitchClass: number; readonly octave: number | null }[]): number[] {
  const usual = namedTunings.find(
    (one) => one.openPitches.length === notes.length && one.openPitches[0] < 50,
  );
  let below = (usual?.openPitches[0] ?? STANDARD[0]) - 6;
  return notes.map(({ pitchClass, octave }) => {
    const pitch =
      octave === null
        ? below + 1 + ((((pitchClass - below - 1) % 12) + 12) % 12)
        : 12 * (octave + 1) + pitchClass;
    below = pitch;
    return pitch;
  });
}
