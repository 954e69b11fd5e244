/**
 * A hand measured on its own neck, without a ruler: fingers 1 and 4 at a few places, each time as wide as stays easy. Where the
 * first finger lies on fret a and the little one reaches fret b with ease but not the next, the reach lies between two known
 * distances (equal temperament); several places narrow it down.
 */
import { pressPointMm } from '../fretboard/geometry';
import { REACH_MM } from '../fretboard/hand';
import { fail, ok, type Result } from '../kernel/result';

export interface NeckReading {
  /** Fret of the first finger, 1 and more, counted from the nut. */
  readonly first: number;
  /** Highest fret the little finger reaches with ease. */
  readonly fourth: number;
}

export interface MeasuredReach {
  /** Between the two, whole millimetres: the middle. */
  readonly mm: number;
  readonly low: number;
  readonly high: number;
}

/** Places asked in turn: where frets are wide, narrower, narrow. */
export const MEASURED_AT = [1, 3, 5, 7] as const;
/** Readings that disagree by no more than this are one hand on two tries (our assumption). */
const SLACK_MM = 6;

/**
 * The reach that the readings agree on. @param scaleLengthMm nut to saddle
 * Problems: `measure.few` under two places; `measure.first` for a fret below 1 or a little finger that lies no higher;
 * `measure.apart` where no hand gives both of two readings, `at` its place; `hand.reach` outside what a hand here may have.
 */
export function measuredReach(
  readings: readonly NeckReading[],
  scaleLengthMm: number,
): Result<MeasuredReach> {
  if (readings.length < 2) return fail('measure.few', 'places', 'two places at least');
  const spans = readings.map(({ first, fourth }) => ({
    first,
    fourth,
    low: pressPointMm(scaleLengthMm, fourth) - pressPointMm(scaleLengthMm, first),
    high: pressPointMm(scaleLengthMm, fourth + 1) - pressPointMm(scaleLengthMm, first),
  }));
  const odd = spans.find(({ first, fourth }) => first < 1 || fourth <= first);
  if (odd) return fail('measure.first', String(odd.first), 'the little finger on a higher fret');
  const widest = spans.reduce((a, b) => (b.low > a.low ? b : a));
  const narrowest = spans.reduce((a, b) => (b.high < a.high ? b : a));
  if (widest.low > narrowest.high + SLACK_MM)
    return fail('measure.apart', String(widest.first), `as at fret ${narrowest.first}`);
  const [low, high] = [widest.low, narrowest.high].sort((a, b) => a - b);
  const mm = Math.round((low + high) / 2);
  if (mm < REACH_MM.least || mm > REACH_MM.most)
    return fail('hand.reach', 'reachMm', `${REACH_MM.least} to ${REACH_MM.most} mm`);
  return ok({ mm, low: Math.round(low), high: Math.round(high) });
}
