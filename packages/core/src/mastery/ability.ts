/**
 * Ability at one skill as a normal belief in logits: one take moves it by how surprising it was and narrows
 * it by what it told (the Laplace step of a logistic likelihood; Glickman 1999 has the same form); time
 * widens it. P(clean) = logistic(ability - difficulty - tempo load) (Rasch 1960).
 */
import { clamp, logistic } from '../kernel/number';
import { MASTERY } from './constants';

export interface Belief {
  readonly mean: number;
  readonly variance: number;
}

/** Belief after a take: `load` is difficulty plus tempo load in logits, `weight` the take's evidence. */
export function learnFrom(belief: Belief, clean: boolean, load: number, weight: number): Belief {
  const p = logistic(belief.mean - load);
  const variance = 1 / (1 / belief.variance + weight * p * (1 - p));
  const mean = belief.mean + variance * weight * ((clean ? 1 : 0) - p);
  return { mean, variance: clamp(variance, MASTERY.leastVariance, MASTERY.mostVariance) };
}

/** Belief after days without a take: as high, less sure. What recall is lost is a load, see `forgettingLoad`. */
export function afterDays(belief: Belief, days: number): Belief {
  const variance = Math.min(MASTERY.mostVariance, belief.variance + MASTERY.driftPerDay * Math.max(0, days));
  return { mean: belief.mean, variance };
}

/** Logits that lost recall adds to the load of a take; ability itself is kept and comes back with practice. */
export function forgettingLoad(recall: number): number {
  return MASTERY.forgetting * (1 - recall);
}

/** Evidence of a take of `steps` steps, with diminishing returns; 1 where only the result was logged. */
export function takeWeight(steps: number): number {
  if (steps === 0) return 1;
  const { base, perLog, most } = MASTERY.weight;
  return Math.min(most, base + perLog * Math.log(1 + steps));
}

/**
 * Share of its weight that a take keeps which did not come clean far over the tempo asked: it says that the tempo was too
 * much, little of the thing itself. One that came clean there says all of it.
 * @param over tempo load over the tempo asked, logits, 0 and more
 */
export function shareOver(over: number, clean: boolean): number {
  const far = Math.max(0, over - MASTERY.farOver);
  return clean ? 1 : 1 / (1 + far * far);
}

export interface CleanChance {
  /** P(clean), 0 to 1. */
  readonly mean: number;
  /** Ends of the 80 % interval. */
  readonly low: number;
  readonly high: number;
}

/**
 * Chance of a clean take with its band. The mean averages over the belief by the probit approximation
 * kappa = (1 + pi v / 8)^-1/2 (MacKay 1992), so that an unsure estimate stays modest.
 */
export function cleanChance(belief: Belief, load: number): CleanChance {
  const kappa = 1 / Math.sqrt(1 + (Math.PI * belief.variance) / 8);
  const half = MASTERY.interval * Math.sqrt(belief.variance);
  return {
    mean: logistic(kappa * (belief.mean - load)),
    low: logistic(belief.mean - half - load),
    high: logistic(belief.mean + half - load),
  };
}
