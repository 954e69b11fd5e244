/** The write-up without a browser: what it begins with, what is typed and survives, keeping it once and as nothing taught. */
import { routes, type LessonBody } from '@finch/contract';
import { shallowRef } from 'vue';
import { startRun, useRuns } from '../../session/lesson-run';
import { away, emptyHouse, enter, house, leave, refused, settle } from '../../test-house';
import { useWriteUp } from './use-write-up';

jest.mock('@tanstack/vue-query', () => jest.requireActual('../../test-house').modules.query);
jest.mock('../../session/api', () => jest.requireActual('../../test-house').modules.api);
jest.mock('../../session/queries', () => jest.requireActual('../../test-house').modules.queries);
jest.mock('../../session/lesson-run', () => {
  const runs = jest.requireActual('vue').ref({});
  return { ...jest.requireActual('../../session/lesson-run'), useRuns: () => runs };
});
jest.mock('../../session/seat', () => jest.requireActual('../../test-house').modules.seat);

const done = (id: string, minutes: number) => ({
  blockId: id,
  title: { code: 'title.blank', values: { text: id } },
  kind: 'new' as const,
  minutes,
  takes: { clean: 2, nearly: 0, notYet: 0 },
  brought: false,
});
const lessonOf = (more: Partial<LessonBody> = {}) =>
  ({
    id: 'lesson',
    studentId: 'ode',
    minutes: 45,
    version: 5,
    state: 'taught',
    plan: null,
    note: '',
    done: { schemaVersion: 1, blocks: [done('scales', 10), done('her song', 20.04)] },
    ...more,
  }) as LessonBody;
async function begin(lesson: LessonBody = lessonOf()) {
  const shown = shallowRef<LessonBody | undefined>(lesson);
  const writing = enter(() => useWriteUp(shown));
  await settle();
  return { writing, shown };
}
const sent = () => house.sent.filter((one) => one[0] === routes.keepWriteUp.path).map((one) => one[1]);
beforeEach(() => {
  emptyHouse();
  useRuns().value = {};
});
afterEach(leave);

test('it begins with what was done and with the note typed in the lesson', async () => {
  useRuns().value = { lesson: { ...startRun('run', null, 0), note: 'She sang.' } };
  const { writing } = await begin();
  expect(writing.rows.value.map((row) => [row.blockId, Number(row.minutes)])).toEqual([
    ['scales', 10],
    ['her song', 20],
  ]);
  expect([writing.note.value, writing.kept.value, writing.doneMinutes.value]).toEqual([
    'She sang.',
    false,
    30,
  ]);
});

test('what is typed is there after a reload, over the version it began from; given up, what was done is back', async () => {
  const { writing } = await begin();
  writing.setMinutes(0, 25);
  writing.setNote('Left hand tired.');
  expect(writing.doneMinutes.value).toBe(45);
  leave();
  const later = (await begin(lessonOf({ version: 8 }))).writing;
  expect([later.note.value, later.doneMinutes.value, later.draftFrom.value]).toEqual([
    'Left hand tired.',
    45,
    house.now,
  ]);
  house.answer = () => lessonOf({ version: 6, state: 'written' });
  await later.keeping.keep();
  expect(sent()).toMatchObject([{ version: 5, note: 'Left hand tired.', nothingTaught: false }]);
  leave();
  const third = (await begin()).writing;
  third.setNote('again');
  third.dropDraft();
  expect([third.note.value, third.doneMinutes.value, localStorage.length]).toEqual(['', 30, 0]);
});

test('laying it out is not typing: a look leaves no draft', async () => {
  await begin();
  expect(localStorage.length).toBe(0);
});

test('kept, it is gone from this browser: draft and run; typed again it is not kept', async () => {
  useRuns().value = {
    lesson: { ...startRun('run', null, 0), note: 'x' },
    other: startRun('other', null, 0),
  };
  const { writing } = await begin();
  writing.setNote('Done.');
  house.answer = () => lessonOf({ version: 6, state: 'written' });
  expect(await writing.keeping.keep()).toBe(true);
  expect([writing.kept.value, localStorage.length, Object.keys(useRuns().value)]).toEqual([
    true,
    0,
    ['other'],
  ]);
  expect(house.readAnew).toEqual(['board', 'student']);
  writing.setNote('Done, and more.');
  expect([writing.kept.value, localStorage.length]).toEqual([false, 1]);
  // Kept once more it goes over the version of the first time.
  await writing.keeping.keep();
  expect(sent().map((one) => one.version)).toEqual([5, 6]);
});

test('minutes typed as words or below zero count as none; the rows say what was typed', async () => {
  const { writing } = await begin();
  for (const [typed, sum] of [
    ['', 20],
    ['x', 20],
    [-4, 20],
    ['12', 32],
  ] as const) {
    writing.setMinutes(0, typed);
    expect([typed, writing.doneMinutes.value]).toEqual([typed, sum]);
  }
});

test('nothing taught is said once, not for the next time', async () => {
  const { writing } = await begin();
  house.answer = away;
  await writing.keepEmpty();
  expect(writing.keeping.trouble.value).toMatch(/^Write-up not kept/);
  await writing.keeping.keep();
  expect(sent().map((one) => one.nothingTaught)).toEqual([true, false]);
});

test('a newer one met on keeping is shown beside, in words; taken, it stands here', async () => {
  const { writing } = await begin();
  writing.setNote('mine');
  house.answer = ([path]) =>
    path === routes.keepWriteUp.path ? refused('write.stale')() : lessonOf({ version: 9, note: 'theirs' });
  await writing.keeping.keep();
  expect(writing.keeping.theirs.value).toBe('scales 10 min, her song 20 min\ntheirs');
  expect(writing.note.value).toBe('mine');
  await writing.keeping.takeTheirs();
  expect(writing.note.value).toBe('theirs');
});

test('a newer version seen while it is open changes nothing typed; another lesson is laid out anew', async () => {
  const { writing, shown } = await begin();
  writing.setNote('mine');
  shown.value = lessonOf({ version: 7, note: 'theirs' });
  await settle();
  expect(writing.note.value).toBe('mine');
  shown.value = lessonOf({ id: 'other', note: 'other' });
  await settle();
  expect(writing.note.value).toBe('other');
  expect(localStorage.length).toBe(1);
});
