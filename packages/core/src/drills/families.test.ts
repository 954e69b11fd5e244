/** What must hold of every family in the list, so that one that is incomplete is seen. */
import { averageHand } from '../fretboard/hand';
import { DEFAULT_LIMITS } from '../hands';
import { standardGuitar } from '../fretboard/instrument';
import { noteText, readNote } from '../theory/note';
import { FAMILY_GROUPS } from './family';
import { fieldsOf, namedGrips, takesGrips, tempoOf, togglesOf, withTempo } from './fields';
import { forHand, rekeyForHand } from './held-grips';
import {
  drillTitle,
  easier,
  familyNamed,
  firstRecipe,
  gripsOf,
  harder,
  makeDrill,
  rekey,
  rootOf,
} from './make-drill';
import type { NamedGrip, Spec } from './parameters';
import { changeLoop, FAMILIES, stringWalk, type DrillFamily, type Recipe } from './recipe';
import { FAMILY_SPECS } from './specs';

const F: NamedGrip = { chord: 'F', frets: [1, 3, 3, 2, 1, 1] };
const C: NamedGrip = { chord: 'C', frets: [null, 3, 2, 0, 1, 0] };
const BBM7: NamedGrip = { chord: 'Bbm7', frets: [6, 8, 6, 6, 6, 6] };
const context = { hand: averageHand, instrument: standardGuitar };
const names = FAMILIES.map((one) => one.name);
const first = (family: DrillFamily, grip = F): Recipe =>
  firstRecipe(family, { grip, from: null, instrument: standardGuitar });

/** Whether a value is one the specification describes. */
function fits(spec: Spec, value: unknown): boolean {
  if (value === undefined) return spec.optional === true;
  switch (spec.is) {
    case 'whole':
      return Number.isInteger(value) && Number(value) >= spec.least && Number(value) <= spec.most;
    case 'number':
      return typeof value === 'number' && value >= spec.least && value <= spec.most;
    case 'string number':
      return Number.isInteger(value) && Number(value) >= 1 && Number(value) <= 8;
    case 'one of':
      return spec.values.some((one) => one === value);
    case 'yes or no':
      return typeof value === 'boolean';
    case 'list':
      return (
        Array.isArray(value) &&
        value.length >= spec.least &&
        value.length <= spec.most &&
        value.every((one) => fits(spec.of, one))
      );
    case 'three':
      return Array.isArray(value) && value.length === 3 && value.every((one) => fits(spec.of, one));
    case 'record':
      return Object.entries(spec.of).every(([name, of]) =>
        fits(of, new Map<string, unknown>(Object.entries(value ?? {})).get(name)),
      );
    case 'grip':
      return typeof value === 'object' && value !== null && 'chord' in value && 'frets' in value;
    case 'frets or none':
      return value === null || Array.isArray(value);
    default:
      return typeof value === 'string' && value !== '';
  }
}
const described = (recipe: Recipe): boolean => {
  const { parameters } = familyNamed(recipe.family);
  const given = new Map<string, unknown>(Object.entries(recipe.parameters));
  return (
    [...given.keys()].every((name) => name in parameters) &&
    Object.entries(parameters).every(([name, spec]) => fits(spec, given.get(name)))
  );
};

test('every family stands in the list once, and every group has one', () => {
  expect(new Set(names).size).toBe(names.length);
  expect(new Set(FAMILIES.map((one) => one.group))).toEqual(new Set(FAMILY_GROUPS));
  expect(() => familyNamed('no such' as DrillFamily)).toThrow('no family no such');
});

test('the specs the contract checks by are those of the families, in their order', () => {
  expect(FAMILY_SPECS).toEqual(FAMILIES.map(({ name, parameters }) => ({ name, parameters })));
});

