import type { Layout } from './form';

/**
 * How useful a grip is, in nats (natural log of how much likelier a player is to choose it); lower is more
 * useful. Easiest is not most useful: by effort alone the first C is three notes high up. Fitted on a list of
 * usual grips; the penalties for a bass other than the root and the worth of a named layout are assumed.
 */
export const USEFULNESS = {
  perTenEffort: 0.39,
  innerMute: 2.3,
  /** Share of that in a named layout: a string that a finger mutes by the way, as in many grips rooted on string 6. */
  namedMute: 0.4,
  stringUnderFive: 0.44,
  stringUnderFour: 1.5,
  openBelowHighFret: 0.9,
  openWithPosition: 1.1,
  missingOptional: 0.39,
  /** A tone that belongs to the chord and is mostly left out; assumed as bad as a doubled third. */
  seldomTone: 0.77,
  fretSpan: 0.8,
  /** A fret of height, for the lowest one pressed: in the first frets, from `middle` on, and from `high` on (assumed). */
  height: { perFret: 0.18, middle: 4, perMiddle: 0.5, high: 8, perHigh: 0.6 },
  mutedThin: 1.05,
  doubledThirdOrSeventh: 0.77,
  wideLowGap: 0.27,
  /** A bass that was asked for, or the root of two notes, on one of the three thin strings: nobody hears it as a bass. */
  thinBass: 2.5,
  fifthInBass: 2,
  otherInBass: 3,
  openLayout: -3.6,
  movableLayout: -3,
  partLayout: -2.2,
  shellLayout: -3.4,
  triadLayout: -2.4,
} as const;

/** What belonging to a named layout does to a grip's place, by kind. */
export const layoutNats = (kind: Layout['kind']): number => USEFULNESS[`${kind}Layout`];

export interface GripFacts {
  readonly effort: number;
  readonly innerMutes: number;
  readonly sounding: number;
  readonly open: number;
  readonly lowestFret: number;
  readonly highestFret: number;
  readonly missingOptional: number;
  readonly seldom: number;
  readonly mutedThin: boolean;
  readonly doubledThirdOrSeventh: number;
  readonly lowGapSemitones: number;
  /** A bass of its own, or two notes alone, with the lowest on one of the thin strings. */
  readonly thinBass: boolean;
  readonly bass: 'root' | 'fifth' | 'other';
  readonly layout: Layout['kind'] | null;
}

/**
 * What it costs to lie up the neck: accompaniment is played at frets 1 to 7 unless something else is asked for, and above 10
 * only where a form asks for it (as teachers say; the numbers are assumed).
 */
function heightNats(lowestFret: number): number {
  const { perFret, middle, perMiddle, high, perHigh } = USEFULNESS.height;
  const over = (from: number) => Math.max(0, lowestFret - from + 1);
  return perFret * lowestFret + (perMiddle - perFret) * over(middle) + (perHigh - perMiddle) * over(high);
}

/** Cost of a grip in nats; 0 would be an effortless full grip at the nut. */
export function usefulness(facts: GripFacts): number {
  const k = USEFULNESS;
  let cost = (facts.effort / 10) * k.perTenEffort;
  cost += facts.innerMutes * k.innerMute * (facts.layout ? k.namedMute : 1);
  cost +=
    Math.max(0, 5 - facts.sounding) * k.stringUnderFive + Math.max(0, 4 - facts.sounding) * k.stringUnderFour;
  if (facts.open > 0 && facts.highestFret > 5) cost += facts.open * k.openBelowHighFret;
  if (facts.open > 0 && facts.lowestFret > 4) cost += k.openWithPosition;
  cost += facts.missingOptional * k.missingOptional + facts.seldom * k.seldomTone;
  cost += facts.highestFret > 0 ? (facts.highestFret - facts.lowestFret) * k.fretSpan : 0;
  cost += heightNats(facts.lowestFret);
  if (facts.mutedThin) cost += k.mutedThin;
  cost += facts.doubledThirdOrSeventh * k.doubledThirdOrSeventh;
  if (facts.lowGapSemitones > 12) cost += k.wideLowGap;
  if (facts.thinBass) cost += k.thinBass;
  if (facts.bass === 'fifth') cost += k.fifthInBass;
  if (facts.bass === 'other') cost += k.otherInBass;
  if (facts.layout) cost += layoutNats(facts.layout);
  return cost;
}
