/**
 * One belief about a student's seconds. Log seconds of a change are `x + a + M + d`: what the change asks of the reference
 * hand less what practice of it took off (x), the student's factor (a), the mood of the day (M) and the change's own
 * deviation (d = beta + b.g + e, e ~ N(0, r)), which keeps that a sum is known where its split is not. g = (a, M, k), k the
 * log seconds of a strum, is Gaussian with covariance P. Beside it stand the weights of three kinds of hands.
 */
import { PACE } from './constants';
import { NODE_WEIGHTS, NODES } from './normal';
import { cleanIn } from './pace';

type Three = [number, number, number];

/** What is believed of one change. */
interface OwnBelief {
  beta: number;
  b: Three;
  r: number;
}
export interface Belief {
  weight: number;
  g: Three;
  p: [Three, Three, Three];
  hands: Three;
  readonly own: Map<string, OwnBelief>;
}

/** Log seconds of a change as it is expected: mean, the variance of its own part and with the student's. */
export interface Expected {
  readonly mu: number;
  /** Variance of log seconds, take noise left out. */
  readonly variance: number;
  readonly l: Three;
  readonly v: Three;
}

const dot = (a: Three, b: Three): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
const times = (p: Belief['p'], l: Three): Three => [dot(p[0], l), dot(p[1], l), dot(p[2], l)];
const START_HANDS = (): Three => [PACE.hands[0].weight, PACE.hands[1].weight, PACE.hands[2].weight];

export function newBelief(weight: number, logFactor: number, spread: number): Belief {
  return {
    weight,
    g: [logFactor, 0, Math.log(PACE.strum.seconds)],
    p: [
      [spread ** 2, 0, 0],
      [0, PACE.moodSpread ** 2, 0],
      [0, 0, PACE.strum.spread ** 2],
    ],
    hands: START_HANDS(),
    own: new Map(),
  };
}

/** The same belief again, which goes its own way. */
export function copyOf(belief: Belief): Belief {
  const three = (of: Three): Three => [...of];
  return {
    ...belief,
    g: three(belief.g),
    p: [three(belief.p[0]), three(belief.p[1]), three(belief.p[2])],
    hands: three(belief.hands),
    own: new Map([...belief.own].map(([change, own]) => [change, { ...own, b: three(own.b) }])),
  };
}

const NEW_CHANGE: OwnBelief = { beta: 0, b: [0, 0, 0], r: PACE.ownSpread ** 2 };
const ownOf = (belief: Belief, change: string): OwnBelief => {
  let own = belief.own.get(change);
  if (!own) belief.own.set(change, (own = { ...NEW_CHANGE, b: [0, 0, 0] }));
  return own;
};

/** @param x log seconds of the change for the reference hand after the practice it had */
export function expected(belief: Belief, change: string, x: number): Expected {
  const { beta, b, r } = belief.own.get(change) ?? NEW_CHANGE;
  const l: Three = [1 + b[0], 1 + b[1], b[2]];
  const v = times(belief.p, l);
  return { mu: x + beta + dot(l, belief.g), variance: dot(l, v) + r, l, v };
}

/** A night and more went by: yesterday's mood settles into what was played then, and everything may have drifted. */
export function newDay(belief: Belief, days: number, playedLast: Iterable<string>): void {
  const { g, p } = belief;
  const [paa, pak, pkk] = [p[0][0], p[0][2], p[2][2]];
  const [pma, pmk, pmm] = [p[1][0], p[1][2], p[1][1]];
  const whole = paa * pkk - pak * pak;
  const ra = (pma * pkk - pmk * pak) / whole;
  const rk = (pmk * paa - pma * pak) / whole;
  const left = Math.max(0, pmm - ra * pma - rk * pmk);
  for (const change of playedLast) {
    const own = belief.own.get(change);
    if (!own) continue;
    const z = own.b[1];
    own.beta += z * (g[1] - ra * g[0] - rk * g[2]);
    own.b[0] += z * ra;
    own.b[2] += z * rk;
    own.r += z * z * left;
    own.b[1] = 0;
  }
  g[1] = 0;
  p[0][1] = p[1][0] = p[1][2] = p[2][1] = 0;
  p[1][1] = PACE.moodSpread ** 2;
  p[0][0] += PACE.drift.hand * days;
  const most = PACE.ownSpread ** 2;
  for (const own of belief.own.values())
    own.r = Math.max(own.r, Math.min(most, own.r + PACE.drift.change * days));
}

