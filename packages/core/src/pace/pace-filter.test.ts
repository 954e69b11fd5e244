/** The pace filter against ten rows worked out elsewhere, a dense filter of the same moments, and what must hold of any rows. */
import fc from 'fast-check';
import { seededRandom } from '../kernel';
import { cleanIn } from './pace';
import { NODES, NODE_WEIGHTS } from './normal';
import { PACE, makePaceFilter, stageFactor, type PaceRow } from '.';

const REF: Readonly<Record<string, number>> = { 'A>B': 0.9, 'B>A': 1.1, 'A>C': 1.6 };
const tempo = (
  day: number,
  change: string,
  clean: number,
  tries: number,
  bpm: number,
  gapBeats = 1,
): PaceRow => ({
  kind: 'tempo',
  day,
  change,
  refSeconds: REF[change] ?? 1,
  bpm,
  gapBeats,
  tries,
  clean,
});
const count = (day: number, change: string, clean: number, seconds: number): PaceRow => ({
  kind: 'count',
  day,
  change,
  refSeconds: REF[change] ?? 1,
  seconds,
  clean,
});

/** Twelve months of playing; expected: chance or count, m, sd, said; then a, M, k, beta, r, w1 and weight of the first belief. */
const ROWS: readonly (readonly [PaceRow, readonly number[], readonly number[]])[] = [
  [
    tempo(0, 'A>B', 7, 8, 60),
    [0.9032, -0.8046, 0.4622, 87.2],
    [-0.6905, 0.0003, -1.0498, -0.0309, 0.03816, 0.1705, 0.9402],
  ],
  [
    tempo(0, 'A>B', 4, 8, 90),
    [0.775, -0.8305, 0.4089, 86.1],
    [-0.4719, 0.026, -1.0498, -0.1511, 0.01997, 0.0835, 0.9631],
  ],
  [
    tempo(0, 'A>C', 6, 8, 60),
    [0.4711, 0.0267, 0.3025, 34.3],
    [-0.5729, 0.0141, -1.0498, -0.3424, 0.0219, 0.056, 0.9692],
  ],
  [
    count(0, 'A>B', 62, 60),
    [65.68, -0.5736, 0.1676, 61.5],
    [-0.5561, 0.0161, -1.0208, -0.4478, 0.01288, 0.056, 0.9701],
  ],
  [
    tempo(3, 'A>B', 8, 8, 110),
    [0.4851, -0.5982, 0.2113, 63.0],
    [-0.6823, -0.0926, -0.9682, -0.5051, 0.01332, 0.1762, 0.9694],
  ],
  [
    tempo(3, 'B>A', 8, 8, 72),
    [0.8597, -0.6799, 0.28, 75.8],
    [-0.7293, -0.1073, -0.9659, -0.242, 0.03152, 0.255, 0.9692],
  ],
  [
    tempo(3, 'A>C', 8, 8, 40),
    [0.9589, -0.4278, 0.21, 61.6],
    [-0.7348, -0.1106, -0.9661, -0.2908, 0.02368, 0.2932, 0.9691],
  ],
  [
    tempo(10, 'A>C', 9, 10, 100, 2),
    [0.9088, -0.3513, 0.2291, 58.1],
    [-0.7364, -0.0012, -0.966, -0.3382, 0.023, 0.2239, 0.9693],
  ],
  [
    tempo(10, 'A>B', 0, 8, 200),
    [0.142, -0.8224, 0.1864, 100.0],
    [-0.7092, 0.0322, -0.9796, -0.4293, 0.01362, 0.3109, 0.9706],
  ],
  [
    count(10, 'A>C', 22, 30),
    [27.38, -0.3283, 0.1983, 57.6],
    [-0.6579, 0.0729, -0.9184, -0.5648, 0.01338, 0.3109, 0.9708],
  ],
];

