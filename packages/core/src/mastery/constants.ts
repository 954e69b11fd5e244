/**
 * Constants of the mastery model, version 1. Published forms: the Rasch model, logit P = ability - difficulty
 * (Rasch 1960), with a running variance as in Glicko (Glickman 1999) and educational Elo (Pelanek 2016); the
 * memory clock is FSRS from `ts-fsrs`. Every number here is our assumption until a refit.
 */
export const MASTERY = {
  /** difficulty = (effort - effortCentre) / effortPerLogit, in logits. */
  effortCentre: 50,
  effortPerLogit: 12,
  /** Of effort over `over` a hand of years feels a share: least + (1 - least) e^(-months / scaleMonths). */
  heavy: { over: 35, least: 0.35, scaleMonths: 12 },
  /** tempo load = tempoSlope ln(1 + tempo / predicted). */
  tempoSlope: 2.4,
  /** The same for a line, where every note must be in time and not the changes alone. */
  lineSlope: 3.2,
  /** How far over the tempo asked = overSlope ln(tempo / asked). */
  overSlope: 3,
  /** How far over the tempo asked from which a missed take says less: about 1.4 times as fast. */
  farOver: 1,
  /** The tempo leaves a change this many times the hand's seconds; of one it cannot hold this tempo is taken. */
  tempoMargin: 1.378,
  slowestBpm: 20,
  priorMean: 0,
  /** Ability a skill begins with after so many months: first + gain ln(1 + months / scaleMonths), at most `most`. */
  experience: { first: -1.2, gain: 0.72, scaleMonths: 1.5, most: 2.2 },
  priorVariance: 1.6,
  /** Share of the needed skills' ability that a new skill starts with. */
  fromNeeds: 0.6,
  /** Variance gained a day without a take, and its ceiling. */
  driftPerDay: 0.03,
  mostVariance: 1.6,
  leastVariance: 0.12,
  /** Logits lost between full recall and none. */
  forgetting: 1.8,
  /** A take's weight = base + perLog ln(1 + steps), at most `most`. */
  weight: { base: 0.7, perLog: 0.15, most: 1.3 },
  /** Logits that one more take is expected to add, whatever came of it: practice teaches (Pavlik 2009). */
  gainPerTake: 0.08,
  noteEffort: 35,
  /** Deviate of an 80 % interval. */
  interval: 1.2815515655446004,
} as const;

export const DAY_MS = 86_400_000;

export const STATES = {
  leastTakes: 5,
  rough: 0.5,
  clean: 0.8,
  cleanLower: 0.65,
  cleanDays: 2,
  settledMean: 0.9,
  settledLower: 0.8,
  settledContexts: 3,
  settledDays: 3,
  settledSpreadDays: 7,
  dueRecall: 0.9,
  slippingRecall: 0.85,
  stuck: { below: 0.7, takes: 8, days: 4, overDays: 10, usefulLogits: 0.6, chance: 0.2 },
  /** A new skill returns each practice day for this long. */
  newDays: 7,
  outlookDays: 14,
  /** Takes are kept one by one for the charts so long before the last. */
  historyDays: 98,
} as const;

/** Days free of pain before hard work, and days of half minutes without a barre after clearance (our convention). */
export const PAIN = { freeDays: 2, returningDays: 7 } as const;