describe.each(names)('%s', (family) => {
  test('its first recipe is what its data describes, can be made, and says what it is', () => {
    for (const grip of [F, C, BBM7]) {
      const recipe = first(family, grip);
      expect(recipe.family).toBe(family);
      expect(described(recipe)).toBe(true);
      const made = makeDrill(recipe, context);
      expect(made.ok && made.value.question.code).toMatch(/^question\./);
      expect(drillTitle(recipe).code).toMatch(/^title\./);
    }
  });

  test('a notch up and a notch down are recipes of the family that its data describes', () => {
    for (const notch of [easier, harder]) {
      const next = notch(first(family), context);
      if (next.ok) expect([next.value.family, described(next.value)]).toEqual([family, true]);
      else expect(next.problem.code).toMatch(/^drill\.(easiest|hardest)$/);
    }
  });

  test('it stands on a root and moves to another, or says that it stands in no key', () => {
    const recipe = firstRecipe(family, { grip: F, from: BBM7, instrument: standardGuitar });
    const moved = rekey(recipe, { letter: 'A', accidental: -1 }, standardGuitar);
    if (!rootOf(recipe)) return expect(!moved.ok && moved.problem.code).toBe('drill.keyless');
    if (!moved.ok) {
      // Open strings do not move: this hand takes the same chords on other grips.
      expect(moved.problem.code).toBe('drill.open-strings');
      const own = rekeyForHand(recipe, { letter: 'A', accidental: -1 }, context);
      expect(own.ok && makeDrill(own.value, context).ok).toBe(true);
      return expect(own.ok && rootOf(own.value)).toEqual({ letter: 'A', accidental: -1 });
    }
    const there = rootOf(moved.value);
    expect(there && noteText(there)).toBe('Ab');
    expect(described(moved.value)).toBe(true);
    expect(makeDrill(moved.value, context).ok).toBe(true);
  });

  test('the grips it names can be exchanged for others, and none is left behind', () => {
    const recipe = first(family);
    const grips = gripsOf(recipe);
    const { withGrips } = familyNamed(family);
    expect(withGrips(recipe, grips)).toEqual(recipe);
    const others = grips.map(({ chord }) => ({ chord, frets: BBM7.frets }));
    for (const grip of gripsOf(withGrips(recipe, others))) expect(grip.frets).toEqual(BBM7.frets);
    expect(gripsOf(withGrips(recipe, others))).toHaveLength(grips.length);
    expect(described(forHand(recipe, { ...context, limits: { ...DEFAULT_LIMITS, gripEffort: 30 } }))).toBe(
      true,
    );
  });

  test('every field shows what the recipe holds, and every choice is that choice, in a recipe its data describes', () => {
    const recipe = first(family);
    const fields = fieldsOf(recipe, 6);
    expect(new Set(fields.map((field) => field.name)).size).toBe(fields.length);
    for (const field of fields) {
      expect(field.choices).toContain(field.value);
      for (const choice of field.choices) {
        const chosen = field.choose(choice);
        expect([chosen.family, described(chosen)]).toEqual([family, true]);
        const again = fieldsOf(chosen, 6).find((one) => one.name === field.name);
        expect(again?.value).toBe(choice);
        expect(again?.choose(choice)).toEqual(chosen);
      }
    }
  });
});

test('a value nobody would choose here is still shown as it is', () => {
  const odd = stringWalk({ string: 6, key: 'D dorian', maxFret: 12, calls: 7, secondsPerCall: 5 });
  const named = (name: string) => fieldsOf(odd, 6).find((one) => one.name === name);
  expect([named('key')?.value, named('key')?.choices[0]]).toEqual(['D dorian', 'D dorian']);
  expect(named('calls')?.choices[0]).toBe('7');
});

test('four strings have two sets of three, and four places for a walk', () => {
  const choices = (family: DrillFamily, name: string) =>
    fieldsOf(first(family), 4).find((one) => one.name === name)?.choices;
  expect(choices('close triads', 'strings')).toEqual(['3 2 1', '4 3 2']);
  // The first recipe names string 6, which is shown though four strings have none.
  expect(choices('string walk', 'string')).toEqual(['6', '1', '2', '3', '4']);
});

test('a new root takes the progression along, and a loop by number its key', () => {
  const [root] = fieldsOf(first('close triads'), 6);
  const moved = root.choose('Eb');
  expect(moved.family === 'close triads' && moved.parameters.progression?.key).toBe('Eb major');
  const loop = changeLoop({
    grips: [F, { chord: 'Bb', frets: [6, 8, 8, 7, 6, 6] }],
    beatsEach: 4,
    progression: { key: 'F major', numerals: ['I', 'IV'] },
  });
  const up = rekey(loop, { letter: 'G', accidental: 0 }, standardGuitar);
  expect(up.ok && up.value.family === 'change loop' && up.value.parameters.progression?.key).toBe('G major');
});

