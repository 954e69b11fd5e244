/**
 * A student's own pace from counted minutes: how many clean changes came in a minute says how long one took. The
 * factors are found as the most likely ones under a lognormal scatter and a prior from the studio (maximum a
 * posteriori by Gauss and Newton's steps; the bands from the curvature there, Laplace 1774). One factor scales
 * everything; with enough different counts three more scale the hand's shift, the barre and the placing of fingers.
 */
import { mean } from '../kernel/number';
import type { Hand } from '../fretboard/hand';
import type { Instrument } from '../fretboard/instrument';
import type { Frets } from '../grips/grip';
import { CHANGE, CHANGE_PARTS, NINE_OF_TEN, UNKNOWN_PACE, type Pace } from './constants';
import { gradeChange } from './grade-change';

/** One count: grips round and round, how many changes came clean in how many seconds. */
export interface CountedChanges {
  /** Two to four grips; the last goes back to the first. */
  readonly grips: readonly Frets[];
  readonly clean: number;
  readonly seconds: number;
}

export interface FactorEstimate {
  /** Times the reference hand's seconds. */
  readonly factor: number;
  /** The 80 % interval. */
  readonly low: number;
  readonly high: number;
  readonly logSpread: number;
}

export const PACE_PARTS = ['shift', 'barre', 'fingers'] as const;
export type PacePart = (typeof PACE_PARTS)[number];

export interface PaceFit {
  readonly counts: number;
  readonly overall: FactorEstimate;
  /** Absent while there are too few different counts to tell them apart. */
  readonly parts?: Readonly<Record<PacePart, FactorEstimate>>;
}

/** What is believed of a student before any count, in log factors. */
export interface PacePrior {
  readonly logMean: number;
  readonly logSpread: number;
}

/** All assumed, in log units unless said. */
export const REFIT = {
  /** From one day to the next, and from counting. */
  countSpread: 0.12,
  partSpread: 0.25,
  /** Of the changes made while somebody counts only the clean ones, this share is clean. */
  cleanShare: 0.95,
  /** Counts and different changes needed before the parts are told apart. */
  enoughCounts: 6,
  enoughChanges: 3,
  steps: 25,
  /** A studio's spread is never believed narrower than this. */
  leastSpread: 0.12,
  enoughStudents: 4,
} as const;

export const PLAIN_PRIOR: PacePrior = { logMean: 0, logSpread: UNKNOWN_PACE.logSpread };

interface Observed {
  /** Log of the seconds one change took, and its weight. */
  readonly y: number;
  readonly weight: number;
  /** Mean seconds of the reference hand: shift, barre, fingers, and everything else. */
  readonly parts: readonly [number, number, number];
  readonly rest: number;
}

/** A count that no hand could mean (fewer than two clean, no time, a grip nobody holds) is left out. */
function observe(count: CountedChanges, hand: Hand, instrument: Instrument): Observed | null {
  const took = (count.seconds * REFIT.cleanShare) / count.clean - CHANGE.strum;
  if (!(count.clean >= 2 && count.seconds >= 10 && took > 0.05)) return null;
  const graded = count.grips.map((from, i) =>
    gradeChange(from, count.grips[(i + 1) % count.grips.length], hand, instrument, {
      pace: { factor: 1, logSpread: 0 },
    }),
  );
  if (graded.length < 2 || graded.some((one) => !one.ok)) return null;
  const seconds = (name: (typeof CHANGE_PARTS)[number]) =>
    mean(
      graded.map((one) => (one.ok ? (one.value.parts.find((part) => part.name === name)?.seconds ?? 0) : 0)),
    );
  const parts: [number, number, number] = [seconds('shift'), seconds('barre'), seconds('fingers')];
  const whole = mean(graded.map((one) => (one.ok ? one.value.seconds : 0)));
  const variance = REFIT.countSpread ** 2 + CHANGE.scatter ** 2 / count.clean;
  // The mean of lognormal seconds lies above their median by half the variance of the log.
  return {
    y: Math.log(took) - CHANGE.scatter ** 2 / 2,
    weight: 1 / variance,
    parts,
    rest: whole - parts[0] - parts[1] - parts[2],
  };
}

