/**
 * A scale or an arpeggio without moving the hand: in position p the fingers lie a fret each, p to p + 3. A tone that falls
 * between two strings is taken by the index a fret back on the thinner one or by the little finger a fret up on the thicker
 * one, as the school has it. Position 0 is the open one: open strings and the first four frets. The rule is common
 * teaching; which of the two ways is the usual one is our choice (the index).
 */
import { pitchAt, type Instrument } from '../fretboard/instrument';
import { lastFret, onString, toneAt, type FingeredNote, type PlacedNote, type Tones } from './tones';

export type StretchSchool = 'index back' | 'little finger up';

export interface Position {
  /** Fret of the index finger; 0 with open strings. */
  readonly position: number;
  /** From the lowest pitch up. */
  readonly notes: readonly FingeredNote[];
  /** Notes taken outside the four frets. */
  readonly stretched: number;
  /** Tones between two strings that neither way reaches, as on strings a fifth apart. */
  readonly missing: number;
}

const SPAN = 3;
const FINGERS = 4;

/** The scale or arpeggio in position 0 to the last fret but three; RangeError outside. */
export function inPosition(
  tones: Tones,
  position: number,
  instrument: Instrument,
  school: StretchSchool = 'index back',
): Position {
  if (!(Number.isInteger(position) && position >= 0 && position + SPAN <= lastFret(instrument)))
    throw new RangeError(`position 0 to ${lastFret(instrument) - SPAN}`);
  const top = position === 0 ? FINGERS : position + SPAN;
  const rows: PlacedNote[][] = instrument.openPitches.map((_, s) =>
    onString(tones, s, position, top, instrument),
  );
  let missing = 0;
  for (let s = 1; s < rows.length; s++) {
    // Where strings lie close a pitch would come twice; the thinner string keeps its open one, the thicker any other.
    const lowest = rows[s][0]?.pitch ?? Number.POSITIVE_INFINITY;
    if (position === 0) rows[s - 1] = rows[s - 1].filter((one) => one.pitch < lowest);
    else {
      const highest = pitchAt(instrument, s - 1, top);
      rows[s] = rows[s].filter((one) => one.pitch > highest || rows[s - 1].length === 0);
      missing += bridge(tones, rows, s, position, instrument, school);
    }
  }
  const notes = rows.flatMap((row) => fingered(row, position));
  const outside = ({ fret }: PlacedNote) => fret !== 0 && (fret < position || fret > top);
  return { position, notes, stretched: notes.filter(outside).length, missing };
}

/** Takes the tones that lie between a string and the thinner one next to it; gives how many neither way reaches. */
function bridge(
  tones: Tones,
  rows: PlacedNote[][],
  s: number,
  position: number,
  instrument: Instrument,
  school: StretchSchool,
): number {
  const above = pitchAt(instrument, s - 1, position + SPAN);
  const below = pitchAt(instrument, s, position);
  let missing = 0;
  for (let pitch = above + 1; pitch < below; pitch++) {
    const thinner = position - (below - pitch);
    const thicker = position + SPAN + (pitch - above);
    const back =
      thinner === position - 1 ? toneAt(tones, { stringIndex: s, fret: thinner }, instrument) : null;
    const up =
      thicker === position + SPAN + 1 && thicker <= lastFret(instrument)
        ? toneAt(tones, { stringIndex: s - 1, fret: thicker }, instrument)
        : null;
    if (back && (school === 'index back' || !up)) rows[s].unshift(back);
    else if (up) rows[s - 1].push(up);
    else if (toneAt(tones, { stringIndex: s, fret: Math.max(0, thinner) }, instrument) && thinner >= 0)
      missing++;
  }
  return missing;
}

/**
 * Fingers on one string by the position rule: a fret each, and no finger twice. Where a stretch would take a finger that is
 * needed, the others move up or down by as little as can be.
 */
export function fingered(row: readonly PlacedNote[], position: number): FingeredNote[] {
  const stopped = row.filter((one) => one.fret > 0);
  const usual = stopped.map(({ fret }) =>
    Math.min(FINGERS, Math.max(1, position === 0 ? fret : fret - position + 1)),
  );
  let best: { fingers: readonly number[]; off: number } | null = null;
  for (const fingers of risingFingers(stopped.length)) {
    const off = fingers.reduce((sum, finger, i) => sum + Math.abs(finger - usual[i]), 0);
    if (!best || off < best.off) best = { fingers, off };
  }
  // More notes than fingers: the last finger slides on.
  const fingers = best?.fingers ?? usual;
  return [
    ...row.filter((one) => one.fret === 0).map((one) => ({ ...one, finger: 0 })),
    ...stopped.map((one, i) => ({ ...one, finger: fingers[i] })),
  ];
}

/** All ways to take so many of four fingers in order; none for more than four. */
function risingFingers(count: number): (readonly number[])[] {
  const ways: number[][] = [];
  for (let mask = 0; mask < 16; mask++) {
    const fingers = [1, 2, 3, 4].filter((finger) => mask & (1 << (finger - 1)));
    if (fingers.length === count) ways.push(fingers);
  }
  return ways;
}

/** Positions in which nothing is stretched and nothing is missing, up the neck. */
export function unstretchedPositions(tones: Tones, instrument: Instrument): number[] {
  return Array.from({ length: lastFret(instrument) - SPAN }, (_, i) => i + 1).filter((position) => {
    const { stretched, missing } = inPosition(tones, position, instrument);
    return stretched === 0 && missing === 0;
  });
}