test('a piece of a change is offered for two grips alone, and has no beats', () => {
  const fields = (recipe: Recipe) => fieldsOf(recipe, 6).map((one) => one.name);
  expect(fields(changeLoop({ grips: [C, F], beatsEach: 4 }))).toEqual(['piece', 'beatsEach']);
  expect(fields(changeLoop({ grips: [C, F], beatsEach: 4, piece: 'air' }))).toEqual(['piece']);
  expect(fields(changeLoop({ grips: [C, F, BBM7], beatsEach: 4 }))).toEqual(['beatsEach']);
});

test('qualities of a formula go in and out one by one; other families have none', () => {
  const recipe = first('formula');
  const toggles = togglesOf(recipe);
  expect(toggles.length).toBeGreaterThan(4);
  expect(toggles.every((one) => one.on)).toBe(true);
  const fewer = toggles[0].flip();
  expect(togglesOf(fewer).filter((one) => !one.on)).toHaveLength(1);
  expect(togglesOf(togglesOf(fewer)[0].flip()).every((one) => one.on)).toBe(true);
  expect(makeDrill(fewer, context).ok).toBe(true);
  expect(names.filter((name) => togglesOf(first(name)).length > 0)).toEqual(['formula']);
});

test('grips of one drill go on into the next family that plays several, each once and at most four', () => {
  const five = [
    C,
    F,
    C,
    BBM7,
    { chord: 'Am', frets: [null, 0, 2, 2, 1, 0] },
    { chord: 'G', frets: [3, 2, 0, 0, 0, 3] },
  ];
  const at = { grip: C, from: null, grips: five, instrument: standardGuitar };
  for (const family of ['change loop', 'strum reading', 'picking pattern'] as const)
    expect(gripsOf(firstRecipe(family, at)).map((grip) => grip.chord)).toEqual(['C', 'F', 'Bbm7', 'Am']);
  expect(gripsOf(firstRecipe('ring check', at))).toEqual([C]);
  const two = { ...at, grips: [F, BBM7] };
  expect(gripsOf(firstRecipe('change loop', two))).toEqual([F, BBM7]);
  // One grip is no loop: the one in hand and its neighbour are.
  expect(gripsOf(firstRecipe('change loop', { ...at, grips: [F, F] }))[1]).toEqual(C);
});

test('a loop comes from the grip held, or from a usual neighbour that is another', () => {
  const chords = (grip: NamedGrip, from: NamedGrip | null) =>
    gripsOf(firstRecipe('change loop', { grip, from, instrument: standardGuitar })).map((one) => one.chord);
  expect(chords(C, BBM7)).toEqual(['Bbm7', 'C']);
  expect(chords(C, null)).toEqual(['Am', 'C']);
  expect(chords({ chord: 'Am', frets: [null, 0, 2, 2, 1, 0] }, null)).toEqual(['Em', 'Am']);
});

test('grips may be named for a drill of several, as many as it plays; one of its own grips may come from elsewhere', () => {
  const loop = namedGrips(changeLoop({ grips: [C, F], beatsEach: 4 }));
  expect([loop?.least, loop?.most]).toEqual([2, 4]);
  expect(gripsOf(loop?.take([F, C, BBM7]) ?? first('warm up'))).toEqual([F, C, BBM7]);
  expect(namedGrips(first('picking pattern'))?.least).toBe(1);
  expect(names.filter((name) => namedGrips(first(name)))).toEqual([
    'change loop',
    'strum reading',
    'picking pattern',
    'own small piece',
  ]);
  expect(names.filter((name) => takesGrips(first(name)))).toEqual([
    'formula',
    'ring check',
    'change loop',
    'embellish',
    'strum reading',
    'picking pattern',
    'own small piece',
  ]);
});

test.each([
  [72, 72],
  [5, 30],
  [900, 208],
  [Number.NaN, 30],
])('a tempo of %d is held at %i', (typed, held) => {
  const loop = first('change loop');
  expect(tempoOf(loop)).toBeNull();
  expect(tempoOf(withTempo(loop, typed))).toBe(held);
});

test('a note of the list of roots is a note', () => {
  const [root] = fieldsOf(first('five forms'), 6);
  expect(root.choices).toHaveLength(12);
  for (const name of root.choices) expect(readNote(name)).not.toBeNull();
});
