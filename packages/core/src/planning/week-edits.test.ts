import { ringCheck } from '../drills';
import { dayMinutes, type HomeWeek } from './home-week';
import { cellLengthened, rowTakenOut } from './week-edits';

const row = (id: string, minutes: readonly number[]): HomeWeek['rows'][number] => ({
  id,
  kind: 'repair',
  title: { code: 'title.blank', values: { text: id } },
  because: { code: 'because.begun', values: {} },
  skillId: null,
  recipe: ringCheck({ chord: 'Em', frets: [0, 2, 2, 0, 0, 0] }),
  effort: 10,
  barreShare: 0,
  minutes,
  aimBpm: null,
});
const week: HomeWeek = {
  schemaVersion: 1,
  days: ['2026-03-03', '2026-03-04'].map((day) => ({ day, minutes: 12 })),
  rows: [row('a', [3, 0]), row('b', [5, 180])],
  leftOut: [],
  modelVersion: 'week-1',
};

test('minutes of one day of one row change and nothing else does', () => {
  const longer = cellLengthened(week, 0, 1, 2);
  expect(longer.rows.map(({ minutes }) => minutes)).toEqual([
    [3, 2],
    [5, 180],
  ]);
  expect(dayMinutes(longer, 1)).toBe(182);
  expect(week.rows[0].minutes).toEqual([3, 0]);
});

test('there are never fewer than none nor more than a day may have; what changes nothing is the same week', () => {
  expect(cellLengthened(week, 0, 0, -9).rows[0].minutes).toEqual([0, 0]);
  for (const [at, day, by] of [
    [0, 1, -1],
    [1, 1, 1],
    [7, 0, 1],
    [0, 7, 1],
  ])
    expect(cellLengthened(week, at, day, by)).toBe(week);
});

test('a row is taken out; one that is not there is not', () => {
  expect(rowTakenOut(week, 0).rows.map(({ id }) => id)).toEqual(['b']);
  expect(rowTakenOut(week, 5)).toBe(week);
});
