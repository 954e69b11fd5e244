/** What a lesson left to come back to: not reached first, then what lies at home, two at most. */
import type { DoneBlock } from './done';
import type { LessonPlan, PlanBlock } from './plan';
import { promisesOf } from './promises';

const block = (id: string, skillId: string | null, kind: PlanBlock['kind'] = 'repair'): PlanBlock => ({
  id,
  kind,
  minutes: 5,
  title: { code: '', values: {} },
  because: { code: '', values: {} },
  skillId,
  recipe: null,
  effort: 0,
  barreMinutes: 0,
  locked: false,
});
const plan: LessonPlan = {
  schemaVersion: 1,
  minutes: 30,
  blocks: [
    block('w', null, 'warm up'),
    block('a', 'open.c'),
    block('r', 'open.e', 'rest'),
    block('b', 'open.g'),
    block('c', 'open.d'),
  ],
  leftOut: [],
  modelVersion: 'test',
};
const done = (minutes: Readonly<Record<string, number>>): DoneBlock[] =>
  Object.entries(minutes).map(([blockId, lasts]) => ({
    blockId,
    minutes: lasts,
    title: { code: '', values: {} },
    kind: 'repair',
    takes: { clean: 0, nearly: 0, notYet: 0 },
    brought: false,
  }));

test('what nobody reached is promised, in its order; what was on for a minute is not', () => {
  expect(promisesOf(plan, done({ w: 3, a: 5, b: 0.9 }), [])).toEqual(['open.g', 'open.d']);
  expect(promisesOf(plan, done({ w: 3, a: 5, b: 1, c: 4 }), [])).toEqual([]);
});

test('then what was given home, the newest first, each once and two in all', () => {
  expect(promisesOf(plan, done({ a: 5, b: 5 }), ['near.c-g', 'open.d', null])).toEqual([
    'open.d',
    'near.c-g',
  ]);
  expect(promisesOf(null, [], [null, 'near.c-g', 'near.c-g', 'open.e', 'open.a'])).toEqual([
    'near.c-g',
    'open.e',
  ]);
});
