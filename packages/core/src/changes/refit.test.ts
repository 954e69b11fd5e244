import { averageHand, standardGuitar } from '../fretboard';
import { parseFrets } from '../grips';
import { mean, must } from '../kernel';
import {
  CHANGE,
  fitPace,
  gradeChange,
  paceOf,
  PLAIN_PRIOR,
  studioPrior,
  type CountedChanges,
  type Pace,
  type PaceFit,
} from '.';

const PAIRS = [
  'x02210 022100',
  'x32010 320003',
  '320003 xx0232',
  '133211 355433',
  'x24432 320003',
  'x32010 133211',
];
const grips = (pair: string) => pair.split(' ').map((text) => must(parseFrets(text)));
const PLAIN: Pace = { factor: 1, logSpread: 0 };

/** The count a hand of this pace makes in a minute, without any scatter. */
function count(pair: string, pace: Pace): CountedChanges {
  const [a, b] = grips(pair);
  const seconds = [
    [a, b],
    [b, a],
  ].map(([from, to]) => must(gradeChange(from, to, averageHand, standardGuitar, { pace })).seconds);
  const typical = mean(seconds) * Math.exp(CHANGE.scatter ** 2 / 2);
  return { grips: [a, b], clean: (60 * 0.95) / (typical + CHANGE.strum), seconds: 60 };
}
const fitted = (counts: readonly CountedChanges[]) => fitPace(counts, averageHand, standardGuitar);

test('without a count the prior stands, with its band', () => {
  const none = fitted([]);
  expect(none.counts).toBe(0);
  expect(none.overall.factor).toBeCloseTo(1, 9);
  expect(none.overall.logSpread).toBeCloseTo(PLAIN_PRIOR.logSpread, 9);
});

test.each([0.7, 1, 1.5])(
  'a hand of pace %d is found from its counts, and the band shrinks with each',
  (factor) => {
    const pace = { ...PLAIN, factor };
    let last = PLAIN_PRIOR.logSpread;
    for (let n = 1; n <= PAIRS.length; n++) {
      const found = fitted(PAIRS.slice(0, n).map((pair) => count(pair, pace)));
      if (n < PAIRS.length) expect(found.overall.logSpread).toBeLessThan(last);
      last = found.overall.logSpread;
      if (n === PAIRS.length) {
        expect(found.overall.low).toBeLessThan(factor);
        expect(found.overall.high).toBeGreaterThan(factor);
        expect(Math.abs(Math.log(found.overall.factor / factor))).toBeLessThan(0.08);
      }
    }
  },
);

test('the parts are told apart once there is enough, and a slow barre is seen as one', () => {
  const slowBarre: Pace = { ...PLAIN, parts: { shift: 1, barre: 1.8, fingers: 1 } };
  expect(fitted(PAIRS.slice(0, 3).map((pair) => count(pair, slowBarre))).parts).toBeUndefined();
  const found = fitted([...PAIRS, ...PAIRS].map((pair) => count(pair, slowBarre)));
  expect(found.parts?.barre.factor).toBeGreaterThan(1.15);
  expect(found.parts?.barre.factor ?? 0).toBeGreaterThan(found.parts?.fingers.factor ?? 9);
});

test('a count no hand could mean is left out', () => {
  const [a, b] = grips(PAIRS[0]);
  for (const bad of [
    { grips: [a, b], clean: 0, seconds: 60 },
    { grips: [a, b], clean: 500, seconds: 60 },
    { grips: [a], clean: 20, seconds: 60 },
    { grips: [a, must(parseFrets('1-9-1-9-1-9'))], clean: 20, seconds: 60 },
    { grips: [a, b], clean: 20, seconds: Number.NaN },
  ])
    expect(fitted([bad]).counts).toBe(0);
});

test('each part scales with its own factor alone', () => {
  const [from, to] = grips('133211 x32010');
  const seconds = (pace: Pace) =>
    new Map(
      must(gradeChange(from, to, averageHand, standardGuitar, { pace })).parts.map((part) => [
        part.name,
        part.seconds,
      ]),
    );
  const plain = seconds(PLAIN);
  for (const name of ['shift', 'barre', 'fingers'] as const) {
    const parts = { shift: 1, barre: 1, fingers: 1, [name]: 2 };
    const scaled = seconds({ ...PLAIN, parts });
    for (const [part, value] of plain)
      expect(scaled.get(part)).toBeCloseTo(part === name ? 2 * value : value, 9);
  }
});

describe('a new student starts from the studio', () => {
  const counted = (factor: number): PaceFit => ({
    counts: 5,
    overall: { factor, low: factor / 1.1, high: factor * 1.1, logSpread: 0.08 },
  });
  test('from its middle and its spread, once enough were counted', () => {
    expect(studioPrior([counted(1.4), counted(1.4)])).toEqual(PLAIN_PRIOR);
    const prior = studioPrior([counted(1.2), counted(1.5), counted(1.3), counted(1.6), counted(1.4)]);
    expect(Math.exp(prior.logMean)).toBeCloseTo(1.39, 1);
    expect(prior.logSpread).toBeLessThan(PLAIN_PRIOR.logSpread);
    expect(fitPace([], averageHand, standardGuitar, prior).overall.factor).toBeCloseTo(1.39, 1);
  });
  test('those nobody counted say nothing', () => {
    expect(studioPrior(Array.from({ length: 9 }, () => fitted([])))).toEqual(PLAIN_PRIOR);
  });
});

test('what the change law uses is what was fitted', () => {
  const found = fitted([...PAIRS, ...PAIRS].map((pair) => count(pair, { ...PLAIN, factor: 1.3 })));
  expect(paceOf(found)).toEqual({
    factor: found.overall.factor,
    logSpread: found.overall.logSpread,
    parts: {
      shift: found.parts?.shift.factor,
      barre: found.parts?.barre.factor,
      fingers: found.parts?.fingers.factor,
    },
  });
});
