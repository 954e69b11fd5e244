import { routes, type GoalBody, type StudentBody, type SyllabusBody } from '@finch/contract';
import { firstSyllabus } from '@finch/core/syllabus';
import * as v from 'valibot';
import { toggled, weighed } from '../../session/goals';
import { goalWords } from '../../words/goal-words';
import { heldOf, offered } from './wishes';

const syllabus: SyllabusBody = v.parse(routes.syllabus.output, { version: '1', ...firstSyllabus });
const skill = (skillId: string, state: string) => ({ skillId, state }) as StudentBody['skills'][number];
const roots = syllabus.courses.find(({ id }) => id === 'way.roots');
if (!roots) throw new Error('no way by roots');

test('a wish says how much of it is held: clean and settled count, workable does not', () => {
  const skills = [
    skill(roots.skills[0], 'clean'),
    skill(roots.skills[1], 'settled'),
    skill(roots.skills[2], 'workable'),
  ];
  expect(heldOf('way.roots', skills, syllabus)).toEqual({ held: 2, of: roots.skills.length });
  expect(heldOf(roots.skills[2], skills, syllabus)).toEqual({ held: 0, of: 1 });
  expect(heldOf('gone', skills, syllabus)).toBeNull();
});

test('all ways in and all styles are offered, wished for or not', () => {
  const names = (kind: 'way in' | 'style') =>
    offered(kind, [], syllabus).map(({ goal }) => goal.id.split('.')[0]);
  expect(names('way in')).toEqual(['way', 'way', 'way', 'way']);
  expect(names('style').length).toBeGreaterThanOrEqual(3);
  expect(new Set(names('style'))).toEqual(new Set(['style']));
});

const goal = (id: string, more: Partial<GoalBody> = {}): GoalBody => ({
  id,
  weight: 'more',
  kind: 'piece',
  name: id,
  on: null,
  given: false,
  ...more,
});

test('ticked once it is wished for, twice it is not; the others stay in their order', () => {
  const ids = (goals: readonly GoalBody[]) => goals.map(({ id }) => id);
  expect(ids(toggled([goal('a'), goal('b')], goal('c')))).toEqual(['a', 'b', 'c']);
  expect(ids(toggled([goal('a'), goal('b')], goal('a')))).toEqual(['b']);
  // A part that was given is wished for once it is ticked.
  expect(toggled([goal('a', { given: true })], goal('a'))).toEqual([goal('a')]);
});

test('a weight that is moved makes a wish of what was given; no other moves', () => {
  const moved = weighed([goal('a', { given: true }), goal('b')], 'a', 'first');
  expect(moved).toEqual([goal('a', { weight: 'first' }), goal('b')]);
});

test('a goal says how far it is: its day, whether it was given, what is held', () => {
  const far = { held: 3, of: 7 };
  const on = '2026-03-12';
  const words = (of: Partial<GoalBody>, held: typeof far | null = far) =>
    goalWords(goal('a', of), held, '2026-03-02');
  expect(words({ on })).toBe('Concert in 10 days; 3 of 7 skills held');
  expect(words({ on, given: true })).toBe('Has a part in its concert in 10 days; 3 of 7 skills held');
  expect(words({ on: '2026-03-02' })).toBe('Concert today; 3 of 7 skills held');
  expect(words({ on: '2026-03-03' })).toBe('Concert tomorrow; 3 of 7 skills held');
  expect(words({ kind: 'way in' })).toBe('A way in; 3 of 7 skills held');
  expect(words({}, { held: 0, of: 0 })).toBe('A piece; needs no skill of the syllabus');
  expect(words({ kind: 'skill' }, { held: 1, of: 1 })).toBe('A skill; held');
  expect(words({ kind: 'skill' }, { held: 0, of: 1 })).toBe('A skill; not held yet');
  expect(words({}, null)).toBe('A piece');
});
