/** The week without a browser: which days by which zone's midnight, what is on them, and what a booking is about. */
import { ref, shallowRef, type Ref } from 'vue';
import { answered } from '../../app/keys';
import { enter, leave } from '../../test-house';
import { useWeek, type WeekLesson } from './use-week';

const desk = {
  zone: 'Pacific/Auckland' as string | undefined,
  now: Date.parse('2026-06-10T20:30:00Z'),
  lessons: shallowRef<{ lessons: WeekLesson[] } | undefined>(),
  asked: [] as { from: string; to: string }[],
  key: ref<unknown[]>([]) as Ref<unknown[]>,
};
jest.mock('@tanstack/vue-query', () => ({
  useQuery: (options: { queryKey: Ref<unknown[]>; queryFn: () => void }) => {
    desk.key = options.queryKey;
    options.queryFn();
    return { data: desk.lessons, error: ref(null), isPending: ref(false), refetch: options.queryFn };
  },
}));
jest.mock('../../session/api', () => ({
  call: (_: unknown, { query }: { query: { from: string; to: string } }) => desk.asked.push(query),
}));
jest.mock('../../session/queries', () => ({
  useBoard: () => ({ data: ref({ students: [{ id: 'ode', name: 'Ode Pettibrand', age: 23 }] }) }),
}));
jest.mock('../../session/seat', () => ({
  useSeat: () => ({
    now: () => desk.now,
    studio: desk.zone ? { timeZone: desk.zone } : null,
    seat: { membershipId: 'm1' },
  }),
}));
const at = (id: string, startsAt: string): WeekLesson =>
  ({ id, startsAt, minutes: 45, studentId: 'ode', name: 'Ode Pettibrand' }) as WeekLesson;
const press = (name: string, which = 0) =>
  answered()
    .find((one) => one.place === 'week')
    ?.hints.find((hint) => hint.does.includes(name))
    ?.run(which);
beforeEach(() => {
  Object.assign(desk, { zone: 'Pacific/Auckland', roles: ['teacher'], asked: [] });
  desk.lessons.value = undefined;
});
afterEach(leave);

test('the week runs from Monday to Sunday by the clocks of the studio', () => {
  const week = enter(useWeek);
  // Half past eight in the evening UTC is Thursday the 11th in Auckland; its Monday begins on Sunday, UTC.
  expect(desk.asked).toEqual([{ from: '2026-06-07T12:00:00.000Z', to: '2026-06-14T12:00:00.000Z' }]);
  expect([0, 1, 2, 3, 4, 5, 6].filter(week.isToday)).toEqual([3]);
  expect(desk.key.value).toEqual(['lessons', '2026-06-07T12:00:00.000Z', 'm1']);
  desk.zone = undefined;
  expect([0, 1, 2, 3, 4, 5, 6].filter(enter(useWeek).isToday)).toEqual([2]);
});

test('a lesson lies on the day of the studio, at midnight on the one that begins', () => {
  desk.lessons.value = {
    lessons: [at('eve', '2026-06-10T11:59:00Z'), at('midnight', '2026-06-10T12:00:00Z')],
  };
  const week = enter(useWeek);
  expect([0, 1, 2, 3, 4, 5, 6].map((day) => week.lessonsOf(day).map((one) => one.id))).toEqual([
    [],
    [],
    ['eve'],
    ['midnight'],
    [],
    [],
    [],
  ]);
  expect([week.hours.value[0], week.hours.value.at(-1)]).toEqual([0, 23]);
});

test('while nothing is read no day has a lesson, and the hours are a teacher’s usual ones', () => {
  const week = enter(useWeek);
  expect([week.lessonsOf(3), week.hours.value]).toEqual([[], [9, 10, 11, 12, 13, 14, 15, 16, 17, 18, 19]]);
});

test('keys go to the weeks beside, home again, and book the next full hour of the week shown', () => {
  const week = enter(useWeek);
  press('week', 1);
  press('week', 1);
  expect(week.weeks.value).toBe(2);
  press('book');
  expect([week.booking.value, new Date(week.from.value).toISOString()]).toEqual([
    true,
    '2026-06-21T13:00:00.000Z',
  ]);
  press('this week');
  expect([week.weeks.value, new Date(week.nextHour()).toISOString()]).toEqual([
    0,
    '2026-06-10T21:00:00.000Z',
  ]);
  // On the hour itself the next one is meant: a lesson is not booked for a moment that is gone.
  desk.now = Date.parse('2026-06-10T21:00:00Z');
  expect(new Date(week.nextHour()).toISOString()).toBe('2026-06-10T22:00:00.000Z');
  desk.now = Date.parse('2026-06-10T20:30:00Z');
});

test('a booking is about an hour or about a lesson, never about the lesson of before', () => {
  const week = enter(useWeek);
  const lesson = at('one', '2026-06-10T11:00:00Z');
  week.change(lesson);
  expect([week.booking.value, week.chosen.value?.id]).toEqual([true, 'one']);
  week.book(7);
  expect([week.chosen.value, week.from.value]).toEqual([null, 7]);
});
