/** The plan bench without a browser: what is laid out, drafts that outlive it, proposals that come late, and keeping. */
import { routes, type LessonBody } from '@finch/contract';
import type { LessonPlan, PlanBlock } from '@finch/core/planning';
import { shallowRef } from 'vue';
import { planDraft } from '../../session/drafts';
import { away, emptyHouse, enter, house, leave, refused, settle } from '../../test-house';
import { usePlanBench } from './use-plan-bench';

jest.mock('@tanstack/vue-query', () => jest.requireActual('../../test-house').modules.query);
jest.mock('../../session/api', () => jest.requireActual('../../test-house').modules.api);
jest.mock('../../session/queries', () => jest.requireActual('../../test-house').modules.queries);
jest.mock('../../session/seat', () => jest.requireActual('../../test-house').modules.seat);

const block = (id: string, minutes: number, locked = false): PlanBlock => ({
  id,
  kind: 'new',
  minutes,
  title: { code: 'title.blank', values: { text: id } },
  because: { code: 'because.due', values: {} },
  skillId: null,
  recipe: null,
  effort: 10,
  barreMinutes: 0,
  locked,
});
const planOf = (...blocks: PlanBlock[]): LessonPlan => ({
  schemaVersion: 1,
  minutes: 45,
  blocks,
  leftOut: [],
  modelVersion: 'plan-1',
});
const KEPT = planOf(block('scales', 10), block('her song', 20));
const lessonOf = (more: Partial<LessonBody> = {}) =>
  ({
    id: 'lesson',
    studentId: 'ode',
    minutes: 45,
    version: 3,
    plan: KEPT,
    planStanding: 'kept',
    ...more,
  }) as LessonBody;
async function begin(lesson: LessonBody = lessonOf()) {
  const shown = shallowRef<LessonBody | undefined>(lesson);
  const bench = enter(() => usePlanBench(shown));
  await settle();
  return { bench, shown };
}
const ids = (bench: Awaited<ReturnType<typeof begin>>['bench']) =>
  bench.desk.blocks.value.map((one) => one.id);
const sentTo = (path: string) => house.sent.filter((one) => one[0] === path).map((one) => one[1]);
beforeEach(() => emptyHouse());
afterEach(leave);

test('the plan the server has is laid out as it is, kept and without a question', async () => {
  const { bench } = await begin();
  expect([ids(bench), bench.desk.dirty.value, bench.keptByTeacher.value]).toEqual([
    ['scales', 'her song'],
    false,
    true,
  ]);
  expect(house.sent).toEqual([]);
});

test('without a plan one is proposed; a planner that is away says so', async () => {
  house.answer = () => planOf(block('made', 45));
  const { bench } = await begin(lessonOf({ plan: null, planStanding: 'none' }));
  expect(sentTo(routes.propose.path)).toEqual([{ minutes: 45, locked: [] }]);
  expect([ids(bench), bench.keptByTeacher.value, bench.busy.value]).toEqual([['made'], false, false]);
  leave();
  house.answer = away;
  const silent = await begin(lessonOf({ plan: null }));
  expect([ids(silent.bench), silent.bench.busy.value]).toEqual([[], false]);
  expect(silent.bench.trouble.value.length).toBeGreaterThan(10);
});

test('what is changed by hand is a draft at once, comes back on another bench, and is kept over the version it began from', async () => {
  const { bench } = await begin();
  bench.desk.change((blocks) => [...blocks, block('brought', 5)]);
  await settle();
  leave();
  const later = await begin(lessonOf({ version: 7 }));
  expect(ids(later.bench)).toEqual(['scales', 'her song', 'brought']);
  expect([later.bench.draftFrom.value, later.bench.keptByTeacher.value]).toEqual([house.now, false]);
  house.answer = ([path, body]) =>
    path === routes.keepPlan.path && lessonOf({ version: 4, plan: body.plan as LessonPlan });
  await later.bench.keeping.keep();
  expect(sentTo(routes.keepPlan.path)).toMatchObject([{ version: 3 }]);
  expect([later.bench.draftFrom.value, later.bench.desk.dirty.value]).toEqual([null, false]);
  expect(localStorage.length).toBe(0);
  expect((house.cache.get('lesson lesson') as LessonBody).version).toBe(4);
  expect(house.readAnew).toEqual(['board', 'student']);
});

