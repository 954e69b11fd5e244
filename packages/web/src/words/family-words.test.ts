import { recipeSchema } from '@finch/contract';
import {
  drillTitle,
  FAMILIES,
  FAMILY_GROUPS,
  fieldsOf,
  firstRecipe,
  togglesOf,
  type DrillFamily,
} from '@finch/core/drills';
import { standardGuitar } from '@finch/core/fretboard';
import * as v from 'valibot';
import { say } from '.';
import { choiceText, FAMILY_WORDS, fieldLabel, GROUP_WORDS } from './family-words';

const F = { chord: 'F', frets: [1, 3, 3, 2, 1, 1] };
const first = (family: DrillFamily) =>
  firstRecipe(family, { grip: F, from: null, instrument: standardGuitar });
/** A name from code, which nobody should read: two words in one. */
const CODE = /[a-z][A-Z]|^title\./;

test('every group has its words', () => {
  for (const group of FAMILY_GROUPS) expect(GROUP_WORDS[group]).not.toBe('');
});

describe.each(FAMILIES.map((one) => one.name))('%s', (family) => {
  const recipe = first(family);

  test('says what it is called and what it trains', () => {
    expect(FAMILY_WORDS[family].trains.length).toBeGreaterThan(5);
    expect(say(drillTitle(recipe))).not.toMatch(CODE);
  });

  test('every field and every choice has words of its own', () => {
    const fields = fieldsOf(recipe, 6);
    const labels = fields.map((field) => fieldLabel(family, field.name));
    expect(new Set(labels).size).toBe(labels.length);
    for (const [i, field] of fields.entries()) {
      expect(labels[i]).not.toBe(field.name);
      const texts = field.choices.map((value) => choiceText(family, field.name, value));
      expect(new Set(texts).size).toBe(texts.length);
      for (const text of texts) {
        expect(text).not.toBe('');
        expect(text).not.toMatch(/[a-z][A-Z]|[a-z]{4,}\d/);
      }
    }
    for (const one of togglesOf(recipe)) {
      expect(fieldLabel(family, one.name)).not.toBe(one.name);
      expect(choiceText(family, one.name, one.value)).not.toBe('');
    }
  });

  test('every choice can be stored as it is', () => {
    for (const field of fieldsOf(recipe, 6))
      for (const choice of field.choices) {
        const sent = JSON.parse(JSON.stringify(field.choose(choice)));
        expect(v.parse(recipeSchema, sent)).toEqual(sent);
      }
  });
});

test('what is beyond the bounds of a family is refused with its place', () => {
  const walk = { ...first('string walk'), parameters: { ...first('string walk').parameters, calls: 49 } };
  const read = v.safeParse(recipeSchema, walk);
  expect(read.success).toBe(false);
  expect(read.issues?.map((issue) => v.getDotPath(issue))).toContain('parameters.calls');
  expect(v.safeParse(recipeSchema, { ...first('warm up'), family: 'no such' }).success).toBe(false);
});
