/** A goal weighs as a teacher says, with what it still waits for; a day counts what is held on it; the lesson says what goes toward it. */
import { NOTHING_ON_RECORD, taughtHand } from '../hands';
import { must } from '../kernel';
import type { SkillState } from '../mastery';
import { firstSyllabus } from '../syllabus';
import { rankedSkills } from './candidates';
import { towardGoals, wishedFor, type Goal } from './goals';
import { nothingPlayed, wishFor } from './nothing-played';
import { minutesToward, type LessonPlan, type PlanBlock } from './plan';
import { planLesson } from './plan-lesson';

const NOW = Date.UTC(2026, 2, 2, 16);
const nothing = nothingPlayed(NOW);
const held: Partial<SkillState> = {
  attempts: 20,
  days: 9,
  state: 'clean',
  everClean: true,
  chance: { mean: 0.9, low: 0.8, high: 0.95 },
};
const HELD = ['open.em', 'open.e', 'open.am', 'open.a', 'open.d', 'open.c'];
const state = {
  ...nothing,
  skills: nothing.skills.map((one) => (HELD.includes(one.skillId) ? { ...one, ...held } : one)),
};
const none = () => false;
const skills = (needs: Readonly<Record<string, readonly (readonly string[])[]>>) => ({
  skills: Object.entries(needs).map(([id, of]) => ({ ...firstSyllabus.skills[0], id, needs: of })),
});
const LADDER = skills({ low: [], middle: [['low']], top: [['middle', 'other']], other: [] });
const timesOf = (goals: readonly Goal[], isReady: (id: string) => boolean = none) =>
  Object.fromEntries([...wishedFor(goals, LADDER, isReady)].map(([id, { times }]) => [id, times]));

test('what a goal waits for counts with it, less the more steps it is away, and not past what is ready', () => {
  const times = timesOf([wishFor(['top'])]);
  expect(times.top).toBeCloseTo(1.6, 9);
  expect(times.middle).toBeCloseTo(1 + 0.6 * 0.7, 9);
  expect(times.low).toBeCloseTo(1 + 0.6 * 0.49, 9);
  // Any one of them will do, and one does.
  expect(times.other).toBeUndefined();
  expect(Object.keys(timesOf([wishFor(['top'])], (id) => id === 'other'))).toEqual(['top']);
  expect(Object.keys(timesOf([wishFor(['top'])], (id) => id === 'middle'))).toEqual(['top']);
});

test('each weight counts more than the one before, with a day more than without; what is set aside counts nothing', () => {
  const day = { on: '2026-03-30', ahead: 28 };
  const by = (weight: Goal['weight'], of: Goal['day']) =>
    timesOf([wishFor(['low'], { weight, day: of })]).low;
  const free = (['a little', 'more', 'first'] as const).map((weight) => by(weight, null));
  const dated = (['a little', 'more', 'first'] as const).map((weight) => by(weight, day));
  expect(free).toEqual([1.25, 1.6, 4]);
  expect(dated).toEqual([0.8, 4, 101]);
  expect(by('not now', null)).toBeUndefined();
  expect(by('not now', day)).toBeUndefined();
  // What leads to a goal with a day counts as the goal itself: it is what is missing.
  expect(timesOf([wishFor(['top'], { day })])).toEqual({ top: 4, middle: 4, low: 4 });
});

test('of several goals the one that counts most is said, a day before none', () => {
  const day = { on: '2026-03-30', ahead: 28 };
  const two = [wishFor(['low'], { id: 'free' }), wishFor(['low'], { id: 'dated', weight: 'more', day })];
  expect(wishedFor(two, LADDER, none).get('low')?.goal.id).toBe('dated');
  const both = wishedFor(
    [wishFor(['low'], { id: 'a', weight: 'a little' }), wishFor(['low'], { id: 'b', weight: 'first' })],
    LADDER,
    none,
  );
  expect(both.get('low')?.goal.id).toBe('b');
  expect(wishedFor([wishFor(['gone'])], LADDER, none).size).toBe(0);
});

const ranked = (goals: readonly Goal[]) =>
  rankedSkills(state, {
    taught: taughtHand(NOTHING_ON_RECORD, NOW),
    syllabus: firstSyllabus,
    goals,
    waived: [],
    allowBarre: true,
  });

/** The new thing that is worth least as long as nobody wishes for it. */
const child =
  ranked([])
    .filter(({ kind }) => kind === 'new')
    .at(-1)?.skill ?? firstSyllabus.skills[0];

const worthOf = (weight: Goal['weight'], ahead = 28) =>
  ranked([wishFor([child.id], { weight, day: { on: '2026-03-30', ahead } })]).find(
    ({ skill }) => skill.id === child.id,
  )?.worth ?? 0;

test('a concert that comes first is before all that it does not need; each weight more than the one before', () => {
  const day = { on: '2026-03-30', ahead: 28 };
  expect(ranked([wishFor([child.id], { weight: 'first', day })])[0].skill.id).toBe(child.id);
  const worths = (['not now', 'a little', 'more', 'first'] as const).map((weight) => worthOf(weight));
  expect(worths).toEqual(worths.toSorted((a, b) => a - b));
  expect(new Set(worths).size).toBe(4);
  expect(worths[3] / worths[2]).toBeCloseTo(101 / 4, 9);
});

test('a day that is nearer asks what is held by then, and a day of today is no error', () => {
  for (const ahead of [0, 7, 28, 84]) expect(worthOf('more', ahead)).toBeGreaterThan(0);
  expect(worthOf('more', 0)).not.toBeCloseTo(worthOf('more', 84), 3);
});

const block = (skillId: string | null, minutes: number): PlanBlock => ({
  id: String(skillId),
  kind: 'repair',
  minutes,
  title: { code: 'title.skill', values: {} },
  because: { code: 'because.half', values: {} },
  skillId,
  recipe: null,
  effort: 0,
  barreMinutes: 0,
  locked: false,
});

test('minutes toward a goal are those of what it needs and still waits for', () => {
  const goals = [wishFor(['other'], { id: 'b' }), wishFor(['top', 'low'], { id: 'a' })];
  const blocks = [block('middle', 5), block('low', 3), block('other', 4), block(null, 9)];
  const toward = towardGoals(goals, LADDER, none, (id) => id === 'low');
  expect(toward.map((one) => [one.id, minutesToward(one, blocks), one.held, one.of])).toEqual([
    ['b', 4, 0, 1],
    ['a', 8, 1, 2],
  ]);
});

test('a lesson says what of it goes toward each goal, and more of it does when the goal comes first', async () => {
  const plan = async (weight: Goal['weight']) => {
    const goals = [wishFor(['near.c-g', 'near.g-d'], { weight, day: { on: '2026-03-16', ahead: 14 } })];
    const taught = taughtHand(NOTHING_ON_RECORD, NOW);
    return must(await planLesson(state, firstSyllabus, { taught, minutes: 45, goals, waived: [] }));
  };
  const minutesOf = ({ toward, blocks }: LessonPlan) => (toward ? minutesToward(toward[0], blocks) : 0);
  const [first, none] = [await plan('first'), await plan('not now')];
  expect(minutesOf(first)).toBeGreaterThan(minutesOf(none));
  expect(first.toward?.[0]).toMatchObject({ on: '2026-03-16', weight: 'first', held: 0, of: 2 });
  const because = first.blocks.find(({ kind, skillId }) => kind === 'new' && skillId === 'open.g')?.because;
  expect(because).toMatchObject({ code: 'because.goal', values: { goal: 'Tin Heron', on: '2026-03-16' } });
});
