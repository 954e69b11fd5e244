/** The lesson without a browser: what it begins with, takes and shares on their way, how it goes on and ends. */
import { routes, type LessonBody } from '@finch/contract';
import { changeLoop, type TakeResult } from '@finch/core/drills';
import type { LessonPlan, PlanBlock } from '@finch/core/planning';
import { computed, ref, shallowRef } from 'vue';
import { Refused, Unanswered } from '../../session/api';
import { useRuns } from '../../session/lesson-run';
import { chordInHand } from '../../session/chord-in-hand';
import { emptyHouse, enter, house, leave, settle } from '../../test-house';
import { useLessonBench } from './use-lesson-bench';

const A = { chord: 'A', frets: [null, 0, 2, 2, 2, 0] };
const D = { chord: 'D', frets: [null, null, 0, 2, 3, 2] };
const recipe = changeLoop({ grips: [A, D], beatsEach: 4, tempoBpm: 60 });
const block = (id: string, more: Partial<PlanBlock> = {}): PlanBlock => ({
  id,
  kind: 'new',
  minutes: 6,
  title: { code: 'title.blank', values: { text: `Block ${id}` } },
  because: { code: 'because.chosen', values: {} },
  skillId: 'a-d',
  recipe,
  effort: 20,
  barreMinutes: 0,
  locked: false,
  ...more,
});
const plan: LessonPlan = {
  schemaVersion: 1,
  minutes: 45,
  blocks: [block('one'), block('two'), block('home', { kind: 'take home', recipe: null })],
  leftOut: [],
  modelVersion: 'test',
};
const booked = {
  id: 'lesson',
  studentId: 'ode',
  startsAt: '2026-06-09T16:00:00Z',
  minutes: 45,
  state: 'booked',
  version: 1,
  plan,
  planStanding: 'kept',
  planVersion: 1,
  done: null,
} as unknown as LessonBody;

type Call = [route: string, body: Record<string, unknown>];
const desk = {
  lesson: shallowRef<LessonBody | undefined>(booked),
  query: {} as Record<string, string>,
  calls: [] as Call[],
  /** What the server does with a call; throws where it refuses or is away. */
  answer: (_call: Call): unknown => undefined,
  refetched: 0,
  away: null as string | null,
  benched: [] as unknown[][],
  settled: [] as unknown[],
  clock: Date.UTC(2026, 5, 9, 16),
  roles: ['teacher'],
};
jest.mock('vue-router', () => ({
  useRoute: () => ({ query: desk.query }),
  useRouter: () => ({
    push: (to: never) => house.went.push(to),
    replace: (to: never) => house.went.push(to),
  }),
}));
jest.mock('@tanstack/vue-query', () => ({
  useQueryClient: () => ({ setQueryData: (_: unknown, kept: LessonBody) => (desk.lesson.value = kept) }),
}));
jest.mock('../../session/queries', () => ({
  useLesson: () => ({ data: desk.lesson, error: ref(null), refetch: async () => desk.refetched++ }),
  useStudent: () => ({ data: ref({ nextLesson: { id: 'next' } }) }),
  readAnew: async () => {},
}));
jest.mock('../../session/api', () => {
  const { Refused, Unanswered } = jest.requireActual('../../session/api');
  return {
    Refused,
    Unanswered,
    call: async (route: { path: string }, { body }: { body: Record<string, unknown> }) => {
      const call: Call = [route.path, body];
      desk.calls.push(call);
      const answer = desk.answer(call);
      return answer ?? { ...desk.lesson.value };
    },
  };
});
jest.mock('../../session/bench', () => ({
  useBench: () => ({
    studentId: 'ode',
    lessonId: null,
    put: (...given: unknown[]) => desk.benched.push(given),
  }),
}));
jest.mock('../../session/seat', () => ({
  useSeat: () => ({
    now: () => desk.clock,
    gone: () => (desk.away = '16:00'),
    back: () => (desk.away = null),
    get awaySince() {
      return desk.away;
    },
    has: (...roles: string[]) => roles.some((role) => desk.roles.includes(role)),
    keep: async (_: string, { take }: { take: { result: TakeResult; source: string } }) =>
      `${take.source} ${take.result}`,
    settle: async (...given: unknown[]) => desk.settled.push(given),
    takeBack: async (_: string, id: string) => desk.settled.push([id, 'back']),
  }),
}));
jest.mock('../../session/taught', () => jest.requireActual('../../test-house').modules.taught);
jest.mock('../../session/hand-out', () => jest.requireActual('../../test-house').modules.handOut);
jest.mock('../../workers/player', () => jest.requireActual('../../test-house').modules.player);