test('ten rows worked out elsewhere: what is said before each, and what is believed after', () => {
  const filter = makePaceFilter(12);
  for (const [i, [row, said, after]] of ROWS.entries()) {
    filter.advance(row.day);
    const now = filter.say(row.change, row.refSeconds);
    const observed =
      row.kind === 'tempo'
        ? filter.chance(row.change, row.refSeconds, (60 * row.gapBeats) / row.bpm)
        : filter.count(row.change, row.refSeconds, row.seconds);
    const told = [observed, now.logMean, now.logSpread, 60 / now.gapSeconds];
    filter.absorb(row);
    const [first] = filter.beliefs();
    const own = first.own.get(row.change)!;
    const believed = [...first.g, own.beta, own.r, first.hands[0], first.weight];
    const places = [row.kind === 'tempo' ? 4 : 2, 4, 4, 1];
    told.forEach((value, at) =>
      expect([i + 1, at, value.toFixed(places[at])]).toEqual([i + 1, at, said[at].toFixed(places[at])]),
    );
    believed.forEach((value, at) =>
      expect([i + 1, at, Math.abs(value - after[at]) < (at === 4 ? 1.1e-5 : 1.1e-4)]).toEqual([
        i + 1,
        at,
        true,
      ]),
    );
  }
});

test.each([
  [1, 1],
  [0.2, 1],
  [12, 0.5],
  [60, 0.25],
  [200, 0.18],
  [600, 0.18],
  [Math.sqrt(12 * 60), Math.sqrt(0.5 * 0.25)],
  [null, 0.42],
])('%s months of playing begin at %f of the reference seconds', (months, factor) => {
  expect(Math.exp(stageFactor(months))).toBeCloseTo(factor, 10);
});

/** A few hundred rows as they could come, over as many changes, with nights between. */
const rowsOf = (seed: number, rows: number, changes: number): PaceRow[] => {
  const random = seededRandom(seed);
  let day = 0;
  return Array.from({ length: rows }, (): PaceRow => {
    if (random.unit() < 0.1) day += 1 + Math.floor(random.unit() * 6);
    const which = Math.floor(random.unit() * changes);
    const change = `${which}`;
    const refSeconds = 0.5 + (which % 17) / 10;
    if (random.unit() < 0.2) {
      const clean = Math.floor(random.unit() * 60);
      return { kind: 'count', day, change, refSeconds, seconds: 60, clean };
    }
    const tries = 1 + Math.floor(random.unit() * 12);
    const clean = Math.floor(random.unit() * (tries + 1));
    const bpm = 30 + random.unit() * 150;
    return {
      kind: 'tempo',
      day,
      change,
      refSeconds,
      bpm,
      gapBeats: 1 + Math.floor(random.unit() * 2),
      tries,
      clean,
    };
  });
};
const fed = (rows: readonly PaceRow[], months: number | null = 12) => {
  const filter = makePaceFilter(months);
  rows.forEach(filter.absorb);
  return filter;
};
const stateOf = (filter: ReturnType<typeof fed>) =>
  JSON.stringify(filter.beliefs().map((one) => ({ ...one, own: [...one.own] })));

test('asking between rows changes nothing that is believed', () => {
  const rows = rowsOf(3, 120, 9);
  const asked = makePaceFilter(12);
  for (const row of rows) {
    asked.advance(row.day);
    asked.say(row.change, row.refSeconds);
    asked.chance(row.change, row.refSeconds, 0.5);
    asked.count(row.change, row.refSeconds, 60);
    asked.absorb(row);
    asked.say('never played', 1.2);
  }
  expect(stateOf(asked)).toBe(stateOf(fed(rows)));
});

