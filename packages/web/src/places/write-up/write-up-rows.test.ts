import type { LessonBody } from '@finch/contract';
import type { PlanBlock } from '@finch/core/planning';
import { asPlanned, noteFrom, readMinutes, rowsOf, verdictOf, type Row } from './write-up-rows';

const block = (id: string, minutes: number): PlanBlock => ({
  id,
  kind: 'review',
  minutes,
  title: { code: 'title.skill', values: { skill: id } },
  because: { code: 'because.chosen', values: {} },
  skillId: null,
  recipe: null,
  effort: 0,
  barreMinutes: 0,
  locked: false,
});
const row = (blockId: string, minutes: number, brought = false): Row => ({
  blockId,
  title: { code: 'title.skill', values: { skill: blockId } },
  kind: 'review',
  minutes,
  takes: { clean: 1, nearly: 0, notYet: 0 },
  brought,
});
const plan = {
  schemaVersion: 1,
  minutes: 30,
  blocks: [block('a', 5), block('b', 9)],
  leftOut: [],
  modelVersion: '',
};
const lesson = (done: LessonBody['done']) => ({ plan, done }) as Pick<LessonBody, 'plan' | 'done'>;

test('a lesson that never was has nothing filled in', () => {
  const rows = rowsOf(lesson(null));
  expect(rows.map((one) => [one.blockId, one.minutes])).toEqual([
    ['a', 0],
    ['b', 0],
  ]);
  expect(verdictOf(rows[0], 5)).toBe('left');
  expect(asPlanned(rows, plan.blocks, 30).map((one) => one.minutes)).toEqual([5, 9]);
});

test('what was done stands in the order of the plan, what came besides after it', () => {
  const rows = rowsOf(lesson({ schemaVersion: 1, blocks: [row('song', 4, true), row('b', 8.04)] }));
  expect(rows.map((one) => [one.blockId, one.minutes])).toEqual([
    ['a', 0],
    ['b', 8],
    ['song', 4],
  ]);
  expect(rows.map((one, i) => verdictOf(one, [5, 9, undefined][i]))).toEqual(['left', 'covered', 'brought']);
  expect(verdictOf(row('x', 4), undefined)).toBe('besides');
  expect(verdictOf(row('b', 7.4), 9)).toBe('in part');
  expect(verdictOf(row('b', 7.5), 9)).toBe('covered');
});

test('a lesson without a plan has one row for its minutes', () => {
  const rows = rowsOf({ plan: null, done: null });
  expect(rows).toHaveLength(1);
  expect(asPlanned(rows, [], 45)[0].minutes).toBe(45);
});

test('the kept note comes first, then what the screens noted, then this one', () => {
  const share = { id: 's', at: null, movedAt: 0, blocks: [], note: 'from the tablet' };
  const done = { schemaVersion: 1 as const, blocks: [], shares: [share] };
  expect(noteFrom({ note: 'kept', done }, 'here')).toBe('kept');
  expect(noteFrom({ note: '', done }, 'here')).toBe('from the tablet');
  expect(noteFrom({ note: '', done: null }, 'here')).toBe('here');
});

test('what is typed for minutes is read as minutes or as none', () => {
  expect([readMinutes('7'), readMinutes(''), readMinutes('x'), readMinutes(-3), readMinutes(999)]).toEqual([
    7, 0, 0, 0, 240,
  ]);
});