const enough = () => settle(40);
async function begin(lesson: Partial<LessonBody> = {}, query: Record<string, string> = {}) {
  emptyHouse();
  house.student.value = { id: 'ode', name: 'Ode Pettibrand', timeZone: 'Atlantic/Faroe' };
  desk.lesson.value = { ...booked, ...lesson };
  desk.query = query;
  useRuns().value = {};
  Object.assign(desk, {
    calls: [],
    answer: () => undefined,
    refetched: 0,
    away: null,
    benched: [],
    settled: [],
  });
  desk.roles = ['teacher'];
  const bench = enter(() => useLessonBench(() => 'lesson'));
  await enough();
  return bench;
}
afterEach(leave);
afterEach(() => jest.useRealTimers());
const shares = () => desk.calls.filter(([path]) => path === routes.keepShare.path).map(([, body]) => body);
const away = () => {
  throw new Unanswered();
};
const refused = (code: string) => () => {
  throw new Refused({ code, at: 'lesson', detail: '' }, 409);
};

test('a booked lesson waits to be begun; “start now” begins it once and leaves the address', async () => {
  const waiting = await begin();
  expect([waiting.run.begun.value, waiting.closed.value, desk.benched]).toEqual([
    false,
    false,
    [['ode', 'lesson']],
  ]);
  const started = await begin({}, { start: 'now' });
  expect([started.run.begun.value, started.run.block.value?.id]).toEqual([true, 'one']);
  // Of the change on the stage the chord gone to is in hand for the house's keys.
  expect(chordInHand()).toEqual({ symbol: 'D', frets: 'xx0232', before: 'A' });
  expect(house.went).toEqual([{ query: {} }]);
});

test.each(['taught', 'written', 'cancelled'] as const)(
  'a lesson that is %s is closed, whatever the address says, until it is opened again on purpose',
  async (state) => {
    const bench = await begin({ state }, { start: 'now' });
    expect([bench.closed.value, bench.run.begun.value]).toEqual([true, false]);
    await bench.openAgain();
    expect([bench.closed.value, bench.run.begun.value]).toEqual([false, true]);
    await bench.run.send('running');
    expect(shares().at(-1)).toMatchObject({ again: true });
  },
);

test('without a plan one is proposed, and kept as what the lesson began with once it begins', async () => {
  emptyHouse();
  const bench = await begin({ plan: null, planStanding: 'none' as LessonBody['planStanding'] });
  expect(desk.calls.map(([path]) => path)).toEqual([routes.propose.path]);
  leave();
  const proposal = { ...plan, blocks: [block('made')] };
  expect(bench.run.blocks.value).not.toEqual(proposal.blocks);
  desk.answer = ([path, body]) =>
    path === routes.propose.path
      ? proposal
      : { ...booked, version: 2, plan: body.plan, planStanding: body.standing };
  desk.calls = [];
  desk.lesson.value = { ...booked, plan: null } as LessonBody;
  const again = enter(() => useLessonBench(() => 'lesson'));
  await enough();
  expect(again.run.blocks.value.map((one) => one.id)).toEqual(['made']);
  expect(desk.calls).toHaveLength(1);
  again.run.begin();
  await enough();
  expect(desk.calls.slice(1)).toEqual([
    [routes.keepPlan.path, { version: 1, plan: proposal, standing: 'begun' }],
  ]);
});

test('a plan that cannot be proposed or kept is said in words, and the lesson read anew', async () => {
  await begin();
  leave();
  desk.lesson.value = { ...booked, plan: null } as LessonBody;
  desk.answer = away;
  const silent = enter(() => useLessonBench(() => 'lesson'));
  await enough();
  expect(silent.trouble.value).toMatch(/server/i);
  leave();
  desk.answer = ([path]) => (path === routes.propose.path ? plan : refused('version.newer')());
  const late = enter(() => useLessonBench(() => 'lesson'));
  await enough();
  late.run.begin();
  await enough();
  expect([late.trouble.value.length > 0, desk.refetched]).toEqual([true, 1]);
});

test('a take is logged as the teacher’s, counted on its block and sent with this screen’s share', async () => {
  const bench = await begin({}, { start: 'now' });
  await bench.log('clean');
  await enough();
  expect(bench.run.takes.value).toEqual(['clean']);
  expect(shares().at(-1)).toMatchObject({
    state: 'running',
    again: false,
    share: { blocks: [{ blockId: 'one', takes: { clean: 1, nearly: 0, notYet: 0 } }] },
  });
  expect(bench.run.lastTake.value?.id).toBe('teacher clean');
  await bench.takeBack();
  await enough();
  expect([bench.run.takes.value, desk.settled]).toEqual([[], [['teacher clean', 'back']]]);
  await bench.takeBack();
  expect(desk.settled).toHaveLength(1);
  desk.roles = ['student'];
});

test('whoever teaches themselves logs as themselves', async () => {
  await begin();
  leave();
  desk.roles = ['self-taught'];
  const bench = enter(() => useLessonBench(() => 'lesson'));
  await enough();
  bench.run.begin();
  await bench.log('nearly');
  expect(bench.run.lastTake.value?.id).toBe('self nearly');
});