test('a change taken back leaves no draft', async () => {
  const { bench } = await begin();
  bench.desk.change((blocks) => blocks.slice(1));
  await settle();
  expect(localStorage.length).toBe(1);
  bench.desk.undo();
  await settle();
  expect([ids(bench), localStorage.length]).toEqual([['scales', 'her song'], 0]);
});

test('a newer version of the lesson is laid out, but never over what was changed here', async () => {
  const { bench, shown } = await begin();
  shown.value = lessonOf({ version: 4, plan: planOf(block('theirs', 45)) });
  await settle();
  expect(ids(bench)).toEqual(['theirs']);
  bench.desk.change((blocks) => [...blocks, block('mine', 5)]);
  shown.value = lessonOf({ version: 5, plan: planOf(block('later', 45)) });
  await settle();
  expect(ids(bench)).toEqual(['theirs', 'mine']);
});

test('another lesson brings its own plan and leaves the draft of the first where it was', async () => {
  const { bench, shown } = await begin();
  bench.desk.change((blocks) => [...blocks, block('mine', 5)]);
  await settle();
  shown.value = lessonOf({ id: 'other', plan: planOf(block('other', 30)) });
  await settle();
  expect(ids(bench)).toEqual(['other']);
  expect(localStorage.getItem(`finch-draft:teacher:${planDraft('lesson')}`)).toContain('mine');
});

test('a refused write offers both; theirs may be taken, or mine kept over it', async () => {
  const { bench } = await begin();
  bench.desk.change((blocks) => [...blocks, block('mine', 5)]);
  const theirs = lessonOf({ version: 9, plan: planOf(block('theirs', 45)) });
  house.answer = ([path]) => (path === routes.keepPlan.path ? refused('write.stale')() : theirs);
  expect(await bench.keeping.keep()).toBe(false);
  expect(bench.keeping.theirs.value).toBe('45 minutes: theirs 45');
  house.answer = ([, body]) => lessonOf({ version: 10, plan: body.plan as LessonPlan });
  expect(await bench.keeping.keepMine()).toBe(true);
  expect(sentTo(routes.keepPlan.path).map((one) => one.version)).toEqual([3, 9]);
  house.answer = ([path]) => (path === routes.keepPlan.path ? refused('write.stale')() : theirs);
  bench.desk.change((blocks) => blocks.slice(1));
  await bench.keeping.keep();
  await bench.keeping.takeTheirs();
  expect([ids(bench), bench.desk.dirty.value]).toEqual([['theirs'], false]);
});

test('a new plan keeps what is locked; one that comes after a change by hand is left out', async () => {
  const { bench } = await begin(lessonOf({ plan: planOf(block('locked', 10, true), block('free', 20)) }));
  house.answer = () => planOf(block('locked', 10, true), block('new', 35));
  await bench.replan();
  expect(sentTo(routes.propose.path)).toMatchObject([{ minutes: 45, locked: [{ id: 'locked' }] }]);
  expect(ids(bench)).toEqual(['locked', 'new']);
  let open = () => {};
  house.gate = new Promise((resolve) => (open = resolve));
  const late = bench.replan();
  bench.desk.change((blocks) => blocks.slice(1));
  open();
  await late;
  expect(ids(bench)).toEqual(['new']);
});

test('another leaning is asked for by name, and a new plan leans as the last one did', async () => {
  const { bench } = await begin(lessonOf({ plan: planOf(block('free', 45)) }));
  house.answer = () => ({ ...planOf(block('mended', 45)), lean: 'mend' });
  await bench.replan('mend');
  await bench.replan();
  house.answer = () => planOf(block('even', 45));
  await bench.replan('even');
  expect(sentTo(routes.propose.path)).toEqual([
    { minutes: 45, locked: [], lean: 'mend' },
    { minutes: 45, locked: [], lean: 'mend' },
    { minutes: 45, locked: [] },
  ]);
  expect(ids(bench)).toEqual(['even']);
  // One press takes a proposal back.
  bench.desk.undo();
  expect(ids(bench)).toEqual(['mended']);
});

test('changes given up bring back what the server has', async () => {
  const { bench } = await begin();
  bench.desk.change(() => []);
  await settle();
  await bench.dropDraft();
  await settle();
  expect([ids(bench), localStorage.length, bench.keptByTeacher.value]).toEqual([
    ['scales', 'her song'],
    0,
    true,
  ]);
});
