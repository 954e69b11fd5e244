/** A week at home keeps a teacher's rules on every day of it, whoever the student is; after pain nothing of it is played. */
import { changeLoop, isQuiet, ringCheck, type Recipe } from '../drills';
import { makeLimits, NOTHING_ON_RECORD, taughtHand } from '../hands';
import { must, seededRandom } from '../kernel';
import type { SkillState, StudentState } from '../mastery';
import { firstSyllabus, isUse } from '../syllabus';
import { weekBreachesOf } from './careful-week';
import { dayBlocks, dayMinutes, type HomeWeek, type WeekDay } from './home-week';
import { peakLoad } from './load';
import { nothingPlayed } from './nothing-played';
import { planWeek } from './plan-week';
import type { GivenHome, WeekConstraints } from './week-offers';

const NOW = Date.UTC(2026, 2, 2, 16);
const DAY = 86_400_000;
const nothing = nothingPlayed(NOW);
const taught = taughtHand(NOTHING_ON_RECORD, NOW);
/** Days from tomorrow on. */
const daysOf = (...minutes: readonly number[]): WeekDay[] =>
  minutes.map((lasts, i) => ({
    day: new Date(NOW + (i + 1) * DAY).toISOString().slice(0, 10),
    minutes: lasts,
  }));
const SIX = daysOf(12, 12, 0, 12, 12, 12);
const state = (
  given: Readonly<Record<string, Partial<SkillState>>>,
  pain?: StudentState['pain'],
): StudentState => ({
  ...nothing,
  ...(pain ? { pain } : {}),
  skills: nothing.skills.map((one) => ({ ...one, ...given[one.skillId] })),
});
const week = async (of: StudentState, more: Partial<WeekConstraints> = {}) =>
  must(
    await planWeek(of, firstSyllabus, {
      taught,
      goals: [],
      waived: [],
      days: SIX,
      given: [],
      begun: [],
      timeZone: 'UTC',
      ...more,
    }),
  );
const NO_MARKS = { due: false, slipping: false, stuck: false };
const chance = (mean: number) => ({ mean, low: mean - 0.1, high: mean + 0.1 });
const half = (mean = 0.55): Partial<SkillState> => ({
  attempts: 9,
  days: 4,
  chance: chance(mean),
  state: 'workable',
  lastAt: NOW - 9 * DAY,
  stabilityDays: 4,
});
const held = (dueIn: number): Partial<SkillState> => ({
  ...half(0.9),
  state: 'clean',
  everClean: true,
  dueAt: NOW + dueIn * DAY,
  marks: { ...NO_MARKS, due: dueIn <= 0 },
});
const LIFE = {
  'open.em': held(2),
  'open.am': held(-1),
  'open.e': held(30),
  'open.c': half(0.6),
  'open.g': half(0.45),
  'near.am-c': half(0.5),
  'neck.naturals-6': half(0.6),
  'scales.minor-box-1': half(0.55),
  ...Object.fromEntries(
    firstSyllabus.skills
      .filter((skill) => isUse(skill) && !skill.barre)
      .slice(0, 4)
      .map(({ id }) => [id, half(0.7)]),
  ),
};
const rowOf = (of: HomeWeek, skillId: string) => of.rows.find((row) => row.skillId === skillId);
const given = (
  skillId: string | null,
  recipe: Recipe = ringCheck({ chord: 'Em', frets: [0, 2, 2, 0, 0, 0] }),
): GivenHome => ({
  id: `card ${skillId}`,
  skillId,
  title: { code: 'title.blank', values: { text: 'what Tamsin said' } },
  recipe,
  since: NOW - DAY,
});

const breaches = (of: HomeWeek, limits = taught.limits): string[] =>
  weekBreachesOf(of, limits).map(({ rule, found }) => `${rule}: ${found}`);

test('a week of a beginner in the middle: every rule kept, every practice day full, music on each', async () => {
  const made = await week(state(LIFE));
  expect(breaches(made)).toEqual([]);
  expect(made.days.map((_, at) => dayMinutes(made, at))).toEqual([12, 12, 0, 12, 12, 12]);
  for (const at of [0, 1, 3, 4, 5])
    expect(made.rows.some(({ kind, minutes }) => kind === 'apply' && minutes[at] > 0)).toBe(true);
  const ids = made.rows.map(({ id }) => id);
  expect(new Set(ids).size).toBe(ids.length);
  expect(await week(state(LIFE))).toEqual(made);
});

