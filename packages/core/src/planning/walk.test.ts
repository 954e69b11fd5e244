/** A block goes through the drills of its skill as far as the student is with it, its own the longest; and keeps its parts as it grows. */
import { makeDrill, type Recipe } from '../drills';
import { NOTHING_ON_RECORD, taughtHand } from '../hands';
import type { SkillState } from '../mastery';
import { firstSyllabus, type Skill } from '../syllabus';
import { walkIn, walkOf } from './walk';
import { nothingPlayed } from './nothing-played';

const NOW = Date.UTC(2026, 2, 2, 16);
const taught = taughtHand(NOTHING_ON_RECORD, NOW);
const nothing = nothingPlayed(NOW);
const skillOf = (id: string): Skill => {
  const skill = firstSyllabus.skills.find((one) => one.id === id);
  if (!skill) throw new Error(id);
  return skill;
};
const drillOf = (recipe: Recipe) => {
  const made = makeDrill(recipe, taught);
  return made.ok ? made.value : null;
};
const stateOf = (attempts: number, mean: number): SkillState => ({
  ...nothing.skills[0],
  attempts,
  chance: attempts === 0 ? null : { mean, low: mean, high: mean },
});
const walked = (id: string, minutes: number, state: SkillState, made = drillOf) => {
  const skill = skillOf(id);
  const [{ recipe }] = skill.practice;
  const drill = drillOf(recipe);
  if (!drill) throw new Error(id);
  return walkOf(skill, state, minutes, { recipe, drill }, made);
};
const said = (found: ReturnType<typeof walked>) =>
  found?.walk.map(({ step, minutes }) => `${step} ${minutes}`).join(', ') ?? null;

test('by how far the student is: what is new is found, held, changed to and used; what is held is used and heard', () => {
  expect(said(walked('open.c', 7, stateOf(0, 0)))).toBe('find 1, hold 3, change 2, use 1');
  expect(said(walked('open.c', 7, stateOf(5, 0.3)))).toBe('hold 3, change 2, hear 2');
  expect(said(walked('open.c', 7, stateOf(5, 0.6)))).toBe('hold 3, change 2, use 2');
  expect(said(walked('open.c', 4, stateOf(5, 0.95)))).toBe('hold 3, use 1');
});

test('short blocks have fewer drills, and the shortest one alone; the minutes are the block’s', () => {
  expect(said(walked('open.c', 5, stateOf(0, 0)))).toBe('find 1, hold 3, change 1');
  expect(said(walked('open.c', 3, stateOf(0, 0)))).toBe('hold 2, change 1');
  expect(walked('open.c', 2, stateOf(0, 0))).toBeNull();
  for (let minutes = 3; minutes <= 12; minutes++)
    expect(walked('open.c', minutes, stateOf(0, 0))?.walk.reduce((sum, part) => sum + part.minutes, 0)).toBe(
      minutes,
    );
});

test('what this hand cannot be asked is left out, and what is not wanted now is better than one drill alone', () => {
  const own = skillOf('open.c').practice;
  const without =
    (...steps: string[]) =>
    (recipe: Recipe) =>
      own.some((one) => steps.includes(one.step) && JSON.stringify(one.recipe) === JSON.stringify(recipe))
        ? null
        : drillOf(recipe);
  expect(said(walked('open.c', 7, stateOf(0, 0), without('change')))).toBe('find 2, hold 3, use 2');
  expect(said(walked('open.c', 7, stateOf(5, 0.6), without('change', 'use')))).toBe('find 2, hold 5');
  expect(walked('open.c', 7, stateOf(0, 0), () => null)).toBeNull();
});

test('a block that presses no barre goes on without one; effort and barre minutes are those of its parts', () => {
  const open = walked('open.c', 7, stateOf(0, 0), (recipe) => {
    const drill = drillOf(recipe);
    return drill && { ...drill, hasBarre: true };
  });
  expect(open).toBeNull();
  const found = walked('open.c', 7, stateOf(5, 0.3));
  const skill = skillOf('open.c');
  const effort = (step: string) => {
    const one = skill.practice.find((practice) => practice.step === step);
    return (one && drillOf(one.recipe)?.effort) ?? Number.NaN;
  };
  // Nothing is pressed while it is heard.
  expect(found?.effort).toBeCloseTo((3 * effort('hold') + 2 * effort('change')) / 7, 9);
  expect(found?.barreMinutes).toBe(0);
});

test('in other minutes the longest part gives and takes; then the last but its own goes, and one alone is no walk', () => {
  const walk = walked('open.c', 7, stateOf(0, 0))?.walk ?? [];
  const [{ recipe: own }] = skillOf('open.c').practice;
  const at = (minutes: number) =>
    walkIn(walk, minutes, own)
      ?.map((part) => `${part.step} ${part.minutes}`)
      .join(', ');
  expect(at(9)).toBe('find 1, hold 5, change 2, use 1');
  expect(at(5)).toBe('find 1, hold 2, change 1, use 1');
  expect(at(3)).toBe('find 1, hold 1, change 1');
  expect(at(2)).toBe('find 1, hold 1');
  expect(at(1)).toBeUndefined();
  // Its own stays also where it stands last.
  const last = walk.filter(({ step }) => step !== 'use').map((part) => ({ ...part, minutes: 1 }));
  const change = last[2].recipe;
  expect(walkIn(last, 2, change)?.map(({ step }) => step)).toEqual(['find', 'change']);
});