test('next asks of the hand first, then goes on, says the block, and does not go before the first', async () => {
  const bench = await begin({}, { start: 'now' });
  await bench.log('clean');
  await bench.go(() => 1);
  expect([bench.run.block.value?.id, bench.taken.said.value]).toEqual([
    'one',
    'How did the hand feel? Answer, or press next again.',
  ]);
  await bench.go(() => 1);
  expect([bench.run.block.value?.id, bench.announced.value]).toEqual(['two', 'Block two, 6 minutes']);
  expect(bench.next.value?.id).toBe('home');
  await bench.go(() => -1);
  expect(bench.run.block.value?.id).toBe('two');
});

test('after the last block the lesson is taught: what is held goes, time is counted, and the write-up opens', async () => {
  const bench = await begin({}, { start: 'now' });
  await bench.log('clean');
  desk.clock += 90_000;
  await bench.go(() => 9);
  await enough();
  expect(shares().at(-1)).toMatchObject({ state: 'taught' });
  expect(JSON.stringify(shares().at(-1))).toContain(String(desk.clock));
  expect(desk.settled).toEqual([['teacher clean', null]]);
  expect(house.went.at(-1)).toEqual({ name: 'write-up', params: { lessonId: 'lesson' } });
  expect(house.stopped).toBeGreaterThan(0);
});

test('the end waits for a server that is away and goes on when it answers; pressed once more it stays in the lesson', async () => {
  const bench = await begin({}, { start: 'now' });
  jest.useFakeTimers();
  desk.answer = away;
  void bench.go(() => 9);
  await enough();
  expect([bench.finishing.value, desk.away]).toEqual([true, '16:00']);
  const before = shares().length;
  await jest.advanceTimersByTimeAsync(2100);
  expect(shares().length).toBe(before + 1);
  house.went.length = 0;
  desk.answer = () => undefined;
  await jest.advanceTimersByTimeAsync(2100);
  expect(house.went.at(-1)?.name).toBe('write-up');
  house.went.length = 0;
  desk.answer = away;
  const other = await begin({}, { start: 'now' });
  desk.answer = away;
  void other.go(() => 9);
  await enough();
  void other.go(() => 9);
  await jest.advanceTimersByTimeAsync(2100);
  desk.answer = () => undefined;
  await jest.advanceTimersByTimeAsync(4100);
  expect([other.finishing.value, house.went.filter((one) => one.name)]).toEqual([false, []]);
});

test('an end that is refused does not wait', async () => {
  const bench = await begin({}, { start: 'now' });
  desk.answer = refused('lesson.over');
  await bench.go(() => 9);
  await enough();
  expect([bench.finishing.value, house.went.filter((one) => one.name)]).toEqual([false, []]);
  expect(bench.trouble.value.length).toBeGreaterThan(10);
});

test('something brought comes before the last block and is gone to; without words it is something brought', async () => {
  const bench = await begin({}, { start: 'now' });
  bench.bring('  Her own song  ');
  await enough();
  expect(bench.run.blocks.value.map((one) => one.kind)).toHaveLength(4);
  expect([bench.run.at.value, bench.run.block.value?.title.values.text]).toEqual([2, 'Her own song']);
  bench.bring(' ');
  bench.bring('x'.repeat(99));
  await enough();
  const texts = bench.run.blocks.value.map((one) => String(one.title.values.text));
  expect(texts.slice(3, 5)).toEqual(['Something brought', 'x'.repeat(80)]);
});

test('taken home is the drill at the tempo it was just played, under the name of its block; a rest is not taken home', async () => {
  const bench = await begin({}, { start: 'now' });
  bench.stage.faster(4);
  bench.toHome();
  expect(house.out).toMatchObject([['home', { parameters: { tempoBpm: 64 } }]]);
  await bench.go(() => 2);
  bench.toHome();
  expect(house.out).toHaveLength(1);
});

test('pain stops what sounds and the logging, and a note is sent once the lesson has begun', async () => {
  const bench = await begin();
  bench.noted();
  expect(shares()).toEqual([]);
  bench.run.begin();
  bench.noted();
  await enough();
  expect(shares()).toHaveLength(1);
  await bench.stage.toggle();
  const before = house.stopped;
  await bench.taken.felt({ hand: 'pain', where: 'wrist', side: 'left' } as never);
  expect(house.stopped).toBe(before + 1);
  await bench.log('clean');
  expect(bench.run.takes.value).toEqual(['not yet']);
});

test('the name is the student’s, and a lesson not named by the way in is the student’s next', async () => {
  const bench = await begin();
  expect([bench.name.value, bench.id.value]).toEqual(['Ode Pettibrand', 'lesson']);
  const none = enter(() => useLessonBench(() => undefined));
  expect(computed(() => none.id.value).value).toBe('next');
});