test('what falls due comes on its day or after it, once; what is due in a month does not', async () => {
  const made = await week(state(LIFE));
  // On the evening of the second day it is due.
  expect(rowOf(made, 'open.em')?.minutes.slice(0, 1)).toEqual([0]);
  expect(rowOf(made, 'open.em')?.because).toMatchObject({
    code: 'because.due-on',
    values: { on: NOW + 2 * DAY },
  });
  expect(rowOf(made, 'open.am')?.minutes.filter((lasts) => lasts > 0)).toHaveLength(1);
  expect(rowOf(made, 'open.e')).toBeUndefined();
});

test('what slipped is mended before what is merely half held, and what is stuck too', async () => {
  const slipping = {
    ...held(0),
    chance: chance(0.5),
    peak: { mean: 0.9, at: NOW - 20 * DAY },
    marks: { ...NO_MARKS, slipping: true },
  };
  const stuck = { ...half(0.5), marks: { ...NO_MARKS, stuck: true } };
  const made = await week(state({ ...LIFE, 'low.e-minor': slipping, 'roots.6': stuck }));
  const mended = made.rows.filter(({ kind }) => kind === 'repair').map(({ skillId }) => skillId);
  expect(mended.slice(0, 2)).toEqual(['low.e-minor', 'roots.6']);
});

test('what was begun in the last week or in the last lesson is on every practice day; nothing else is new', async () => {
  const begunNow = { ...half(0.4), attempts: 1, days: 1, lastAt: NOW - DAY, state: 'rough' as const };
  const made = await week(state({ ...LIFE, 'open.d': begunNow }), { begun: ['open.a'] });
  for (const id of ['open.d', 'open.a']) {
    expect(rowOf(made, id)).toMatchObject({ kind: 'new', because: { code: 'because.begun' } });
    expect(rowOf(made, id)?.minutes.map((lasts) => lasts > 0)).toEqual([true, true, false, true, true, true]);
  }
  expect(made.rows.filter(({ kind }) => kind === 'new')).toHaveLength(2);
  // Of a long log whose beginning is not known nothing is new.
  const long = await week(state({ ...LIFE, 'open.d': { ...begunNow, attempts: 40, days: 12 } }));
  expect(rowOf(long, 'open.d')?.kind).not.toBe('new');
  // After a week it is mended like anything else.
  const old = await week(state({ ...LIFE, 'open.d': { ...begunNow, lastAt: NOW - 8 * DAY } }));
  expect(rowOf(old, 'open.d')?.kind).not.toBe('new');
});

test('what a teacher gave home comes first and on every practice day; what this hand is not asked is said', async () => {
  const F = changeLoop({
    grips: [
      { chord: 'F', frets: [1, 3, 3, 2, 1, 1] },
      { chord: 'C', frets: [null, 3, 2, 0, 1, 0] },
    ],
    beatsEach: 4,
  });
  const light = { ...taught, limits: must(makeLimits({ gripEffort: 30 })) };
  const made = await week(state(LIFE), { given: [given(null), given('near.f-c', F)], taught: light });
  expect(made.rows[1]).toMatchObject({ id: 'given:card null', because: { code: 'because.given' } });
  expect(breaches(made, light.limits)).toEqual([]);
  expect(made.leftOut).toEqual([
    expect.objectContaining({ skillId: 'near.f-c', because: { code: 'left.hand', values: {} } }),
  ]);
});

test('a tempo grows from day to day and never past where the skill is meant to be', async () => {
  const loop = changeLoop({
    grips: [
      { chord: 'Am', frets: [null, 0, 2, 2, 1, 0] },
      { chord: 'C', frets: [null, 3, 2, 0, 1, 0] },
    ],
    beatsEach: 4,
    tempoBpm: 50,
  });
  const made = await week(state(LIFE), { given: [given(null, loop)] });
  expect(made.rows[1].aimBpm).toBe(58);
  const goal = firstSyllabus.skills.find(({ id }) => id === 'near.am-c')?.targetBpm ?? 0;
  const near = changeLoop({ ...loop.parameters, tempoBpm: goal - 3 });
  expect((await week(state(LIFE), { given: [given('near.am-c', near)] })).rows[1].aimBpm).toBe(goal);
  expect(made.rows[0].aimBpm).toBeNull();
});

