import { PLAN_MODEL_VERSION } from '@finch/core/planning';
import { standingWords } from './plan-standing';

const now = { busy: false, dirty: false };
const plan = { modelVersion: PLAN_MODEL_VERSION };

test.each([
  ['none', 'proposed'],
  ['begun', 'not kept yet'],
  ['kept', ''],
  ['changed', 'changed since kept'],
] as const)('a plan that is %s stands as "%s"', (standing, words) => {
  expect(standingWords(plan, standing, now)).toBe(words);
  expect(standingWords(null, standing, now)).toBe(words);
});

test('what was changed by hand comes before how it was kept, and weighing before both', () => {
  expect(standingWords(plan, 'kept', { ...now, dirty: true })).toBe('changed by hand, not kept yet');
  expect(standingWords(plan, 'kept', { busy: true, dirty: true })).toBe('weighing…');
});

test('a plan that an earlier planner proposed says so', () => {
  const old = { modelVersion: 'plan-0' };
  expect(standingWords(old, 'kept', now)).toBe('proposed by an earlier planner');
  expect(standingWords(old, 'changed', now)).toBe('changed since kept, proposed by an earlier planner');
});
