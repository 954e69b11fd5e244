/**
 * What the five voices take for granted before any log is read. The forms are published (named at each use); every number is
 * an assumption, tuned on simulated worlds that are not those it is judged by.
 */
export interface VoiceConstants {
  /** Variances of what differs between students, skills, items, and between a student's own skills. */
  readonly vStudent: number;
  readonly vSkill: number;
  readonly vItem: number;
  readonly vPair: number;
  /** Variance a pair's slow part gains a day. */
  readonly qPair: number;
  readonly vFast: number;
  /** Days in which the fast part falls to 1/e. */
  readonly tauFast: number;
  readonly vMood: number;
  /** Logits lost when the tempo is e times that of reference. */
  readonly tempo: number;
  readonly vTempo: number;
  readonly vTempoItem: number;
  /** Logits in half an hour. */
  readonly fatigue: number;
  readonly vFatigue: number;
  readonly vFatigueS: number;
  /** Variance of one row that nothing explains. */
  readonly vRow: number;
  readonly start: number;
  readonly wRows: number;
  readonly wDays: number;
  readonly vW: number;
  readonly vRateS: number;
  readonly wGap: number;
  readonly vGap: number;
  readonly vGapS: number;
  readonly wRep: number;
  readonly vRep: number;
  /** Days of stability at first, and how it grows. */
  readonly s0: number;
  readonly sGain: number;
  readonly gapPow: number;
  readonly gainClean: number;
  readonly gainAny: number;
  readonly fastGain: number;
  readonly nScale: number;
  /** Variances of what a student has with one item of a skill: its ease for them, what its rows add, what days without it cost. */
  readonly vOwn: number;
  readonly vOwnRows: number;
  readonly vOwnGap: number;
}

const TABLE = {
  vStudent: [0.62, 0.56, 0.073, 0.018, 0.69],
  vSkill: [1.1, 0.013, 0.16, 0.43, 1.3],
  vItem: [0.4, 3.4, 0.07, 0.0084, 0.53],
  vPair: [0.2, 0.00069, 0.097, 0.38, 0.38],
  qPair: [0.0019, 0, 0, 0.045, 0.0034],
  vFast: [0.13, 0.38, 0.042, 0.32, 0.049],
  tauFast: [5.4, 9.8, 3.1, 19, 0.92],
  vMood: [0.27, 0.26, 0.009, 0.037, 0.62],
  tempo: [2.2, 3.1, 2.7, 0.9, 1.1],
  vTempo: [0.086, 0.35, 0.022, 0.01, 0.0032],
  vTempoItem: [0.63, 2.5, 0.5, 0.55, 0.15],
  fatigue: [-0.33, 0.098, 0.28, 0.42, -1.2],
  vFatigue: [2.4, 0.14, 0.36, 0.055, 5.4],
  vFatigueS: [0.08, 0.08, 0.0012, 0.031, 0.17],
  vRow: [0.47, 0.45, 0.023, 0.037, 0.023],
  start: [-1.6, -1.6, -2.9, -1.5, -0.9],
  wRows: [1.2, 0.91, 1.9, 1.5, 1.1],
  wDays: [0.62, -0.38, 0.63, 0.016, 0.07],
  vW: [0.039, 0.017, 0.011, 0.019, 0.071],
  vRateS: [0.068, 0.062, 0.027, 0.048, 0.0029],
  wGap: [-0.8, -0.59, -1.1, -0.29, -0.89],
  vGap: [0.7, 0.31, 2.1, 0.17, 0.27],
  vGapS: [0.012, 0.0073, 0.0082, 0.012, 0.012],
  wRep: [-0.14, -0.14, -0.1, -0.14, 0.068],
  vRep: [0.032, 0.032, 0.062, 0.032, 0.04],
  s0: [7.3, 28, 35, 76, 19],
  sGain: [1.9, 0.29, 8.4, 1.9, 4.9],
  gapPow: [2.5, 0.68, 3, 0.24, 2],
  gainClean: [0.032, 0.2, 0, 0.14, 0],
  gainAny: [0, 0, -0.0025, 0.091, 0],
  fastGain: [0.12, 0.29, 0.14, 0.11, 0.028],
  nScale: [12, 7.5, 14, 3.9, 4.8],
} as const;

/** Voices that know skills only: what a student holds of one item tells the same of the others. */
export const SKILL_VOICES: readonly VoiceConstants[] = TABLE.start.map((_, voice) => {
  const column = Object.fromEntries(Object.entries(TABLE).map(([name, values]) => [name, values[voice]]));
  return { ...(column as Record<keyof typeof TABLE, number>), vOwn: 0, vOwnRows: 0, vOwnGap: 0 };
});

/** The voices in use: each item of a skill apart too (found on seeds 1 and 2 of our worlds, not on those that judge). */
export const VOICES: readonly VoiceConstants[] = SKILL_VOICES.map((voice) => ({
  ...voice,
  vOwn: 0.2,
  vOwnRows: 0.3,
  vOwnGap: 1,
}));

/** Variances and limits all voices share. */
export const SHARED = {
  vStart: 0.5,
  vFirst: 0.05,
  /** Of its first variance, the most a pair's slow part regains by waiting. */
  mostRegained: 1.3,
  mostStabilityDays: 200,
  leastVariance: 1e-7,
  newtonSteps: 6,
  newtonStep: 2,
} as const;
