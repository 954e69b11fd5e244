/**
 * What years of playing let one expect of a skill nobody has seen of a student: somebody in the first weeks starts below the
 * common beginning, a player of years above it. Grows with the logarithm of time, as skill does (power law of practice, Newell
 * and Rosenbloom 1981); how much is our reading of what teachers expect of a first try.
 */
import { indexAt, type Dated } from '../hands/dated';
import { monthsAt, stageFactor } from '../pace';
import { MASTERY } from './constants';

/** How long a student had played when that was said; null where nobody knows. */
export interface PlayedFor {
  readonly months: number | null;
}

/** The word on how long a student has played that holds. */
export interface Experience {
  readonly months: number;
  /** ISO 8601. */
  readonly from: string;
}

/** Null where nobody said, or that nobody knows. The latest word speaks of the past as well. @param now ms since 1970 */
export function experienceOf(playedFor: readonly Dated<PlayedFor>[], now: number): Experience | null {
  if (playedFor.length === 0) return null;
  const { from, value } = playedFor[indexAt(playedFor, now)];
  return value.months === null ? null : { months: value.months, from };
}

/** Months played at an instant, ms since 1970. */
export const monthsOf = (experience: Experience | null, ms: number): number | null =>
  experience && monthsAt(experience.months, experience.from, ms);

/** Ability, logits, that a skill with nothing known of what it needs begins with. @param months null where nobody said */
export function beginsWith(months: number | null): number {
  const { first, gain, scaleMonths, most } = MASTERY.experience;
  return months === null
    ? MASTERY.priorMean
    : Math.min(most, first + gain * Math.log(1 + months / scaleMonths));
}

/** What is expected of a hand that has played so long, before any take; what takes tell of their own is left to ability. */
export interface Stage {
  /** Seconds against the reference hand's: what tempi are measured on, the stage of the pace model. */
  readonly slowness: number;
  /** Share of what an item is harder than a plain one that is felt, 0 to 1. */
  readonly heavyShare: number;
}

/** A hand that takes the reference hand's seconds and feels every grade in full. */
export const PLAIN_STAGE: Stage = { slowness: 1, heavyShare: 1 };

/**
 * The stage at the months that were said. Years of playing make what is heavy lighter more than what is light: a barre that is
 * out of reach in the first months is one chord more to somebody with five years behind them (our reading of what teachers
 * expect). Where nobody said, every grade counts in full.
 */
export function stageOf(experience: Experience | null): Stage {
  const months = experience?.months ?? null;
  const { least, scaleMonths } = MASTERY.heavy;
  return {
    slowness: Math.exp(stageFactor(months)),
    heavyShare: least + (1 - least) * Math.exp(-(months ?? 0) / scaleMonths),
  };
}