/** The same moments kept densely: a, M, k and the deviation of every change in one Gaussian. */
function dense(rows: readonly Extract<PaceRow, { kind: 'tempo' }>[], changes: readonly string[]) {
  const size = 3 + changes.length;
  const mean = Array<number>(size).fill(0);
  mean[0] = stageFactor(null);
  mean[2] = Math.log(PACE.strum.seconds);
  const p = Array.from({ length: size }, (_, i) =>
    Array.from({ length: size }, (_, j) =>
      i !== j ? 0 : [PACE.unknown.spread, PACE.moodSpread, PACE.strum.spread][i] ** 2 || PACE.ownSpread ** 2,
    ),
  );
  let hands = PACE.hands.map((hand) => hand.weight as number);
  const practice = new Map<string, number>();
  for (const row of rows) {
    const at = 3 + changes.indexOf(row.change);
    const n = practice.get(row.change) ?? 0;
    const x = Math.log(row.refSeconds) - PACE.practice.exponent * Math.log(1 + n / PACE.practice.before);
    const h = mean.map((_, i) => (i === 0 || i === 1 || i === at ? 1 : 0));
    const y = p.map((line) => line.reduce((sum, value, j) => sum + value * h[j], 0));
    const s = y.reduce((sum, value, i) => sum + value * h[i], 0) + PACE.takeSpread ** 2;
    const mu = x + mean.reduce((sum, value, i) => sum + value * h[i], 0);
    const logGap = Math.log((60 * row.gapBeats) / row.bpm);
    const posterior = PACE.hands.map((hand, j) =>
      NODES.map((e, i) => {
        const chance = cleanIn(logGap, mu + e * Math.sqrt(s), hand);
        return hands[j] * NODE_WEIGHTS[i] * chance ** row.clean * (1 - chance) ** (row.tries - row.clean);
      }),
    );
    const all = posterior.flat().reduce((a, b) => a + b, 0);
    const moment = (power: number) =>
      posterior.reduce(
        (sum, line) => sum + line.reduce((a, weight, i) => a + weight * NODES[i] ** power, 0),
        0,
      ) / all;
    hands = posterior.map(
      (line, j) =>
        (PACE.handMemory * line.reduce((a, b) => a + b, 0)) / all +
        (1 - PACE.handMemory) * PACE.hands[j].weight,
    );
    const narrowed = Math.min(1, Math.max(0.001, moment(2) - moment(1) ** 2));
    const [shift, phi] = [Math.sqrt(s) * moment(1), (1 - narrowed) / s];
    y.forEach((value, i) => (mean[i] += (value * shift) / s));
    for (let i = 0; i < size; i++) for (let j = 0; j < size; j++) p[i][j] -= phi * y[i] * y[j];
    practice.set(row.change, n + Math.sqrt(row.tries / 8));
  }
  return { mean, p };
}

test('within a day it is a dense filter of the same moments, change by change', () => {
  const changes = ['0', '1', '2', '3', '4'];
  const rows = rowsOf(11, 90, 5)
    .filter((row) => row.kind === 'tempo')
    .slice(0, 50)
    .map((row) => ({ ...row, day: 0 }));
  const [first] = fed(rows, null).beliefs();
  const whole = dense(rows, changes);
  for (let i = 0; i < 3; i++) {
    expect(Math.abs(first.g[i] - whole.mean[i])).toBeLessThan(1e-12);
    for (let j = 0; j < 3; j++) expect(Math.abs(first.p[i][j] - whole.p[i][j])).toBeLessThan(1e-12);
  }
  changes.forEach((change, at) => {
    const { beta, b, r } = first.own.get(change)!;
    const covariance = first.p.map((line) => line.reduce((sum, value, j) => sum + value * b[j], 0));
    const deviation = beta + b.reduce((sum, value, i) => sum + value * first.g[i], 0);
    const variance = r + b.reduce((sum, value, i) => sum + value * covariance[i], 0);
    expect(Math.abs(deviation - whole.mean[3 + at])).toBeLessThan(1e-12);
    expect(Math.abs(variance - whole.p[3 + at][3 + at])).toBeLessThan(1e-12);
    covariance.forEach((value, i) => expect(Math.abs(value - whole.p[3 + at][i])).toBeLessThan(1e-12));
  });
});