export function fitPace(
  counts: readonly CountedChanges[],
  hand: Hand,
  instrument: Instrument,
  prior: PacePrior = PLAIN_PRIOR,
): PaceFit {
  const observed = counts.flatMap((count) => observe(count, hand, instrument) ?? []);
  const different = new Set(observed.map((one) => one.parts.map((part) => part.toFixed(4)).join())).size;
  const apart = observed.length >= REFIT.enoughCounts && different >= REFIT.enoughChanges;
  const size = apart ? 4 : 1;
  const precision = Array.from({ length: size }, (_, i) =>
    i === 0 ? 1 / prior.logSpread ** 2 : 1 / REFIT.partSpread ** 2,
  );
  const centre = Array.from({ length: size }, (_, i) => (i === 0 ? prior.logMean : 0));
  let theta = [...centre];
  let curvature = precision.map((one, i) => precision.map((_, j) => (i === j ? one : 0)));
  for (let step = 0; step < REFIT.steps; step++) {
    const pull = theta.map((value, i) => precision[i] * (centre[i] - value));
    curvature = precision.map((one, i) => precision.map((_, j) => (i === j ? one : 0)));
    for (const one of observed) {
      const scaled = one.parts.map((part, k) => part * Math.exp(theta[k + 1] ?? 0));
      const plain = one.rest + scaled[0] + scaled[1] + scaled[2];
      const slope = theta.map((_, i) => (i === 0 ? 1 : scaled[i - 1] / plain));
      const miss = one.y - theta[0] - Math.log(plain);
      slope.forEach((a, i) => {
        pull[i] += one.weight * a * miss;
        slope.forEach((b, j) => (curvature[i][j] += one.weight * a * b));
      });
    }
    const move = solve(curvature, pull);
    theta = theta.map((value, i) => value + move[i]);
    if (Math.max(...move.map(Math.abs)) < 1e-9) break;
  }
  const estimate = (i: number): FactorEstimate => {
    const unit = precision.map((_, j) => (i === j ? 1 : 0));
    return asFactor(theta[i], Math.sqrt(solve(curvature, unit)[i]));
  };
  const overall = estimate(0);
  if (!apart) return { counts: observed.length, overall };
  return {
    counts: observed.length,
    overall,
    parts: { shift: estimate(1), barre: estimate(2), fingers: estimate(3) },
  };
}

function asFactor(logFactor: number, logSpread: number): FactorEstimate {
  const factor = Math.exp(logFactor);
  const width = Math.exp(NINE_OF_TEN * logSpread);
  return { factor, low: factor / width, high: factor * width, logSpread };
}

/** What the studio's fits say of a student not counted yet; the plain prior until enough students were counted. */
export function studioPrior(fits: readonly PaceFit[]): PacePrior {
  const counted = fits.filter((fit) => fit.counts > 0);
  if (counted.length < REFIT.enoughStudents) return PLAIN_PRIOR;
  const logs = counted.map((fit) => Math.log(fit.overall.factor));
  const logMean = mean(logs);
  const between = mean(logs.map((one) => (one - logMean) ** 2));
  const within = mean(counted.map((fit) => fit.overall.logSpread ** 2));
  return { logMean, logSpread: Math.sqrt(Math.max(REFIT.leastSpread ** 2, between + within)) };
}

/** The fit as the change law uses it. */
export function paceOf(fit: PaceFit): Pace {
  return {
    factor: fit.overall.factor,
    logSpread: fit.overall.logSpread,
    ...(fit.parts
      ? {
          parts: {
            shift: fit.parts.shift.factor,
            barre: fit.parts.barre.factor,
            fingers: fit.parts.fingers.factor,
          },
        }
      : {}),
  };
}

/** Gaussian elimination with pivoting; the matrix is small and positive definite. */
function solve(matrix: readonly (readonly number[])[], right: readonly number[]): number[] {
  const rows = matrix.map((row, i) => [...row, right[i]]);
  const size = rows.length;
  for (let at = 0; at < size; at++) {
    let pivot = at;
    for (let i = at + 1; i < size; i++) if (Math.abs(rows[i][at]) > Math.abs(rows[pivot][at])) pivot = i;
    [rows[at], rows[pivot]] = [rows[pivot], rows[at]];
    for (let i = at + 1; i < size; i++) {
      const by = rows[i][at] / rows[at][at];
      for (let j = at; j <= size; j++) rows[i][j] -= by * rows[at][j];
    }
  }
  const found = new Array<number>(size).fill(0);
  for (let i = size - 1; i >= 0; i--) {
    let sum = rows[i][size];
    for (let j = i + 1; j < size; j++) sum -= rows[i][j] * found[j];
    found[i] = sum / rows[i][i];
  }
  return found;
}