/** Takes `clean` of `tries` changes at a gap in; the likelihood of it, in logs, by which beliefs are weighed. */
export function absorbTempo(
  belief: Belief,
  change: string,
  x: number,
  take: { readonly logGap: number; readonly tries: number; readonly clean: number },
): number {
  const { mu, variance, l } = expected(belief, change, x);
  const s = variance + PACE.takeSpread ** 2;
  const spread = Math.sqrt(s);
  const logs = PACE.hands.map((hand) =>
    NODES.map((e) => {
      const chance = cleanIn(take.logGap, mu + e * spread, hand);
      return take.clean * Math.log(chance) + (take.tries - take.clean) * Math.log(1 - chance);
    }),
  );
  // In logs beyond the largest: with hundreds of tries the likelihood itself is no number.
  const largest = logs.reduce(
    (most, row) => row.reduce((high, log) => (log > high ? log : high), most),
    -Infinity,
  );
  const z: Three = [0, 0, 0];
  let [e1, e2] = [0, 0];
  logs.forEach((row, j) =>
    row.forEach((log, i) => {
      const weight = belief.hands[j] * NODE_WEIGHTS[i] * Math.exp(log - largest);
      z[j] += weight;
      e1 += weight * NODES[i];
      e2 += weight * NODES[i] ** 2;
    }),
  );
  const all = z[0] + z[1] + z[2];
  e1 /= all;
  e2 /= all;
  PACE.hands.forEach((hand, j) => {
    belief.hands[j] = (PACE.handMemory * z[j]) / all + (1 - PACE.handMemory) * hand.weight;
  });
  const narrowed = Math.min(1, Math.max(0.001, e2 - e1 * e1));
  update(belief, change, { g: l, h: 1, s, shift: spread * e1, phi: (1 - narrowed) / s });
  return largest + Math.log(all);
}

/** Takes a count in: `clean` changes in `seconds`, each followed by a strum; its likelihood, in logs. */
export function absorbCount(
  belief: Belief,
  change: string,
  x: number,
  count: { readonly seconds: number; readonly clean: number },
): number {
  const { mu, variance, l, v } = expected(belief, change, x);
  const r = belief.own.get(change)?.r ?? NEW_CHANGE.r;
  const said = Math.log(Math.max(0.5, count.clean) / count.seconds);
  const noise = PACE.countSpread ** 2 + 1 / (12 * count.clean ** 2 + 1);
  const k0 = belief.g[2];
  let [u, k] = [mu, k0];
  let step = { g: l, h: 0, s: 1, shift: 0 };
  for (let round = 0; round < 4; round++) {
    const t = Math.max(PACE.floorSeconds, Math.exp(u));
    const c = Math.exp(k);
    const [h, hk] = [-t / (t + c), -c / (t + c)];
    const g: Three = [h * l[0], h * l[1], h * l[2] + hk];
    const s = dot(g, times(belief.p, g)) + h * h * (r + PACE.takeSpread ** 2) + noise;
    const shift = said + Math.log(t + c) - h * (mu - u) - hk * (k0 - k);
    u = mu + ((h * variance + hk * v[2]) * shift) / s;
    k = k0 + ((h * v[2] + hk * belief.p[2][2]) * shift) / s;
    step = { g, h, s, shift };
  }
  const { s, shift } = step;
  const most = 3.5 * Math.sqrt(s);
  update(belief, change, { ...step, shift: Math.min(most, Math.max(-most, shift)), phi: 1 / s });
  return -Math.min(12, shift ** 2 / s) / 2 - Math.log(s) / 2;
}

/** Moves the belief along G by a shift of the observed, and narrows it by phi; what is the change's own stays with it. */
function update(
  belief: Belief,
  change: string,
  by: {
    readonly g: Three;
    readonly h: number;
    readonly s: number;
    readonly shift: number;
    readonly phi: number;
  },
): void {
  const own = ownOf(belief, change);
  const y = times(belief.p, by.g);
  const q = dot(by.g, y);
  for (let i = 0; i < 3; i++) belief.g[i] += (y[i] * by.shift) / by.s;
  for (let i = 0; i < 3; i++) for (let j = 0; j < 3; j++) belief.p[i][j] -= by.phi * y[i] * y[j];
  const kap = (by.h * own.r * by.phi) / (1 - by.phi * q);
  own.beta += (by.h * own.r * by.shift) / by.s + kap * dot(by.g, belief.g);
  for (let i = 0; i < 3; i++) own.b[i] -= kap * by.g[i];
  own.r *= 1 - by.h * kap;
}
