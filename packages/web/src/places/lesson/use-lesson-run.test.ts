/** A lesson on two screens: where it stands, what each did, shares on their way, and what another brought. */
import { routes, type LessonBody } from '@finch/contract';
import type { LessonShare, PlanBlock } from '@finch/core/planning';
import { ref, shallowRef } from 'vue';
import { useRuns } from '../../session/lesson-run';
import { away, emptyHouse, enter, house, leave, refused, settle } from '../../test-house';
import { useLessonRun } from './use-lesson-run';

jest.mock('@tanstack/vue-query', () => jest.requireActual('../../test-house').modules.query);
jest.mock('../../session/api', () => jest.requireActual('../../test-house').modules.api);
jest.mock('../../session/queries', () => jest.requireActual('../../test-house').modules.queries);
jest.mock('../../session/lesson-run', () => {
  const runs = jest.requireActual('vue').ref({});
  return { ...jest.requireActual('../../session/lesson-run'), useRuns: () => runs };
});

const block = (id: string): PlanBlock => ({
  id,
  kind: 'new',
  minutes: 6,
  title: { code: 'title.blank', values: { text: id } },
  because: { code: 'because.due', values: {} },
  skillId: null,
  recipe: null,
  effort: 10,
  barreMinutes: 0,
  locked: false,
});
const T = Date.UTC(2026, 5, 9, 16);
const MINUTE = 60_000;
/** What the other screen sent. */
const theirs = (
  at: string,
  movedAt: number,
  more: Partial<LessonShare['blocks'][number]> = {},
): LessonShare => ({
  id: 'other screen',
  at,
  movedAt,
  note: '',
  blocks: [
    {
      blockId: at,
      title: { code: 'title.blank', values: { text: at } },
      kind: 'new',
      takes: { clean: 1, nearly: 0, notYet: 1 },
      brought: false,
      spans: [[T, T + 2 * MINUTE]],
      ...more,
    },
  ],
});
const lessonOf = (shares: LessonShare[] = [], more: Partial<LessonBody> = {}) =>
  ({
    id: 'lesson',
    studentId: 'ode',
    state: 'booked',
    version: 1,
    plan: {
      schemaVersion: 1,
      minutes: 45,
      blocks: ['one', 'two', 'home'].map(block),
      leftOut: [],
      modelVersion: '',
    },
    done: shares.length ? { schemaVersion: 1, blocks: [], shares } : null,
    ...more,
  }) as unknown as LessonBody;
const seat = { gone: 0, back: 0 };
function begin(lesson = lessonOf(), proposed: PlanBlock[] = []) {
  const shown = shallowRef<LessonBody | undefined>(lesson);
  const run = enter(() =>
    useLessonRun(shown, ref(proposed), {
      now: () => house.now,
      gone: () => seat.gone++,
      back: () => seat.back++,
    }),
  );
  return { run, shown };
}
const ids = (run: ReturnType<typeof begin>['run']) => run.blocks.value.map((one) => one.id);
const sent = () => house.sent.filter((one) => one[0] === routes.keepShare.path).map((one) => one[1]);
beforeEach(() => {
  emptyHouse();
  house.now = T;
  useRuns().value = {};
  Object.assign(seat, { gone: 0, back: 0 });
  house.answer = () => lessonOf([], { version: 2, state: 'running' });
});
afterEach(leave);
afterEach(() => jest.useRealTimers());

test('where another screen went on later is where it stands; a step taken here is later than that, whatever the clocks say', async () => {
  const { run, shown } = begin(lessonOf([theirs('two', T + 9 * MINUTE)]));
  expect([run.block.value?.id, run.begun.value]).toEqual(['two', false]);
  run.begin();
  expect(run.block.value?.id).toBe('two');
  run.goTo(0);
  expect(run.block.value?.id).toBe('one');
  shown.value = lessonOf([theirs('home', T + 30 * MINUTE)]);
  await settle();
  expect(run.block.value?.id).toBe('home');
});

