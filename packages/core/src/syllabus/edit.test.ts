import { evidenceOf } from '../drills/evidence';
import { firstRecipe, makeDrill, FAMILIES } from '../drills';
import { averageHand, standardGuitar } from '../fretboard';
import { differenceOf, edited, skillOfDrill } from './edit';
import { firstSyllabus } from './first-syllabus';
import { skillsOf } from './skills-of';

const skillIn = (syllabus: typeof firstSyllabus, id: string) => syllabus.skills.find((one) => one.id === id);
const turn = (value: unknown): unknown =>
  value && typeof value === 'object' && !Array.isArray(value)
    ? Object.fromEntries(Object.entries(value).reverse())
    : value;
const EM = { chord: 'Em', frets: [0, 2, 2, 0, 0, 0] };

describe('changes', () => {
  test('a need of its own must be met, one beside another may stand in for it; twice is once', () => {
    const own = edited(firstSyllabus, { do: 'need', skill: 'open.c', need: 'open.d' });
    expect(skillIn(own, 'open.c')?.needs).toEqual([['open.am'], ['open.d']]);
    expect(edited(own, { do: 'need', skill: 'open.c', need: 'open.d' })).toBe(own);
    const beside = edited(firstSyllabus, { do: 'need', skill: 'open.c', need: 'open.d', beside: 'open.am' });
    expect(skillIn(beside, 'open.c')?.needs).toEqual([['open.am', 'open.d']]);
    const instead = edited(beside, { do: 'need', skill: 'open.c', need: 'open.g', instead: 'open.am' });
    expect(skillIn(instead, 'open.c')?.needs).toEqual([['open.g', 'open.d']]);
  });

  test('a group goes with its last need', () => {
    const now = edited(firstSyllabus, { do: 'drop need', skill: 'open.c', need: 'open.am' });
    expect(skillIn(now, 'open.c')?.needs).toEqual([]);
  });

  test('words and tempo of one skill; the others are the same objects', () => {
    const now = edited(firstSyllabus, { do: 'set', skill: 'open.c', to: { name: 'C chord', targetBpm: 66 } });
    expect(skillIn(now, 'open.c')).toMatchObject({ name: 'C chord', targetBpm: 66, id: 'open.c' });
    expect(skillIn(now, 'open.g')).toBe(skillIn(firstSyllabus, 'open.g'));
    expect(edited(now, { do: 'set', skill: 'open.c', to: { name: 'C chord' } })).toBe(now);
    expect(edited(now, { do: 'set', skill: 'nowhere', to: { name: 'X' } })).toBe(now);
  });
});

test('what differs: words are a change, what students hold rests on needs, drills, recognition and tempo alone', () => {
  let now = edited(firstSyllabus, { do: 'set', skill: 'open.c', to: { sentence: 'Other words.' } });
  now = edited(now, { do: 'set', skill: 'near.c-g', to: { targetBpm: 90 } });
  now = edited(now, { do: 'take out', skill: 'open.small-f' });
  now = edited(now, { do: 'add', skill: { ...firstSyllabus.skills[0], id: 'own.one' } });
  expect(differenceOf(firstSyllabus, now)).toEqual({
    added: ['own.one'],
    gone: ['open.small-f'],
    changed: ['open.c', 'near.c-g'],
    counted: ['own.one', 'near.c-g'],
    frame: true,
  });
  // As it comes back from where it is stored: the same data in another order.
  const turned = JSON.parse(
    JSON.stringify(firstSyllabus, (_, value: unknown) => turn(value)),
  ) as typeof firstSyllabus;
  expect(Object.keys(turned.skills[0])).not.toEqual(Object.keys(firstSyllabus.skills[0]));
  const none = { added: [], gone: [], changed: [], counted: [], frame: false };
  expect(differenceOf(firstSyllabus, turned)).toEqual(none);
  expect(differenceOf(firstSyllabus, { ...turned, name: 'Own' })).toEqual({ ...none, frame: true });
});

test('a skill made of a drill of any family is trained by it', () => {
  const context = { hand: averageHand, instrument: standardGuitar };
  for (const { name: family } of FAMILIES) {
    const recipe = firstRecipe(family, { grip: EM, from: null, held: [], instrument: standardGuitar });
    const made = skillOfDrill({
      id: 'own.one',
      name: 'One',
      sentence: 'One.',
      strand: 'open',
      practice: { step: 'use', recipe },
    });
    const drill = makeDrill(recipe, context);
    expect([family, drill.ok]).toEqual([family, true]);
    if (!drill.ok) continue;
    expect([family, skillsOf(drill.value, { skills: [made] }).length, evidenceOf(recipe)]).toEqual([
      family,
      1,
      evidenceOf(drill.value.recipe),
    ]);
  }
});