test('after pain nothing is played; as it comes back half the minutes are, and no barre', async () => {
  const pain = { ...nothing.pain, where: 'wrist' as const, sinceDay: '2026-03-01' };
  const stopped = await week(state(LIFE, { ...pain, status: 'locked' } as StudentState['pain']));
  expect(stopped.rows.length).toBeGreaterThan(0);
  expect(stopped.rows.every(({ recipe, effort }) => isQuiet(recipe) && effort === 0)).toBe(true);
  expect(stopped.days.map((_, at) => dayMinutes(stopped, at) <= stopped.days[at].minutes)).not.toContain(
    false,
  );
  const barres = Object.fromEntries(
    ['low.e-minor', 'low.e-major', 'high.a-form'].map((id) => [id, half(0.3)]),
  );
  const back = await week(
    state({ ...LIFE, ...barres }, { ...pain, status: 'returning' } as StudentState['pain']),
  );
  expect(back.days.map((_, at) => dayMinutes(back, at)).every((minutes) => minutes <= 6)).toBe(true);
  expect(back.rows.every(({ barreShare }) => barreShare === 0)).toBe(true);
});

test('a day that would load the hand past its limit gives up its heaviest', async () => {
  const low = { ...taught, limits: must(makeLimits({ load: 1 })) };
  const heavy = Object.fromEntries(
    ['low.e-minor', 'low.e-major', 'high.a-form', 'high.e-form'].map((id) => [id, half(0.3)]),
  );
  const days = daysOf(40, 40, 40);
  const made = await week(state({ ...LIFE, ...heavy }), { days, taught: low });
  expect(breaches(made, low.limits).filter((one) => one.startsWith('load'))).toEqual([]);
  const easy = await week(state({ ...LIFE, ...heavy }), { days });
  expect(Math.max(...days.map((_, at) => peakLoad(dayBlocks(easy, at)).load))).toBeGreaterThan(1);
});

test('nobody who never played is left with nothing but a warm-up that is too long; days off are none', async () => {
  const made = await week(nothing);
  expect(made.rows.map(({ id }) => id)).toEqual(['warm up']);
  expect((await week(nothing, { days: daysOf(0, 0) })).rows).toEqual([]);
  expect(dayMinutes(await week(state(LIFE), { days: daysOf(1, 5, 30) }), 0)).toBeLessThanOrEqual(1);
});

test.each([
  ['no day', [], 'week.days', 'days'],
  ['fifteen days', new Array<WeekDay>(15).fill(SIX[0]), 'week.days', 'days'],
  ['minutes below none', daysOf(12, -1), 'week.minutes', 'days.1.minutes'],
  ['half a minute', daysOf(0.5), 'week.minutes', 'days.0.minutes'],
  ['a day of four hours', daysOf(240), 'week.minutes', 'days.0.minutes'],
])('%s is refused by its place', async (_, days, code, at) => {
  const asked = { taught, goals: [], waived: [], days, given: [], begun: [], timeZone: 'UTC' };
  expect(await planWeek(state(LIFE), firstSyllabus, asked)).toMatchObject({
    ok: false,
    problem: { code, at },
  });
});

test('whatever is held and however long the days, no rule is broken', async () => {
  const random = seededRandom(77);
  for (let i = 0; i < 10; i++) {
    const some = Object.fromEntries(
      firstSyllabus.skills.flatMap(({ id }) =>
        random.unit() < 0.35
          ? [[id, random.unit() < 0.5 ? held(random.int(-5, 9)) : half(0.2 + 0.6 * random.unit())]]
          : [],
      ),
    );
    const days = daysOf(
      ...Array.from({ length: random.int(1, 8) }, () => random.int(0, 1) * random.int(4, 45)),
    );
    const limits = must(makeLimits({ barreMinutes: random.int(0, 8), gripEffort: random.int(58, 90) }));
    const made = await week(state(some), { days, taught: { ...taught, limits }, begun: ['open.d'] });
    expect([i, breaches(made, limits)]).toEqual([i, []]);
  }
});
