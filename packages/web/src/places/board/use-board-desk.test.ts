/** The Board without a browser: which lesson is picked, what the day is called, in which order, and where it opens. */
import type { BoardBody, BoardLesson } from '@finch/contract';
import { nextTick, ref, shallowRef } from 'vue';
import { answered } from '../../app/keys';
import { emptyHouse, enter, house, leave } from '../../test-house';
import { useBoardDesk } from './use-board-desk';

const desk = {
  board: shallowRef<BoardBody | undefined>(),
  error: ref<Error | null>(null),
  now: Date.parse('2026-06-09T15:52:00Z'),
  benched: [] as unknown[][],
};
jest.mock('vue-router', () => jest.requireActual('../../test-house').modules.router);
jest.mock('../../session/queries', () => ({
  useBoard: () => ({ data: desk.board, error: desk.error, refetch: jest.fn() }),
}));
jest.mock('../../session/bench', () => ({
  useBench: () => ({ put: (...given: unknown[]) => desk.benched.push(given) }),
}));
jest.mock('../../session/seat', () => ({ useSeat: () => ({ now: () => desk.now }) }));

const lesson = (id: string, startsAt: string, more: Partial<BoardLesson> = {}): BoardLesson =>
  ({
    id,
    studentId: `s-${id}`,
    startsAt: `2026-06-09T${startsAt}:00Z`,
    minutes: 30,
    state: 'booked',
    planStanding: 'kept',
    ...more,
  }) as BoardLesson;
const board = (lessons: BoardLesson[], more: Partial<BoardBody> = {}): BoardBody =>
  ({
    day: '2026-06-09',
    today: '2026-06-09',
    timeZone: 'Atlantic/Faroe',
    lessons,
    students: [],
    ...more,
  }) as BoardBody;
const press = (name: string, which = 0) => {
  const found = answered().find((one) => one.place === 'board');
  found?.hints.find((hint) => hint.does.includes(name))?.run(which);
  return found !== undefined;
};
beforeEach(() => {
  emptyHouse();
  desk.benched.length = 0;
  desk.error.value = null;
  desk.board.value = board([
    lesson('past', '14:00'),
    lesson('taught', '15:40', { state: 'taught' }),
    lesson('now', '15:30'),
    lesson('later', '17:00', { planStanding: 'none' }),
  ]);
});
afterEach(leave);

test('the lesson under way or next is picked: not one that is past, not one that is taught', async () => {
  const one = enter(useBoardDesk);
  // Half past three and thirty minutes: over at four, eight minutes from now.
  expect([one.nextIndex.value, one.current.value?.id]).toEqual([2, 'now']);
  desk.board.value = board([lesson('past', '14:00')]);
  await nextTick();
  expect([one.nextIndex.value, one.current.value?.id]).toEqual([-1, 'past']);
  desk.board.value = board([lesson('ends', '15:22')]);
  await nextTick();
  expect(one.nextIndex.value).toBe(-1);
});

test('a day is called by what is known of it and no more', () => {
  const one = enter(useBoardDesk);
  expect(one.heading.value).toBe('Today, four lessons');
  desk.board.value = board([lesson('a', '10:00')], { day: '2026-06-11' });
  expect(one.heading.value).toMatch(/^Thu.* 11 June?, one lesson$/);
  desk.board.value = board([], { day: null });
  expect(one.heading.value).toMatch(/^Today, /);
  desk.board.value = undefined;
  expect(one.heading.value).toBe('Reading the day…');
  desk.error.value = new Error('away');
  expect(one.heading.value).toBe('The day could not be read');
});

test('arrows walk the lessons to either end; keys open the one picked, on the bench', () => {
  const one = enter(useBoardDesk);
  press('lesson', 0);
  press('lesson', 0);
  expect(one.current.value?.id).toBe('later');
  for (let i = 0; i < 9; i++) press('lesson', 1);
  expect(one.current.value?.id).toBe('past');
  one.open('lesson');
  one.open('plan', 3);
  one.open('write-up', 1);
  one.open('student', 2);
  one.open('plan', 9);
  expect(house.went).toEqual([
    { name: 'lesson', params: { lessonId: 'past' }, query: { start: 'now' } },
    { name: 'plan', params: { lessonId: 'later' }, query: {} },
    { name: 'write-up', params: { lessonId: 'taught' }, query: {} },
    { name: 'student', params: { studentId: 's-now' } },
  ]);
  expect(desk.benched).toEqual([
    ['s-past', 'past'],
    ['s-later', 'later'],
    ['s-taught', 'taught'],
    ['s-now', 'now'],
  ]);
});

test('without a lesson no key of the Board answers', async () => {
  desk.board.value = board([]);
  enter(useBoardDesk);
  expect(press('lesson')).toBe(false);
  desk.board.value = board([lesson('a', '17:00')]);
  await nextTick();
  expect(press('lesson')).toBe(true);
  leave();
  expect(press('lesson')).toBe(false);
});

test('a student opens with their lesson of the day on the bench, or with none', () => {
  const one = enter(useBoardDesk);
  one.openStudent('s-later');
  one.openStudent('other');
  expect(desk.benched).toEqual([
    ['s-later', 'later'],
    ['other', null],
  ]);
});

test('plans owed are those of lessons still ahead', () => {
  const one = enter(useBoardDesk);
  expect(one.plansOwed.value).toBe(1);
  desk.board.value = board([
    lesson('a', '17:00', { planStanding: 'changed' }),
    lesson('b', '18:00', { planStanding: 'none', state: 'written' }),
    lesson('c', '19:00'),
  ]);
  expect(one.plansOwed.value).toBe(1);
});
