import { NO_HISTORY, withPoint } from './history';
import { progressOf } from './progress';
import type { SkillState } from './skill-state';

const DAY = 86_400_000;
const NOW = Date.UTC(2026, 5, 9);
const names = new Map([
  ['a', 'A to D'],
  ['b', 'C to G'],
]);
/** A skill with a take on each of some days before now, and its number today. */
const skill = (skillId: string, takes: [daysAgo: number, mean: number][], now: number) => ({
  skillId,
  state: (now >= 0.8 ? 'clean' : 'workable') as SkillState['state'],
  chance: { mean: now, low: now, high: now },
  history: takes.reduce(
    (history, [ago, mean]) =>
      withPoint(history, { at: NOW - ago * DAY, mean, low: mean, high: mean, clean: true }),
    NO_HISTORY,
  ),
});
const five = (...means: number[]): [number, number][] => means.map((mean, i) => [20 - 4 * i, mean]);

test('what rose most in three weeks is told in times out of ten, from where it stood before them', () => {
  const a = skill('a', [[40, 0.31], ...five(0.4, 0.5, 0.55, 0.6, 0.62)], 0.62);
  const b = skill('b', five(0.3, 0.4, 0.6, 0.7, 0.74), 0.74);
  expect(progressOf([a, b], names, NOW)).toEqual({
    code: 'report.rose',
    values: { skill: 'C to G', was: 3, now: 7, weeks: 3 },
  });
  expect(progressOf([a], names, NOW).values).toMatchObject({ skill: 'A to D', was: 3, now: 6 });
});

test('a small rise, few takes and what the syllabus does not name are not told: how much is held is', () => {
  const little = skill('a', five(0.75, 0.8, 0.82, 0.85, 0.9), 0.9);
  const few = skill('b', [[3, 0.1], [1, 0.7]], 0.7); // prettier-ignore
  const gone = skill('gone', five(0.1, 0.3, 0.5, 0.7, 0.9), 0.9);
  expect(progressOf([little, few, gone], names, NOW)).toEqual({
    code: 'report.held',
    values: { held: 2, begun: 3 },
  });
  expect(progressOf([], names, NOW)).toEqual({ code: 'report.nothing', values: {} });
});
