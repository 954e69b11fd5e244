/** The words for what is held: each rule at its edge, one thing changed at a time. */
import { STATES } from './constants';
import { judgeState, type Evidence } from './states';

const chance = (mean: number, low = mean - 0.05) => ({ mean, low, high: Math.min(1, mean + 0.05) });
const days = (...offsets: number[]) => {
  const day = (offset = 0) => new Date(Date.UTC(2026, 2, 2 + offset)).toISOString().slice(0, 10);
  return { count: offsets.length, first: day(offsets[0]), last: day(offsets.at(-1)) };
};
/** Just enough to be settled. */
const SETTLED: Evidence = {
  attempts: 20,
  chance: chance(0.9, 0.8),
  days: days(0, 3, 7),
  contexts: ['one', 'two', 'three'],
  heardAtTarget: true,
  hardest: 1.2,
  hardThird: 1.2,
  everClean: true,
  lastClean: true,
  recall: 0.95,
  due: false,
  firstAt: 0,
  lastAt: 0,
  trail: [],
  belief: { mean: 2, variance: 0.1 },
};
const stateOf = (more: Partial<Evidence>) => judgeState({ ...SETTLED, ...more }).state;
const marksOf = (more: Partial<Evidence>) => judgeState({ ...SETTLED, ...more }).marks;

test('settled at the edge of every rule, and clean when any one of them is missed', () => {
  expect(stateOf({})).toBe('settled');
  const missed: Partial<Evidence>[] = [
    { chance: chance(0.899, 0.8) },
    { chance: chance(0.9, 0.799) },
    { contexts: ['one', 'two'] },
    { days: days(0, 7) },
    { days: days(0, 3, 6) },
    { heardAtTarget: false },
    { hardest: 1.19 },
    { hardest: null },
    { hardThird: null },
  ];
  for (const more of missed) expect(stateOf(more)).toBe('clean');
});

test('clean from .8 with the lower end at .65, on two days; else workable', () => {
  const clean = { contexts: [], chance: chance(0.8, 0.65), days: days(0, 1) };
  expect(stateOf(clean)).toBe('clean');
  expect(stateOf({ ...clean, chance: chance(0.799, 0.65) })).toBe('workable');
  expect(stateOf({ ...clean, chance: chance(0.8, 0.649) })).toBe('workable');
  expect(stateOf({ ...clean, days: days(0) })).toBe('workable');
});

test('under five takes, or a mean under a half, nothing is known yet or little is held', () => {
  expect(stateOf({ attempts: 4 })).toBe('rough');
  expect(stateOf({ attempts: 5, chance: chance(0.5) })).toBe('workable');
  expect(stateOf({ attempts: 50, chance: chance(0.499) })).toBe('rough');
});

test('slipping: once clean, fading, and the last take not clean; any of the three missing and it is not', () => {
  const slips = { recall: 0.84, lastClean: false };
  expect(marksOf(slips).slipping).toBe(true);
  expect(marksOf({ ...slips, everClean: false }).slipping).toBe(false);
  expect(marksOf({ ...slips, recall: STATES.slippingRecall }).slipping).toBe(false);
  expect(marksOf({ ...slips, lastClean: true }).slipping).toBe(false);
  expect(marksOf({ due: true }).due).toBe(true);
});

test('stuck: many takes over many days without a rise; a rise, few takes or few days are not', () => {
  const DAY = 86_400_000;
  const trail = (rise: number, takes = 10, over = 12) =>
    Array.from({ length: takes }, (_, i) => ({
      at: (i * over * DAY) / (takes - 1),
      belief: { mean: (rise * i) / (takes - 1), variance: 0.1 },
    }));
  const stuck = (made: ReturnType<typeof trail>, more: Partial<Evidence> = {}) =>
    marksOf({
      everClean: false,
      attempts: made.length,
      chance: chance(0.5),
      days: days(0, 3, 6, 9),
      firstAt: made[0].at,
      lastAt: made[made.length - 1].at,
      trail: made.slice(-STATES.stuck.takes),
      belief: made[made.length - 1].belief,
      ...more,
    }).stuck;
  expect(stuck(trail(-0.5))).toBe(true);
  expect(stuck(trail(3))).toBe(false);
  expect(stuck(trail(-0.5, 7))).toBe(false);
  expect(stuck(trail(-0.5, 10, 9))).toBe(false);
  expect(stuck(trail(-0.5), { days: days(0, 3, 6) })).toBe(false);
  expect(stuck(trail(-0.5), { chance: chance(0.7) })).toBe(false);
  expect(stuck(trail(-0.5), { everClean: true })).toBe(false);
});
