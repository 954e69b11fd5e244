/**
 * A simulated hand counting clean changes in a minute: every change takes the reference hand's parts times this hand's
 * own factors, scattered from change to change and from day to day. What an estimator is tried on; it knows nothing
 * of how one is fitted.
 */
import { gradeChange } from '../changes/grade-change';
import type { Hand } from '../fretboard/hand';
import type { Instrument } from '../fretboard/instrument';
import type { Frets } from '../grips/grip';
import type { Random } from '../kernel/random';

export interface TrueFactors {
  readonly overall: number;
  readonly shift: number;
  readonly barre: number;
  readonly fingers: number;
}

/** Log spreads of this simulated world, and seconds a grip is heard before it is left. */
const WORLD = { change: 0.25, day: 0.1, strumSeconds: 0.35, fumble: 0.06 } as const;

/** Clean changes in `seconds` over the grips round and round; a fumbled one takes its time and does not count. */
export function countChanges(
  grips: readonly Frets[],
  truth: TrueFactors,
  hand: Hand,
  instrument: Instrument,
  random: Random,
  seconds = 60,
): number {
  const took = grips.map((from, i) => {
    const graded = gradeChange(from, grips[(i + 1) % grips.length], hand, instrument);
    if (!graded.ok) return Number.POSITIVE_INFINITY;
    return graded.value.parts.reduce((sum, part) => {
      const own =
        part.name === 'shift' || part.name === 'barre' || part.name === 'fingers' ? truth[part.name] : 1;
      return sum + part.seconds * own * truth.overall;
    }, 0);
  });
  const day = Math.exp(random.normal(0, WORLD.day));
  let at = 0;
  let clean = 0;
  for (let i = 0; ; i++) {
    at += took[i % took.length] * day * Math.exp(random.normal(0, WORLD.change)) + WORLD.strumSeconds;
    if (at > seconds) return clean;
    if (random.unit() > WORLD.fumble) clean++;
  }
}
