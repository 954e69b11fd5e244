/** The week on the table: proposed, changed, given; what is changed and not given outlives the page; undo; somebody else was first. */
import { routes, type HomeworkBody } from '@finch/contract';
import { ringCheck } from '@finch/core/drills';
import type { HomeWeek } from '@finch/core/planning';
import { shallowRef } from 'vue';
import { away, emptyHouse, enter, house, leave, settle } from '../../test-house';
import { useHomework } from './use-homework';

jest.mock('@tanstack/vue-query', () => jest.requireActual('../../test-house').modules.query);
jest.mock('../../session/api', () => jest.requireActual('../../test-house').modules.api);
jest.mock('../../session/queries', () => jest.requireActual('../../test-house').modules.queries);
jest.mock('../../session/seat', () => jest.requireActual('../../test-house').modules.seat);

const week = (minutes: number): HomeWeek => ({
  schemaVersion: 1,
  days: [{ day: '2099-06-10', minutes: 12 }],
  rows: [
    {
      id: 'a',
      kind: 'repair',
      title: { code: 'title.blank', values: { text: 'a' } },
      because: { code: 'because.begun', values: {} },
      skillId: null,
      recipe: ringCheck({ chord: 'Em', frets: [0, 2, 2, 0, 0, 0] }),
      effort: 10,
      barreShare: 0,
      minutes: [minutes],
      aimBpm: null,
    },
  ],
  leftOut: [],
  modelVersion: 'week-1',
});
const body = (kept: HomeWeek | null, version: number, id = 'one'): HomeworkBody =>
  ({
    student: { id, name: id, version: 1 },
    practice: { days: [1], minutes: 12 },
    today: '2099-06-09',
    timeZone: 'UTC',
    version,
    week: kept,
    played: {},
  }) as unknown as HomeworkBody;

async function table(first: HomeworkBody) {
  const data = shallowRef<HomeworkBody | undefined>(first);
  const on = enter(() => useHomework(data));
  await settle();
  return { data, on };
}
const sentTo = (path: string) => house.sent.filter((one) => one[0] === path).map((one) => one[1]);
const minutesOf = (of: HomeWeek | null) => of?.rows[0]?.minutes[0] ?? null;

beforeEach(() => {
  emptyHouse();
  house.answer = ([path]) => (path === routes.keepWeek.path ? { version: 8 } : week(5));
});
afterEach(leave);

test('where nothing was given a week is proposed; given, it is laid out as it is', async () => {
  const empty = await table(body(null, 0));
  expect([minutesOf(empty.on.week.value), empty.on.standing.value]).toEqual([5, 'proposed']);
  expect(empty.on.canUndo.value).toBe(false);
  house.sent.length = 0;
  const given = await table(body(week(9), 3, 'two'));
  expect([minutesOf(given.on.week.value), given.on.standing.value]).toEqual([9, 'given']);
  expect(house.sent).toEqual([]);
});

test('a week that is over is not what they play now: another is proposed', async () => {
  const old = { ...week(9), days: [{ day: '2099-06-08', minutes: 12 }] };
  const { on } = await table(body(old, 3));
  expect([minutesOf(on.week.value), on.standing.value]).toEqual([5, 'proposed']);
});

test('a change is taken back by undo; one that is not given is there again after a reload, and can be dropped', async () => {
  const first = await table(body(week(9), 3));
  first.on.lengthen(0, 0, 2);
  expect([minutesOf(first.on.week.value), first.on.standing.value]).toEqual([11, 'changed']);
  first.on.undo();
  expect([minutesOf(first.on.week.value), first.on.standing.value]).toEqual([9, 'given']);
  first.on.takeOut(0);
  await settle();
  leave();
  const again = await table(body(week(9), 3));
  expect([again.on.week.value?.rows.length, again.on.standing.value]).toEqual([0, 'changed']);
  expect(again.on.draftFrom.value).not.toBeNull();
  again.on.undo();
  expect(minutesOf(again.on.week.value)).toBe(9);
  again.on.lengthen(0, 0, 1);
  await again.on.dropDraft();
  expect([minutesOf(again.on.week.value), again.on.standing.value]).toEqual([9, 'given']);
  leave();
  expect((await table(body(week(9), 3))).on.draftFrom.value).toBeNull();
});

test('it is given over the version it began from, and is no draft after that', async () => {
  const { on } = await table(body(week(9), 3));
  on.lengthen(0, 0, 1);
  await settle();
  expect(await on.keeping.keep()).toBe(true);
  expect(sentTo(routes.keepWeek.path)).toMatchObject([{ version: 3 }]);
  expect(on.standing.value).toBe('given');
  leave();
  expect((await table(body(week(10), 8))).on.standing.value).toBe('given');
});

test('what was changed here stands while somebody else gives a newer week; without a change the newer one is shown', async () => {
  const { data, on } = await table(body(week(9), 3));
  data.value = body(week(7), 4);
  await settle();
  expect(minutesOf(on.week.value)).toBe(7);
  on.lengthen(0, 0, 1);
  data.value = body(week(6), 5);
  await settle();
  expect([minutesOf(on.week.value), on.standing.value]).toEqual([8, 'changed']);
});

test('where the planner cannot be asked it says so, and asking again mends it', async () => {
  const answers = house.answer;
  house.answer = away;
  const { on } = await table(body(null, 0));
  expect(on.week.value).toBeNull();
  expect(on.trouble.value).not.toBe('');
  house.answer = answers;
  await on.propose();
  expect([minutesOf(on.week.value), on.trouble.value]).toEqual([5, '']);
});

test('a proposal that comes late is not laid over what was given or changed meanwhile', async () => {
  const { on } = await table(body(null, 0));
  let come: (week: HomeWeek) => void = () => undefined;
  house.answer = ([path]) =>
    path === routes.keepWeek.path ? { version: 1 } : new Promise<HomeWeek>((resolve) => (come = resolve));
  const asking = on.propose();
  await settle();
  await on.keeping.keep();
  come(week(7));
  await asking;
  expect([minutesOf(on.week.value), on.standing.value]).toEqual([5, 'given']);
  const again = on.propose();
  await settle();
  on.lengthen(0, 0, 1);
  come(week(7));
  await again;
  expect([minutesOf(on.week.value), on.standing.value]).toEqual([6, 'changed']);
});

test('what was given can be taken back: it is at home no more and stays on the table', async () => {
  const { on } = await table(body(week(9), 3));
  await on.takeBack();
  expect(sentTo(routes.keepWeek.path)).toEqual([{ version: 3, week: null }]);
  expect([minutesOf(on.week.value), on.standing.value]).toEqual([9, 'proposed']);
  await on.keeping.keep();
  expect(sentTo(routes.keepWeek.path).at(-1)).toMatchObject({ version: 8 });
  house.answer = away;
  await on.takeBack();
  expect(on.trouble.value).not.toBe('');
  expect(on.standing.value).toBe('given');
});
