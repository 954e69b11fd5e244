import { recipeSchema } from '@finch/contract';
import { makeDrill, type Recipe } from '@finch/core/drills';
import { averageHand, standardGuitar } from '@finch/core/fretboard';
import * as v from 'valibot';
import { drillFields, drillToggles, tempoOf, withTempo } from './drill-fields';
import { FAMILY_GROUPS, firstRecipe } from './families';

const F = { chord: 'F', frets: [1, 3, 3, 2, 1, 1] };
const recipes = FAMILY_GROUPS.flatMap((group) =>
  group.families.map((one) => firstRecipe(one.family, { grip: F, from: null, instrument: standardGuitar })),
);
const passes = (recipe: Recipe) => v.safeParse(recipeSchema, JSON.parse(JSON.stringify(recipe))).success;

describe.each(recipes.map((recipe) => [recipe.family, recipe] as const))('%s', (_, recipe) => {
  const fields = drillFields(recipe, 6);

  test('every field shows what the recipe holds, among its own options', () => {
    for (const field of fields) expect(field.options.map((one) => one.value)).toContain(field.value);
    expect(new Set(fields.map((field) => field.label)).size).toBe(fields.length);
  });

  test('every choice makes a recipe of the same family that can be stored', () => {
    for (const field of fields)
      for (const option of field.options) {
        const chosen = field.choose(option.value);
        expect(chosen.family).toBe(recipe.family);
        expect(passes(chosen)).toBe(true);
      }
  });

  test('a choice made is the choice shown, and choosing it again changes nothing', () => {
    for (const [i, field] of fields.entries())
      for (const option of field.options) {
        const chosen = field.choose(option.value);
        const again = drillFields(chosen, 6).find((one) => one.label === field.label) ?? fields[i];
        expect(again.value).toBe(option.value);
        expect(again.choose(option.value)).toEqual(chosen);
      }
  });
});

test('a value nobody would choose here is still shown as it is', () => {
  const [walk] = recipes.filter((one) => one.family === 'string walk');
  if (walk.family !== 'string walk') throw new Error('another family');
  const odd = { ...walk, parameters: { ...walk.parameters, key: 'D dorian', calls: 7 } };
  const fields = drillFields(odd, 6);
  expect(fields.find((one) => one.label === 'Notes of')?.value).toBe('D dorian');
  expect(fields.find((one) => one.label === 'Calls after')?.options[0]).toEqual({ value: '7', text: '7' });
});

test('four strings have two sets of three', () => {
  const [triads] = recipes.filter((one) => one.family === 'close triads');
  const sets = drillFields(triads, 4).find((one) => one.label === 'Strings')?.options;
  expect(sets?.map((one) => one.value)).toEqual(['3 2 1', '4 3 2']);
});

test('a new root takes the progression along', () => {
  const [triads] = recipes.filter((one) => one.family === 'close triads');
  const moved = drillFields(triads, 6)[0].choose('Eb');
  expect(moved.family === 'close triads' && moved.parameters.progression?.key).toBe('Eb major');
});

test('qualities of a formula go in and out one by one', () => {
  const [formula] = recipes.filter((one) => one.family === 'formula');
  const toggles = drillToggles(formula);
  expect(toggles.every((one) => one.on)).toBe(true);
  const fewer = toggles[0].flip();
  expect(drillToggles(fewer).filter((one) => !one.on)).toHaveLength(1);
  const back = drillToggles(fewer)[0].flip();
  expect(drillToggles(back).every((one) => one.on)).toBe(true);
  expect(makeDrill(fewer, { hand: averageHand, instrument: standardGuitar }).ok).toBe(true);
  expect(drillToggles(recipes[0])).toEqual([]);
});

test.each([
  [72, 72],
  [5, 30],
  [900, 208],
  [Number.NaN, 30],
])('a tempo of %d is held at %i', (typed, held) => {
  const [loop] = recipes.filter((one) => one.family === 'change loop');
  expect(tempoOf(loop)).toBeNull();
  expect(tempoOf(withTempo(loop, typed))).toBe(held);
});
