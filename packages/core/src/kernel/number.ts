/** Small numeric helpers shared by every model; no music here. */

export function clamp(value: number, low: number, high: number): number {
  return value < low ? low : value > high ? high : value;
}

/** Logistic function 1 / (1 + e^-x); x in logits, result in (0, 1). */
export function logistic(x: number): number {
  return 1 / (1 + Math.exp(-x));
}

/** Inverse of `logistic`, in logits; p must lie strictly between 0 and 1. */
export function logit(p: number): number {
  if (!(p > 0 && p < 1)) throw new RangeError(`logit needs 0 < p < 1, got ${p}`);
  return Math.log(p / (1 - p));
}

/** Whole millionths, so that every engine orders equal totals alike. */
export function millionths(value: number): number {
  return Math.round(value * 1e6);
}

/** Middle value of a list (mean of the two middle ones); NaN for an empty list. */
export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const half = sorted.length >> 1;
  if (sorted.length === 0) return Number.NaN;
  return sorted.length % 2 ? sorted[half] : (sorted[half - 1] + sorted[half]) / 2;
}

/** Arithmetic mean; NaN for an empty list. */
export function mean(values: readonly number[]): number {
  return values.reduce((sum, value) => sum + value, 0) / values.length;
}
