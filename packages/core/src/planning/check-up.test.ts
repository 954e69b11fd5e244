/** What a check-up asks: the same items each term, of as many strands as there are, what this hand may play, never ending on the hardest. */
import { evidenceOf, makeDrill, ringCheck } from '../drills';
import { makeHand } from '../fretboard';
import { NOTHING_ON_RECORD, taughtHand } from '../hands';
import { must } from '../kernel';
import type { SkillState, StudentState } from '../mastery';
import { firstSyllabus } from '../syllabus';
import { checkUpItems } from './check-up';
import { nothingPlayed } from './nothing-played';

const NOW = Date.UTC(2026, 2, 2, 16);
const taught = taughtHand(NOTHING_ON_RECORD, NOW);
const on = { syllabus: firstSyllabus, taught, waived: [] as string[] };
const nothing = nothingPlayed(NOW);
const chance = (mean: number) => ({ mean, low: mean - 0.1, high: mean + 0.1 });
const state = (given: Readonly<Record<string, Partial<SkillState>>>): StudentState => ({
  ...nothing,
  skills: nothing.skills.map((one) => ({ ...one, ...given[one.skillId] })),
});
const held = (means: Readonly<Record<string, number>>, attempts = 5) =>
  state(
    Object.fromEntries(Object.entries(means).map(([id, mean]) => [id, { attempts, chance: chance(mean) }])),
  );
const ids = (items: readonly { skillId: string }[]) => items.map(({ skillId }) => skillId);
const strandOf = (id: string) => firstSyllabus.skills.find((skill) => skill.id === id)?.strand;

test('nobody has played: nothing is asked', () => {
  expect(checkUpItems(nothing, on, [])).toEqual([]);
});

test('six items at most, a strand once before any twice, nearest to .65, the likeliest first and the second likeliest last', () => {
  const means = {
    'open.em': 0.95,
    'open.am': 0.7,
    'open.c': 0.64,
    'open.g': 0.3,
    'near.c-g': 0.6,
    'near.am-c': 0.5,
    'scales.minor-box-1': 0.4,
    'rhythm.beats': 0.8,
  };
  const known = Object.fromEntries(Object.entries(means).filter(([id]) => strandOf(id)));
  const items = checkUpItems(held(known), on, []);
  expect(items.length).toBe(Math.min(6, Object.keys(known).length));
  const strands = new Set(Object.keys(known).map(strandOf));
  expect(new Set(ids(items).map(strandOf))).toEqual(strands);
  expect(ids(items)).toContain('open.c');
  const order = ids(items).map((id) => known[id]);
  expect(order[0]).toBe(Math.max(...order));
  expect(order.slice(0, -1).toSorted((a, b) => b - a)).toEqual(order.slice(0, -1));
  expect(order.at(-1)).toBe(order.toSorted((a, b) => b - a)[1]);
});

test('a strand nothing is asked of comes before what lies nearer', () => {
  const open = firstSyllabus.skills.filter(
    ({ id, strand }) => strand === strandOf('open.em') && id !== 'open.em',
  );
  const near = Object.fromEntries(open.slice(0, 8).map(({ id }) => [id, 0.65]));
  expect(ids(checkUpItems(held({ ...near, 'rhythm.beats': 0.99 }), on, []))).toContain('rhythm.beats');
});

test('the same as last term, with the recipe it had; what is missing is filled up', () => {
  const other = ringCheck({ chord: 'Em', frets: [0, 2, 2, 0, 0, 3] });
  const before = [
    { skillId: 'open.em', recipe: other },
    { skillId: 'gone', recipe: other },
  ];
  const items = checkUpItems(held({ 'open.em': 0.99, 'open.am': 0.6 }), on, before);
  expect(items).toContainEqual(before[0]);
  expect(ids(items).toSorted()).toEqual(['open.am', 'open.em']);
});

test('not what was hardly met, is waived, is not played, or is over the limit of the hand', () => {
  expect(checkUpItems(held({ 'open.em': 0.6 }, 2), on, [])).toEqual([]);
  expect(checkUpItems(held({ 'open.em': 0.6 }), { ...on, waived: ['open.em'] }, [])).toEqual([]);
  const heard = firstSyllabus.skills.filter(({ practice }) => evidenceOf(practice[0].recipe) !== 'play');
  expect(heard.length).toBeGreaterThan(5);
  expect(checkUpItems(held(Object.fromEntries(heard.map(({ id }) => [id, 0.6]))), on, [])).toEqual([]);
  const called = firstSyllabus.skills.filter(
    ({ practice }) => must(makeDrill(practice[0].recipe, taught)).judged === 'calls',
  );
  expect(called.some(({ practice }) => evidenceOf(practice[0].recipe) === 'play')).toBe(true);
  expect(checkUpItems(held(Object.fromEntries(called.map(({ id }) => [id, 0.6]))), on, [])).toEqual([]);
  const small = {
    ...taught,
    hand: must(makeHand({ sizeFactor: 0.8 })),
    limits: { ...taught.limits, gripEffort: 30 },
  };
  const all = held(Object.fromEntries(firstSyllabus.skills.map(({ id }) => [id, 0.6])));
  for (const { recipe } of checkUpItems(all, { ...on, taught: small }, []))
    expect(must(makeDrill(recipe, small)).heaviestGrip).toBeLessThanOrEqual(30);
});
