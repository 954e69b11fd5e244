/** A sound week breaks no rule; a week that breaks one is told which, by its day or its row, and no other names it. */
import { ringCheck } from '../drills';
import { weekBreachesOf, type WeekRule } from './careful-week';
import type { HomeWeek, WeekRow } from './home-week';

const row = (
  id: string,
  kind: WeekRow['kind'],
  minutes: readonly number[],
  more: Partial<WeekRow> = {},
): WeekRow => ({
  id,
  kind,
  title: { code: 'title.blank', values: { text: id } },
  because: { code: 'because.begun', values: {} },
  skillId: id,
  recipe: {
    ...ringCheck({ chord: 'Em', frets: [0, 2, 2, 0, 0, 0] }),
    family: id,
  } as unknown as WeekRow['recipe'],
  effort: 20,
  barreShare: 0,
  minutes,
  aimBpm: null,
  ...more,
});
/** Four days, the third of them off. */
const days: HomeWeek['days'] = [12, 12, 0, 12].map((minutes, i) => ({ day: `2026-06-1${i}`, minutes }));
const warm = row('warm up', 'warm up', [3, 3, 0, 3]);
const sound = [
  warm,
  row('fresh', 'new', [3, 3, 0, 3]),
  row('mended', 'repair', [3, 0, 0, 3]),
  row('due', 'review', [0, 3, 0, 0]),
  row('song', 'apply', [3, 3, 0, 3]),
];
const limits = { barreMinutes: 6, load: 5 };
const broken = (...rows: readonly WeekRow[]) =>
  weekBreachesOf({ days, rows }, limits).map(({ rule, found }) => `${rule}: ${found}`);

test('a sound week breaks none', () => expect(broken(...sound)).toEqual([]));

test.each<[WeekRule, string, readonly WeekRow[]]>([
  ['minutes', 'day 0', [warm, row('long', 'apply', [10, 0, 0, 0])]],
  ['cold', 'day 0', [row('long', 'apply', [10, 0, 0, 0])]],
  ['barre', 'day 0', [warm, row('barre', 'apply', [3, 0, 0, 0], { barreShare: 1 })]],
  ['reviews', 'day 1', [warm, row('due', 'review', [0, 7, 0, 0])]],
  ['nowhere', 'empty', [warm, row('empty', 'apply', [0, 0, 0, 0])]],
  ['reviewed once', 'due', [warm, row('due', 'review', [3, 3, 0, 0])]],
  ['mended twice', 'rough', [warm, row('rough', 'repair', [3, 0, 0, 0])]],
  ['never running', 'rough', [warm, row('rough', 'repair', [0, 3, 0, 3])]],
  ['each day', 'fresh', [warm, row('fresh', 'new', [3, 3, 0, 0])]],
  ['each day', 'given:x', [warm, row('given:x', 'repair', [3, 0, 0, 3])]],
])('%s is named by %s alone', (rule, where, rows) => {
  expect(broken(...rows)).toEqual([`${rule}: ${where}`]);
});

test('a day off is left alone, a hand is not loaded past its limit, three of a family are too many', () => {
  expect(broken(row('warm up', 'warm up', [3, 3, 1, 3]))).toEqual(['minutes: day 2', 'day off: day 2']);
  const heavy = [warm, row('heavy', 'apply', [9, 0, 0, 0], { effort: 100 })];
  expect(weekBreachesOf({ days, rows: heavy }, { ...limits, load: 1 }).map(({ rule }) => rule)).toEqual([
    'load',
  ]);
  const alike = ['a', 'b', 'c'].map((id) => row(id, 'apply', [3, 0, 0, 0], { recipe: warm.recipe }));
  expect(broken(row('warm up', 'warm up', [3, 0, 0, 0], { recipe: sound[1].recipe }), ...alike)).toEqual([
    'family: day 0',
  ]);
});

test('what is heard alone needs no warm hand', () => {
  expect(broken(row('heard', 'apply', [9, 0, 0, 0], { effort: 0 }))).toEqual([]);
  const heard = ['a', 'b', 'c'].map((id) =>
    row(id, 'repair', [3, 3, 0, 3], { effort: 0, recipe: warm.recipe }),
  );
  expect(broken(...heard)).toEqual([]);
});
