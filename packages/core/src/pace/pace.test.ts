/** What is said of a hand from plain data, and how practice of one form speaks for it elsewhere on the neck. */
import { parseFrets } from '../grips';
import { must } from '../kernel';
import {
  chanceWithin,
  changeKey,
  expectedSeconds,
  kindOfChange,
  makePaceFilter,
  monthsAt,
  PACE,
  REFERENCE_PACE,
  sayPace,
  stageOf,
  stagePace,
  STAGES,
} from '.';

const frets = (text: string) => must(parseFrets(text));
const F_TO_BB = [frets('133211'), frets('x13331')] as const;
const G_TO_C = [frets('355433'), frets('x35553')] as const;
const C_TO_G = [frets('x32010'), frets('320003')] as const;

test('the same forms elsewhere are one kind; an open string ties a change to its place', () => {
  expect(kindOfChange(...F_TO_BB)).toBe(kindOfChange(...G_TO_C));
  expect(kindOfChange(...F_TO_BB)).not.toBe(kindOfChange(F_TO_BB[1], F_TO_BB[0]));
  expect(kindOfChange(frets('133211'), frets('x35553'))).not.toBe(kindOfChange(...F_TO_BB));
  expect(kindOfChange(...C_TO_G)).toBeNull();
  expect(kindOfChange(frets('xxxxxx'), frets('xxxxxx'))).toBeNull();
});

test('practice of a form takes half as much off where it was not practised, and nothing off another', () => {
  const filter = makePaceFilter(12);
  const change = changeKey(...F_TO_BB);
  const forms = kindOfChange(...F_TO_BB);
  for (let day = 0; day < 12; day++)
    filter.absorb({
      kind: 'count',
      change,
      forms,
      refSeconds: 1.1,
      day,
      seconds: 60,
      clean: filter.count(change, 1.1, 60, forms),
    });
  const pace = filter.pace();
  const at = (pair: readonly [(typeof F_TO_BB)[0], (typeof F_TO_BB)[0]]) =>
    expectedSeconds(pace, pair[0], pair[1], 1.1).logMean;
  const plain = Math.log(1.1) + pace.logFactor;
  expect(at(C_TO_G)).toBeCloseTo(plain, 9);
  expect(at(G_TO_C)).toBeLessThan(plain - 0.03);
  expect(at(F_TO_BB)).toBeLessThan(at(G_TO_C));
  // The page says of a change not yet played what the filter would.
  const asked = filter.say(changeKey(...G_TO_C), 1.1, kindOfChange(...G_TO_C));
  expect(at(G_TO_C)).toBeCloseTo(asked.logMean, 9);
});

test('nine of ten come clean at the gap that is said, and the band lies around it', () => {
  for (const stage of STAGES) {
    const expected = expectedSeconds(stagePace(stage), ...C_TO_G, 1.36);
    const said = sayPace(expected);
    expect(chanceWithin({ ...expected, logSpread: 0 }, said.gapSeconds)).toBeCloseTo(0.9, 1);
    expect([said.lowGap < said.gapSeconds, said.highGap > said.gapSeconds]).toEqual([true, true]);
    expect(said.seconds).toBeGreaterThanOrEqual(PACE.floorSeconds);
  }
  const clean = { ...expectedSeconds(REFERENCE_PACE, ...C_TO_G, 1.36), cleanGap: 0.5 };
  expect(sayPace(clean).gapSeconds).toBeCloseTo(0.55, 9);
  expect(sayPace({ ...clean, cleanGap: 9 }).gapSeconds).toBe(
    sayPace({ ...clean, cleanGap: null }).gapSeconds,
  );
});

test('each stage is quicker than the one before, near what teachers say of C to G', () => {
  const rates = STAGES.map((stage) => {
    const pace = stagePace(stage);
    const { seconds } = sayPace(expectedSeconds(pace, ...C_TO_G, 1.36));
    return 60 / (seconds + pace.strumSeconds);
  });
  [35, 58, 87, 101].forEach((told, i) => expect(Math.abs(rates[i] / told - 1)).toBeLessThan(0.1));
});

test('months run on from the day they were said; names change with them', () => {
  const day = Date.UTC(2026, 0, 1);
  expect(monthsAt(12, '2026-01-01T00:00:00.000Z', day + 365.25 * 86_400_000)).toBeCloseTo(24, 1);
  expect(monthsAt(1, '2026-01-01T00:00:00.000Z', day - 90 * 86_400_000)).toBe(0);
  expect([0, 1.9, 2, 17, 18, 119, 120, 400].map(stageOf)).toEqual([
    'first month',
    'first month',
    'first year',
    'first year',
    'some years',
    'some years',
    'stage player',
    'stage player',
  ]);
});