test('over 4,000 rows and 300 changes every variance stays above zero, and every chance a chance', () => {
  const filter = makePaceFilter(null);
  for (const [i, row] of rowsOf(5, 4000, 300).entries()) {
    filter.absorb(row);
    if (i % 40) continue;
    for (const { p, own, hands, weight } of filter.beliefs()) {
      const two = p[0][0] * p[1][1] - p[0][1] ** 2;
      const three =
        p[2][2] * two -
        p[2][1] * (p[0][0] * p[1][2] - p[0][1] * p[0][2]) +
        p[2][0] * (p[0][1] * p[1][2] - p[1][1] * p[0][2]);
      expect(Math.min(p[0][0], two, three, ...[...own.values()].map((one) => one.r))).toBeGreaterThan(0);
      expect(hands.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
      expect([weight > 0, weight <= 1 + 1e-12]).toEqual([true, true]);
    }
  }
});

test('the likelihood of hundreds of tries is still a number', () => {
  const filter = fed([tempo(0, 'A>B', 590, 600, 60), tempo(0, 'A>B', 3, 600, 200)]);
  expect(Number.isFinite(filter.say('A>B', 0.9).seconds)).toBe(true);
});

const someRows = fc.tuple(fc.integer({ min: 1, max: 1e6 }), fc.integer({ min: 0, max: 40 }));

test('one more clean never makes the change slower', () => {
  fc.assert(
    fc.property(
      someRows,
      fc.integer({ min: 30, max: 200 }),
      fc.integer({ min: 1, max: 12 }),
      ([seed, many], bpm, tries) => {
        const before = rowsOf(seed, many, 6);
        const day = (before.at(-1)?.day ?? 0) + 1;
        const seconds = Array.from({ length: tries + 1 }, (_, clean) => {
          const { logMean } = fed([
            ...before,
            { ...tempo(day, '1', clean, tries, bpm), refSeconds: 0.6 },
          ]).say('1', 0.6);
          return logMean;
        });
        for (let i = 1; i <= tries; i++) expect(seconds[i]).toBeLessThanOrEqual(seconds[i - 1] + 1e-9);
      },
    ),
    { numRuns: 25 },
  );
});

test('a faster tempo is never likelier clean, and a chance keeps room for a slip and for luck', () => {
  fc.assert(
    fc.property(someRows, ([seed, many]) => {
      const filter = fed(rowsOf(seed, many, 6), null);
      let last = 1;
      for (let bpm = 30; bpm <= 300; bpm += 15) {
        const chance = filter.chance('2', 0.8, 60 / bpm);
        expect(chance).toBeLessThanOrEqual(last + 1e-9);
        expect(chance).toBeGreaterThanOrEqual(PACE.lapse - 1e-9);
        expect(chance).toBeLessThanOrEqual(1 - PACE.hands[0].slip + 1e-9);
        last = chance;
      }
    }),
    { numRuns: 40 },
  );
});

test('what came nine of ten clean in the last four weeks is never said to be slower than by a tenth', () => {
  fc.assert(
    fc.property(
      someRows,
      fc.integer({ min: 40, max: 220 }),
      fc.integer({ min: 0, max: 28 }),
      ([seed, many], bpm, later) => {
        const before = rowsOf(seed, many, 6);
        const day = (before.at(-1)?.day ?? 0) + 1;
        const filter = fed([...before, { ...tempo(day, '1', 9, 10, bpm), refSeconds: 0.6 }]);
        const slow = { ...tempo(day + later, '1', 0, 10, bpm / 2), refSeconds: 0.6 };
        filter.absorb(slow);
        expect(60 / filter.say('1', 0.6).gapSeconds).toBeGreaterThanOrEqual(bpm / 1.1 - 1e-6);
      },
    ),
    { numRuns: 60 },
  );
  // Five weeks later it no longer speaks by itself; eight of ten, or four of four, never did.
  const unguarded = (clean: number, tries: number, later: number) =>
    60 /
    fed([
      tempo(0, 'A>C', clean, tries, 200),
      tempo(later, 'A>C', 0, 12, 60),
      tempo(later, 'A>C', 0, 12, 60),
    ]).say('A>C', 1.6).gapSeconds;
  expect(unguarded(9, 10, 28)).toBeGreaterThanOrEqual(200 / 1.1 - 1e-6);
  expect(unguarded(9, 10, 29)).toBeLessThan(100);
  expect(unguarded(8, 10, 1)).toBeLessThan(100);
  expect(unguarded(4, 4, 1)).toBeLessThan(100);
});
