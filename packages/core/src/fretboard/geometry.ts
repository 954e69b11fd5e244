/**
 * Distances on the neck, in millimetres, and how stiff a string is under a finger.
 *
 * Published: fret n lies L (1 - 2^(-n/12)) from the nut (equal temperament). The sideways force that holds a
 * string at height h over a fret grows with h (1/a + 1/(L-a)), a the distance to the nearer end (statics of a
 * stretched string). Our assumptions: fingers press .3 of a fret behind the wire; the string pitch widens
 * from 7.3 mm at the nut by 3.2 mm per scale length; string height grows linearly from the nut.
 * Frets count from the capo: positions are true, stiffness uses the speaking length.
 */
import type { Instrument } from './instrument';

export interface NeckGeometry {
  /** True position of fret n from the nut. Index is the fret counted from the capo, 0 the capo itself. */
  readonly fretMm: Float64Array;
  /** Width of the space below fret n. */
  readonly widthMm: Float64Array;
  /** Where a finger presses in that space. */
  readonly pressMm: Float64Array;
  /** Distance between neighbouring strings at the press point. */
  readonly stringPitchMm: Float64Array;
  /** Press force relative to fret 5 of the same speaking length. */
  readonly stiffness: Float64Array;
  /** Press points of true frets 1 and 5, which the wrist term refers to. */
  readonly truePress1Mm: number;
  readonly truePress5Mm: number;
}

const NECK = {
  pressBehindWire: 0.3,
  nutPitchMm: 7.3,
  pitchGrowthMm: 3.2,
  heightAtNut: 0.5,
  heightGrowth: 1.5,
  nearestEndMm: 8,
} as const;

/** Distance of a true fret from the nut. */
export function fretPositionMm(scaleLengthMm: number, fret: number): number {
  return scaleLengthMm * (1 - 2 ** (-fret / 12));
}

/** Distance of the place where a finger presses a true fret from the nut. */
export function pressPointMm(scaleLengthMm: number, fret: number): number {
  const wire = fretPositionMm(scaleLengthMm, fret);
  const width = fret > 0 ? wire - fretPositionMm(scaleLengthMm, fret - 1) : 0;
  return wire - NECK.pressBehindWire * width;
}

const known = new WeakMap<Instrument, NeckGeometry>();

/** Geometry of an instrument's neck, kept for as long as the instrument record lives. */
export function neckGeometry(instrument: Instrument): NeckGeometry {
  const found = known.get(instrument);
  if (found) return found;
  const { scaleLengthMm, capo } = instrument;
  const count = instrument.frets - capo + 1;
  const fretMm = Float64Array.from({ length: count }, (_, n) => fretPositionMm(scaleLengthMm, n + capo));
  const widthMm = fretMm.map((x, n) => (n + capo > 0 ? x - fretPositionMm(scaleLengthMm, n + capo - 1) : 0));
  const pressMm = fretMm.map((_, n) => pressPointMm(scaleLengthMm, n + capo));
  const stringPitchMm = pressMm.map((p) => NECK.nutPitchMm + (NECK.pitchGrowthMm * p) / scaleLengthMm);
  const speakingMm = scaleLengthMm - fretPositionMm(scaleLengthMm, capo);
  const atFive = pressForce(speakingMm, 5);
  const stiffness = fretMm.map((_, n) => (n === 0 ? 0 : pressForce(speakingMm, n) / atFive));
  const geometry = {
    fretMm,
    widthMm,
    pressMm,
    stringPitchMm,
    stiffness,
    truePress1Mm: pressPointMm(scaleLengthMm, 1),
    truePress5Mm: pressPointMm(scaleLengthMm, 5),
  };
  known.set(instrument, geometry);
  return geometry;
}

/** F = h (1/a + 1/(L-a)) with string height h = .5 + 1.5 a/(L/2); relative units. */
function pressForce(speakingMm: number, fret: number): number {
  const a = Math.max(pressPointMm(speakingMm, fret), NECK.nearestEndMm);
  const height = NECK.heightAtNut + (NECK.heightGrowth * a) / (speakingMm / 2);
  return height * (1 / a + 1 / (speakingMm - a));
}
