/** Weights of several logits, learned on the way: logistic regression by a running normal belief (extended Kalman steps). */
import { clamp, logistic } from '../kernel/number';

/** Tries of one row hang together: so much of each further one is news. */
const TOGETHER = 0.15;
const LEAST_SPREAD = 0.001;
/** A chance further from one half than this many logits is no different to anybody. */
const MOST_LOGITS = 20;

export interface Mix {
  /** Chance of a clean try, strictly between 0 and 1. */
  readonly say: (logits: readonly number[]) => number;
  /** Takes the outcome of a row in; `tries` at least 1. */
  readonly learn: (logits: readonly number[], clean: number, tries: number) => void;
  readonly weights: () => readonly number[];
}

/** @param weights and @param variances one for each logit, before any row */
export function makeMix(weights: readonly number[], variances: readonly number[]): Mix {
  const w = [...weights];
  const spread = variances.map((variance, i) => variances.map((_, j) => (i === j ? variance : 0)));
  const say = (x: readonly number[]) =>
    logistic(
      clamp(
        w.reduce((sum, weight, i) => sum + weight * x[i], 0),
        -MOST_LOGITS,
        MOST_LOGITS,
      ),
    );
  return {
    say,
    learn: (x, clean, tries) => {
      const p = say(x);
      const q = Math.max(LEAST_SPREAD, p * (1 - p));
      const effective = tries / (1 + TOGETHER * (tries - 1));
      const px = spread.map((row) => row.reduce((sum, one, j) => sum + one * x[j], 0));
      const d = 1 / (effective * q) + px.reduce((sum, one, i) => sum + one * x[i], 0);
      const missed = clean / tries - p;
      for (let i = 0; i < w.length; i++) {
        w[i] += (px[i] * missed) / (q * d);
        for (let j = 0; j < w.length; j++) spread[i][j] -= (px[i] * px[j]) / d;
      }
    },
    weights: () => [...w],
  };
}
