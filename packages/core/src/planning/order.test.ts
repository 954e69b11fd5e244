/** Orders of a handful of blocks: each rule by a case that only it decides. */
import { orderOf, type OrderRules, type Placed } from './order';
import type { PlanBlock } from './plan';

const RULES: OrderRules = { promised: [], first: [], mostLoad: 99 };
let n = 0;
const placed = (
  id: string,
  more: Partial<PlanBlock> = {},
  rest: Partial<Omit<Placed, 'block'>> = {},
): Placed => ({
  block: {
    id,
    kind: 'repair',
    minutes: 5,
    title: { code: '', values: {} },
    because: { code: '', values: {} },
    skillId: id,
    recipe: null,
    effort: 10,
    barreMinutes: 0,
    locked: false,
    ...more,
  },
  family: `family ${n++}`,
  exercises: [],
  chance: null,
  ...rest,
});
const ids = (row: readonly Placed[] | null) => row?.map(({ block }) => block.id) ?? null;
const warm = placed('warm', { kind: 'warm up' });
const home = placed('home', { kind: 'take home' });

test('what breaks no rule stays as it was given, between what opens and what closes', () => {
  expect(ids(orderOf([warm], [placed('a'), placed('b')], [home], RULES))).toEqual(['warm', 'a', 'b', 'home']);
  expect(ids(orderOf([warm], [], [home], RULES))).toEqual(['warm', 'home']);
});

test('what slipped most comes first, whatever was given first', () => {
  const open = [placed('a'), placed('b'), placed('c')];
  expect(ids(orderOf([warm], open, [], { ...RULES, first: ['c'] }))).toEqual(['warm', 'c', 'a', 'b']);
  expect(ids(orderOf([warm], open, [], { ...RULES, promised: ['b'], first: ['c'] }))).toEqual([
    'warm',
    'b',
    'c',
    'a',
  ]);
  // One that is both stands for both.
  expect(ids(orderOf([warm], open, [], { ...RULES, promised: ['b'], first: ['b'] }))).toEqual([
    'warm',
    'b',
    'a',
    'c',
  ]);
  expect(ids(orderOf([warm], open, [], { ...RULES, first: ['nobody'] }))).toEqual(['warm', 'a', 'b', 'c']);
});

test('two barres do not touch, and where nothing stands between there is no order', () => {
  const [b, c] = [placed('b', { barreMinutes: 2 }), placed('c', { barreMinutes: 2 })];
  expect(ids(orderOf([], [b, c, placed('d')], [], RULES))).toEqual(['b', 'd', 'c']);
  expect(orderOf([], [b, c], [], RULES)).toBeNull();
});

test('no third of one family in a row; two are', () => {
  const same = ['a', 'b', 'c'].map((id) => placed(id, {}, { family: 'ring check' }));
  expect(ids(orderOf([], [...same, placed('d')], [], RULES))).toEqual(['a', 'b', 'd', 'c']);
  expect(orderOf([], same, [], RULES)).toBeNull();
  expect(ids(orderOf([], same.slice(1), [], RULES))).toEqual(['b', 'c']);
  expect(ids(orderOf([warm], same.slice(1), [], RULES))).toEqual(['warm', 'b', 'c']);
});

test('a thing is learned before it is used', () => {
  const use = placed('use', { kind: 'apply', skillId: 'song' }, { exercises: ['fresh'] });
  expect(ids(orderOf([], [use, placed('a'), placed('fresh', { kind: 'new' })], [], RULES))).toEqual([
    'a',
    'fresh',
    'use',
  ]);
  // What is used and not new may be used at any time.
  expect(ids(orderOf([], [use, placed('fresh')], [], RULES))).toEqual(['use', 'fresh']);
});

test('the last is not the least likely', () => {
  const [likely, unlikely] = [placed('likely', {}, { chance: 0.9 }), placed('unlikely', {}, { chance: 0.4 })];
  expect(ids(orderOf([warm], [likely, unlikely], [home], RULES))).toEqual([
    'warm',
    'unlikely',
    'likely',
    'home',
  ]);
  expect(ids(orderOf([], [unlikely], [], RULES))).toEqual(['unlikely']);
});

test('no minute passes the load of the hand: a rest goes where it helps, and without one there is no order', () => {
  const heavy = ['a', 'b'].map((id) => placed(id, { minutes: 8, effort: 60 }));
  const rest = placed('rest', { kind: 'rest', minutes: 6, effort: 0, skillId: null });
  // Eight minutes at .36 a minute come to about 2.2, and on to 3.3 with eight more at once.
  expect(ids(orderOf([], [...heavy, rest], [], { ...RULES, mostLoad: 2.9 }))).toEqual(['a', 'rest', 'b']);
  expect(orderOf([], heavy, [], { ...RULES, mostLoad: 2.9 })).toBeNull();
});