test('takes and time of both screens are told together, each block its own', async () => {
  const { run } = begin(lessonOf([theirs('one', T)]));
  run.goTo(0);
  expect(run.takes.value).toEqual(['clean', 'not yet']);
  run.logged('nearly', 'take 1');
  expect([run.takes.value, run.lastTake.value?.id]).toEqual([['clean', 'not yet', 'nearly'], 'take 1']);
  // Their two minutes and ours overlap: time is told once.
  house.now = T + 3 * MINUTE;
  run.goTo(1);
  run.goTo(0);
  expect(run.spentSeconds.value).toBe(180);
  run.goTo(1);
  expect([run.takes.value, run.spentSeconds.value]).toEqual([[], 0]);
});

test('a take taken back no longer counts here; those of the other screen stay', () => {
  const { run } = begin(lessonOf([theirs('one', T - 1)]));
  run.goTo(0);
  run.logged('clean', 'mine');
  run.takenBack('mine');
  expect([run.takes.value, run.lastTake.value]).toEqual([['clean', 'not yet'], null]);
});

test('what either screen brought stands before the last block, once', async () => {
  const { run, shown } = begin();
  const mine = run.bring('Her own song');
  expect(ids(run)).toEqual(['one', 'two', mine, 'home']);
  shown.value = lessonOf([theirs('brought there', T, { brought: true })]);
  await settle();
  expect(ids(run)).toEqual(['one', 'two', 'brought there', mine, 'home']);
});

test('a run begun before its plan is there stands on the first block once it is', async () => {
  const { run, shown } = begin(lessonOf([], { plan: null }));
  run.begin();
  expect([run.block.value, run.run.value?.at]).toEqual([null, null]);
  house.now = T + MINUTE;
  shown.value = lessonOf();
  await settle();
  expect([run.run.value?.at, run.run.value?.since]).toEqual(['one', T + MINUTE]);
});

test('begun once: a second time changes nothing, unless it is opened again', () => {
  const { run } = begin();
  run.begin();
  const first = run.run.value?.id;
  run.begin();
  expect(run.run.value?.id).toBe(first);
  run.begin(true);
  expect([run.run.value?.id === first, run.run.value?.again]).toEqual([false, true]);
});

test('a share that arrives is held, and the Board read anew when the lesson came to another state', async () => {
  const { run } = begin();
  run.note('She sang.');
  expect(await run.send('running')).toBe(true);
  expect(sent()).toMatchObject([{ state: 'running', again: false, share: { at: 'one', note: 'She sang.' } }]);
  expect((house.cache.get('lesson lesson') as LessonBody).version).toBe(2);
  expect([house.readAnew, seat.back, run.trouble.value]).toEqual([['board'], 1, '']);
});

test('one that nobody answered is sent again by itself until it arrives, with what came meanwhile', async () => {
  jest.useFakeTimers();
  const { run } = begin();
  run.goTo(0);
  house.answer = away;
  expect(await run.send('running')).toBe(false);
  expect([seat.gone, run.trouble.value.length > 0]).toEqual([1, true]);
  run.logged('clean', 'later');
  house.answer = () => lessonOf([], { version: 2 });
  await jest.advanceTimersByTimeAsync(3100);
  expect(JSON.stringify(sent().at(-1))).toContain('"clean":1');
  expect(run.trouble.value).toBe('');
  await jest.advanceTimersByTimeAsync(10_000);
  expect(sent()).toHaveLength(2);
});

test('one that is refused says why and is not sent again; the end of a lesson waits for whoever ends it', async () => {
  jest.useFakeTimers();
  const { run } = begin();
  run.begin();
  house.answer = refused('lesson.over');
  expect(await run.send('running')).toBe(false);
  expect([seat.gone, run.trouble.value.length > 0]).toEqual([0, true]);
  house.answer = away;
  expect(await run.send('taught')).toBe(false);
  await jest.advanceTimersByTimeAsync(10_000);
  expect(sent()).toHaveLength(2);
});

test('nothing begun, nothing sent', async () => {
  const { run } = begin();
  expect(await run.send('running')).toBe(false);
  expect(sent()).toEqual([]);
});
