/** The normal law: its distribution function to 1e-7 (Abramowitz and Stegun 1964, 26.2.17), and nodes to integrate over it. */
const B = [0.31938153, -0.356563782, 1.781477937, -1.821255978, 1.330274429] as const;

/** P(z <= x) of a standard normal deviate. */
export function normalBelow(x: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(x));
  const tail =
    (Math.exp(-(x * x) / 2) / Math.sqrt(2 * Math.PI)) *
    t *
    (B[0] + t * (B[1] + t * (B[2] + t * (B[3] + t * B[4]))));
  return x >= 0 ? 1 - tail : tail;
}

const STEP = 0.16;
/** Deviates from -4.8 to 4.8. */
export const NODES: readonly number[] = Array.from({ length: 61 }, (_, i) => (i - 30) * STEP);
const raw = NODES.map((e) => Math.exp(-(e * e) / 2));
const whole = raw.reduce((a, b) => a + b, 0);
/** Their weights; they sum to 1. */
export const NODE_WEIGHTS: readonly number[] = raw.map((one) => one / whole);
