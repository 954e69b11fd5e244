/** A scale in two voices: thirds, sixths, tenths and the like as pairs on two strings, each pair with its fingers. */
import { pitchAt, type Instrument } from '../fretboard/instrument';
import { mod12, pitchClassOf } from '../theory/note';
import { lastFret, onString, toneAt, type FingeredNote, type Tones } from './tones';

export interface Pair {
  readonly low: FingeredNote;
  readonly high: FingeredNote;
}

export const PAIR_STEPS = { thirds: 2, fourths: 3, fifths: 4, sixths: 5, octaves: 7, tenths: 9 } as const;
export type PairKind = keyof typeof PAIR_STEPS;

/** More frets than this between two fingers no hand spans. */
const WIDEST = 4;

/**
 * Pairs with the lower note on one string (number) and the upper so many steps of the scale above it on another, thinner
 * one, while the lower lies between two frets. Pairs no hand spans are left out. RangeError where the second string is not
 * the thinner.
 */
export function scalePairs(
  tones: Tones,
  kind: PairKind,
  [lower, upper]: readonly [number, number],
  [from, to]: readonly [number, number],
  instrument: Instrument,
): Pair[] {
  const strings = instrument.openPitches.length;
  if (!(upper < lower && upper >= 1 && lower <= strings))
    throw new RangeError('a thicker and a thinner string');
  const count = tones.notes.length;
  return onString(tones, strings - lower, from, to, instrument).flatMap((low): Pair[] => {
    const at = tones.degrees.indexOf(low.degree);
    const steps = PAIR_STEPS[kind];
    const target = tones.notes[(at + steps) % count];
    const pitch =
      low.pitch +
      mod12(pitchClassOf(target) - low.pitch) +
      12 * Math.floor((steps - (steps % count)) / count);
    const fret = pitch - pitchAt(instrument, strings - upper, 0);
    const high =
      fret < 0 || fret > lastFret(instrument)
        ? null
        : toneAt(tones, { stringIndex: strings - upper, fret }, instrument);
    if (!high || (low.fret > 0 && fret > 0 && Math.abs(fret - low.fret) > WIDEST)) return [];
    const [a, b] = pairFingers(low.fret, fret);
    return [{ low: { ...low, finger: a }, high: { ...high, finger: b } }];
  });
}

/** Fingers of two notes that sound together, the thicker string first; on one fret the lower finger takes the thicker string. */
function pairFingers(low: number, high: number): [number, number] {
  if (low === 0 && high === 0) return [0, 0];
  if (low === 0) return [0, Math.min(2, high)];
  if (high === 0) return [Math.min(2, low), 0];
  if (low === high) return [2, 3];
  const other = Math.min(4, 1 + Math.abs(high - low));
  return low < high ? [1, other] : [other, 1];
}
