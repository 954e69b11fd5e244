/**
 * A scale or an arpeggio with so many notes on every string, or all on one. Three a string: 1 2 4 where the first step is
 * no larger than the second, 1 3 4 where it is; two whole steps 1 2 4, or 1 3 4 by the school. Along one string the hand
 * moves where two notes lie a half step apart, at an open string, and on the beat if it can.
 */
import { pitchAt, type Instrument } from '../fretboard/instrument';
import { mod12, pitchClassOf } from '../theory/note';
import { fingered } from './in-position';
import { lastFret, onString, toneAt, type FingeredNote, type PlacedNote, type Tones } from './tones';

export type WholeSteps = '1 2 4' | '1 3 4';

export interface Across {
  /** From the lowest pitch up. */
  readonly notes: readonly FingeredNote[];
  /** Strings, by number, whose notes would lie beyond the last fret: left out, with all thinner ones. */
  readonly leftOut: readonly number[];
}

export interface AcrossOptions {
  /** Notes a string, 2 or 3. */
  readonly each: 2 | 3;
  /** Degree to begin on, an index of the tones; the tonic left out. */
  readonly from?: number;
  /** String number to begin on; the thickest left out. */
  readonly fromString?: number;
  /** Lowest fret of the first note. */
  readonly minFret?: number;
  readonly wholeSteps?: WholeSteps;
}

/** So many notes on each string from one up. RangeError for a tone or string that is not there. */
export function acrossStrings(tones: Tones, instrument: Instrument, options: AcrossOptions): Across {
  const strings = instrument.openPitches.length;
  const { each, from = 0, fromString = strings, minFret = 0, wholeSteps = '1 2 4' } = options;
  const first = strings - fromString;
  if (!tones.notes[from] || !(first >= 0 && first < strings)) throw new RangeError('no such tone or string');
  const root = pitchClassOf(tones.notes[from]);
  const low = pitchAt(instrument, first, minFret);
  let pitch = low + mod12(root - low);
  let at = from;
  const rows: PlacedNote[][] = [];
  const leftOut: number[] = [];
  for (let s = first; s < strings; s++) {
    const row: (PlacedNote | null)[] = [];
    for (let i = 0; i < each; i++) {
      const fret = pitch - pitchAt(instrument, s, 0);
      row.push(
        fret < 0 || fret > lastFret(instrument) ? null : toneAt(tones, { stringIndex: s, fret }, instrument),
      );
      const next = (at + 1) % tones.notes.length;
      pitch += mod12(pitchClassOf(tones.notes[next]) - pitchClassOf(tones.notes[at])) || 12;
      at = next;
    }
    const whole = row.filter((one) => one !== null);
    // One note that is not on the neck leaves its string out, and so all after it.
    if (whole.length < each || leftOut.length > 0) leftOut.push(strings - s);
    else rows.push(whole);
  }
  const span = spanOf(rows);
  const notes =
    each === 2 && span
      ? rows.flatMap((row) => fingered(row, span))
      : rows.flatMap((row) => steps(row, wholeSteps));
  return { notes, leftOut };
}

/** The position in which all rows lie with a stretch of a fret at most; null where there is none. */
function spanOf(rows: readonly (readonly PlacedNote[])[]): number | null {
  const frets = rows.flat().map((one) => one.fret);
  const [low, high] = [Math.min(...frets), Math.max(...frets)];
  const outside = (position: number) => frets.filter((fret) => fret < position || fret > position + 3).length;
  const fits = [low, low + 1].filter((position) => position > 0 && position + 4 >= high);
  return fits.length ? fits.reduce((best, one) => (outside(one) < outside(best) ? one : best)) : null;
}

/** Fingers of the notes of one string wherever the hand is. */
function steps(row: readonly PlacedNote[], wholeSteps: WholeSteps): FingeredNote[] {
  const frets = row.map((one) => one.fret);
  const open = frets[0] === 0;
  if (row.length === 2) {
    const last = open ? Math.min(4, frets[1]) : Math.min(4, 1 + frets[1] - frets[0]);
    return row.map((one, i) => ({ ...one, finger: i ? last : open ? 0 : 1 }));
  }
  const [a, b] = [frets[1] - frets[0], frets[2] - frets[1]];
  const middle = a === 2 && b === 2 ? Number(wholeSteps[2]) : a <= b ? 2 : 3;
  if (open)
    return row.map((one, i) => ({ ...one, finger: [0, Math.min(3, frets[1]), Math.min(4, frets[2])][i] }));
  const last = a + b === 2 ? 3 : 4;
  return row.map((one, i) => ({ ...one, finger: [1, middle, last][i] }));
}

const MOVE = { shift: 1, perFret: 0.3, halfStep: -0.8, openString: -0.8, offBeat: 0.2 } as const;

export interface AlongString {
  readonly notes: readonly FingeredNote[];
  /** Indices of the notes the hand has moved for. */
  readonly shifts: readonly number[];
}

/** The tones along one string, by its number, from one fret to another; fingers by the cheapest moves of the hand. */
export function alongString(
  tones: Tones,
  string: number,
  from: number,
  to: number,
  instrument: Instrument,
): AlongString {
  const row = onString(tones, instrument.openPitches.length - string, from, to, instrument);
  type State = { cost: number; fingers: readonly number[]; shifts: readonly number[] };
  const places = (fret: number) => (fret === 0 ? [0] : [1, 2, 3, 4].filter((finger) => fret - finger >= 0));
  let states = new Map<number, State>();
  row.forEach((note, i) => {
    const next = new Map<number, State>();
    for (const finger of places(note.fret)) {
      if (i === 0) {
        next.set(finger, { cost: (finger || 1) - 1, fingers: [finger], shifts: [] });
        continue;
      }
      for (const [last, state] of states) {
        const moved = handMove(row[i - 1].fret, last, note.fret, finger);
        if (moved === null) continue;
        const shifted = moved !== 0;
        const half = note.fret - row[i - 1].fret === 1;
        const cost =
          state.cost +
          (shifted
            ? MOVE.shift +
              MOVE.perFret * moved +
              (last === 0 ? MOVE.openString : half ? MOVE.halfStep : 0) +
              (i % 2 ? MOVE.offBeat : 0)
            : 0);
        const known = next.get(finger);
        if (known && known.cost <= cost) continue;
        next.set(finger, {
          cost,
          fingers: [...state.fingers, finger],
          shifts: shifted ? [...state.shifts, i] : state.shifts,
        });
      }
    }
    states = next;
  });
  const best = [...states.values()].reduce<State | null>((a, b) => (a && a.cost <= b.cost ? a : b), null);
  return {
    notes: row.map((one, i) => ({ ...one, finger: best?.fingers[i] ?? 0 })),
    shifts: best?.shifts ?? [],
  };
}

/** Frets the hand moves between two notes; null where the finger cannot: two notes of one place want two fingers in order. */
function handMove(fret: number, finger: number, toFret: number, toFinger: number): number | null {
  if (finger === 0) return toFinger === 1 ? toFret : null;
  const moved = toFret - toFinger - (fret - finger);
  return moved < 0 ? null : moved;
}
