import { recipeSchema } from '@finch/contract';
import { drillTitle, makeDrill } from '@finch/core/drills';
import { averageHand, standardGuitar } from '@finch/core/fretboard';
import * as v from 'valibot';
import { say } from '../../words';
import { FAMILY_GROUPS, firstRecipe, gripsHeld } from './families';

const grips = [
  { chord: 'C', frets: [null, 3, 2, 0, 1, 0] },
  { chord: 'Bbm7', frets: [6, 8, 6, 6, 6, 6] },
  { chord: 'F#m7b5', frets: [2, null, 2, 2, 1, null] },
];
const families = FAMILY_GROUPS.flatMap((group) => group.families.map((one) => one.family));

test('every family stands in the list once, with what it trains', () => {
  expect(new Set(families).size).toBe(families.length);
  expect(families).toHaveLength(14);
  for (const group of FAMILY_GROUPS) for (const one of group.families) expect(one.trains).not.toBe('');
});

describe.each(families)('%s', (family) => {
  test.each(grips)('begins with a recipe around $chord that can be made, stored and named', (grip) => {
    const recipe = firstRecipe(family, { grip, from: null, instrument: standardGuitar });
    expect(recipe.family).toBe(family);
    expect(makeDrill(recipe, { hand: averageHand, instrument: standardGuitar }).ok).toBe(true);
    const sent = JSON.parse(JSON.stringify(recipe));
    expect(v.parse(recipeSchema, sent)).toEqual(sent);
    expect(say(drillTitle(recipe))).not.toMatch(/^title\./);
  });
});

test('a loop comes from the grip held, or from a usual neighbour that is another', () => {
  const held = firstRecipe('change loop', { grip: grips[0], from: grips[1], instrument: standardGuitar });
  expect(held.family === 'change loop' && held.parameters.grips.map((grip) => grip.chord)).toEqual([
    'Bbm7',
    'C',
  ]);
  const am = { chord: 'Am', frets: [null, 0, 2, 2, 1, 0] };
  const alone = firstRecipe('change loop', { grip: am, from: null, instrument: standardGuitar });
  expect(alone.family === 'change loop' && alone.parameters.grips[0].chord).toBe('Em');
});

test('grips of one drill go on into the next family that plays several', () => {
  const four = [grips[0], grips[1], grips[2], { chord: 'Am', frets: [null, 0, 2, 2, 1, 0] }];
  const at = { grip: grips[0], from: null, grips: four, instrument: standardGuitar };
  for (const family of ['change loop', 'strum reading', 'picking pattern'] as const)
    expect(gripsHeld(firstRecipe(family, at))).toEqual(four);
  expect(gripsHeld(firstRecipe('ring check', at))).toEqual([]);
});
