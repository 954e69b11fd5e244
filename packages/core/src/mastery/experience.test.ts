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
import { beginsWith, experienceOf, monthsOf, stageOf } from './experience';

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
  expect(stageOf({ months: 60, from }).slowness).toBe(0.25);
  expect(stageOf(null).slowness).toBeCloseTo(Math.exp(stageFactor(null)), 12);
});

test('of what is heavy a hand of years feels a share, by hand: all in the first month, never nothing; all where nobody said', () => {
  const share = (months: number) => stageOf({ months, from }).heavyShare;
  expect(share(0)).toBe(1);
  expect(share(12)).toBeCloseTo(0.35 + 0.65 / Math.E, 12);
  expect(share(600)).toBeCloseTo(0.35, 9);
  expect(stageOf(null).heavyShare).toBe(1);
});

describe('as a teacher reads it: chance of a clean first try', () => {
  const GRIPS = {
    C: [null, 3, 2, 0, 1, 0],
    G: [3, 2, 0, 0, 0, 3],
    F: [1, 3, 3, 2, 1, 1],
    Bb: [null, 1, 3, 3, 3, 1],
    Eb: [null, 6, 8, 8, 8, 6],
    Em: [12, 14, 14, 12, 12, 12],
    Ebm: [11, 13, 13, 11, 11, 11],
  } as const;
  const change = (from: keyof typeof GRIPS, to: keyof typeof GRIPS, tempoBpm: number) =>
    changeLoop({
      grips: [from, to].map((chord) => ({ chord, frets: [...GRIPS[chord as keyof typeof GRIPS]] })),
      beatsEach: 4,
      tempoBpm,
    });
  const C_TO_G = (tempoBpm: number) => change('C', 'G', tempoBpm);
  const chance = (
    recipe: Parameters<typeof makeDrill>[0],
    months: number | null,
    hand: Hand = averageHand,
  ) => {
    const on = { hand, instrument: standardGuitar };
    const drill = must(makeDrill(recipe, on));
    const grader = makeGrader(on, stageOf(months === null ? null : { months, from }));
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

  test.each([
    ['C to the barre of F', change('C', 'F', 60)],
    ['two barres in a flat key', change('Bb', 'Eb', 60)],
  ])(
    '%s at 60: nothing for a first month, one in ten after a year, as likely as not after five',
    (_, recipe) => {
      const [first, year, five] = [1, 12, 60].map((months) => chance(recipe, months));
      expect(first).toBeLessThan(0.03);
      expect(year).toBeGreaterThan(0.07);
      expect(year).toBeLessThan(0.25);
      expect(five).toBeGreaterThan(0.45);
      expect(five).toBeLessThan(0.7);
    },
  );

  test('barres high on the neck are lighter than at the nut, for a player of years as for a beginner', () => {
    for (const months of [6, 60])
      expect(chance(change('Em', 'Ebm', 60), months)).toBeGreaterThan(
        chance(change('Bb', 'Eb', 60), months) + 0.03,
      );
    expect(chance(change('Em', 'Ebm', 60), 60)).toBeGreaterThan(0.6);
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
