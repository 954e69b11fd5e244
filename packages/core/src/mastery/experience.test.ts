/** What years of playing let one expect: worked by hand, and the cases a teacher reads. */
import { changeLoop, makeDrill, type Recipe } from '../drills';
import { averageHand, makeHand, standardGuitar, type Hand } from '../fretboard';
import { PRIOR_FIT } from '../hands';
import { must } from '../kernel';
import { stageFactor } from '../pace';
import { firstSyllabus } from '../syllabus';
import { cleanChance } from './ability';
import { MASTERY } from './constants';
import { makeGrader, takeLoad } from './difficulty';
import { beginsWith, experienceOf, monthsOf, slownessOf } from './experience';

const from = '2026-01-01T00:00:00Z';
const AT = Date.parse(from);
const MONTH = 30.44 * 86_400_000;

test('the word that holds speaks of the past as well; nobody said, or nobody knows: nothing', () => {
  expect(experienceOf([], AT)).toBeNull();
  expect(experienceOf([{ from, value: { months: null } }], AT)).toBeNull();
  const said = experienceOf([{ from, value: { months: 12 } }], AT);
  expect(monthsOf(said, AT + 2 * MONTH)).toBeCloseTo(14, 9);
  expect(monthsOf(said, AT - 20 * MONTH)).toBe(0);
  expect(monthsOf(null, AT)).toBeNull();
  const later = experienceOf(
    [
      { from, value: { months: 12 } },
      { from: '2026-03-01T00:00:00Z', value: { months: 36 } },
    ],
    AT + 4 * MONTH,
  );
  expect(later).toEqual({ months: 36, from: '2026-03-01T00:00:00Z' });
});

test('where a skill begins, by hand: below in the first weeks, above after years, never without end', () => {
  expect(beginsWith(0)).toBe(-1.2);
  expect(beginsWith(12)).toBeCloseTo(-1.2 + 0.72 * Math.log(9), 12);
  expect(beginsWith(null)).toBe(0);
  expect(beginsWith(5000)).toBe(2.2);
});

test('tempi are measured by the stage that was said, and by the middle of players where nobody said', () => {
  expect(slownessOf({ months: 60, from })).toBe(0.25);
  expect(slownessOf(null)).toBeCloseTo(Math.exp(stageFactor(null)), 12);
});

describe('as a teacher reads it: chance of a clean first try', () => {
  const C_TO_G = (tempoBpm: number) =>
    changeLoop({
      grips: [
        { chord: 'C', frets: [null, 3, 2, 0, 1, 0] },
        { chord: 'G', frets: [3, 2, 0, 0, 0, 3] },
      ],
      beatsEach: 4,
      tempoBpm,
    });
  const chance = (
    recipe: Parameters<typeof makeDrill>[0],
    months: number | null,
    hand: Hand = averageHand,
  ) => {
    const on = { hand, instrument: standardGuitar };
    const drill = must(makeDrill(recipe, on));
    const grader = makeGrader(on, slownessOf(months === null ? null : { months, from }));
    const load = takeLoad(drill, drill.items, grader, PRIOR_FIT);
    return cleanChance({ mean: beginsWith(months), variance: MASTERY.priorVariance }, load).mean;
  };

  test('C to G at 60: hardly in the first month, likely after five years; a nobody is between', () => {
    const [first, year, five] = [1, 12, 60].map((months) => chance(C_TO_G(60), months));
    expect(first).toBeLessThan(0.2);
    expect(five).toBeGreaterThan(0.7);
    expect(year).toBeGreaterThan(first);
    expect(year).toBeLessThan(five);
    expect(chance(C_TO_G(60), null)).toBeGreaterThan(first);
    expect(chance(C_TO_G(60), null)).toBeLessThan(five);
  });

  test('slower is easier at every tempo, and a small hand has it harder', () => {
    const byTempo = [30, 45, 60, 90, 140].map((bpm) => chance(C_TO_G(bpm), 12));
    expect(byTempo).toEqual(byTempo.toSorted((a, b) => b - a));
    expect(new Set(byTempo).size).toBe(5);
    const small = must(makeHand({ sizeFactor: 0.8 }));
    expect(chance(C_TO_G(60), 12, small)).toBeLessThan(chance(C_TO_G(60), 12) - 0.03);
  });

  test("a box of the minor pentatonic: two a beat at 60 is a beginner's, four a beat at 100 is not, and both are a player's", () => {
    const skill = firstSyllabus.skills.find(({ name }) => name === 'Minor pentatonic, first box');
    if (!skill) throw new Error('the box is in the syllabus');
    const [{ recipe }] = skill.practice;
    const box = (perBeat: number, tempoBpm: number): Recipe =>
      ({ ...recipe, parameters: { ...recipe.parameters, perBeat, tempoBpm } }) as Recipe;
    expect(chance(box(2, 60), 1)).toBeGreaterThan(0.4);
    expect(chance(box(4, 100), 1)).toBeLessThan(0.15);
    expect(chance(box(2, 60), 60)).toBeGreaterThan(0.9);
    expect(chance(box(4, 100), 60)).toBeGreaterThan(0.6);
  });
});
