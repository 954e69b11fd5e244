import type { BoardLesson } from '@finch/contract';
import { isOver, tagOf } from './lesson-tags';

const NOW = Date.UTC(2026, 5, 9, 14, 52);
const lesson = (more: Partial<BoardLesson>): BoardLesson => ({
  id: 'a',
  studentId: 's',
  name: 'Pell',
  startsAt: new Date(NOW + 8 * 60_000).toISOString(),
  minutes: 45,
  minutesDone: 0,
  state: 'booked',
  version: 1,
  planStanding: 'none',
  planMinutes: 45,
  planComing: false,
  focus: null,
  pain: { status: 'free' },
  ...more,
});
const text = (more: Partial<BoardLesson>, isNext = false) => tagOf(lesson(more), isNext, NOW, 'UTC').text;

test('how a plan stands is said for each lesson ahead', () => {
  expect(text({})).toBe('proposed');
  expect(text({ planComing: true })).toBe('no plan yet');
  expect(text({ planComing: true, planStanding: 'kept' })).toBe('plan kept');
  expect(text({ planStanding: 'begun' })).toBe('plan not kept yet');
  expect(text({ planStanding: 'kept' })).toBe('plan kept');
  expect(text({ planStanding: 'kept', planMinutes: 46 })).toBe('1 minute over');
  expect(text({ planStanding: 'changed' })).toBe('changed since kept');
});

test('the next lesson is said by its minutes, a far one by its time, one begun by that', () => {
  expect(text({}, true)).toBe('in 8 min');
  expect(text({ startsAt: new Date(NOW + 3 * 3_600_000).toISOString() }, true)).toBe('at 17:52');
  expect(text({ startsAt: new Date(NOW - 60_000).toISOString() }, true)).toBe('now');
  expect(text({ state: 'running' }, true)).toBe('under way');
});

test('pain comes before any plan; what is over comes before pain', () => {
  expect(text({ pain: { status: 'locked' }, planStanding: 'kept' }, true)).toBe('nothing is played');
  expect(text({ pain: { status: 'locked' }, state: 'taught' })).toBe('write-up owed');
  expect(isOver(lesson({ state: 'running' }))).toBe(false);
  expect(isOver(lesson({ state: 'written' }))).toBe(true);
});
