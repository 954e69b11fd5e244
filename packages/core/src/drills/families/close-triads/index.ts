/**
 * Close triads: the three inversions of a triad on one set of three strings, up and down again, major and minor
 * after each other; then, when asked, a progression in which each chord takes the inversion nearest to the last.
 * Nearest is the fewest frets moved over the three strings together, the higher one where two are equal.
 */
import { fail, ok, type Result } from '../../../kernel/result';
import { closeTriads as placesOf, lowestOfEach } from '../../../shapes/forms';
import type { GradedGrip } from '../../../shapes/graded-grip';
import { makeChord, type Chord } from '../../../theory/chord';
import { noteText, readNote } from '../../../theory/note';
import { chordOfNumeral } from '../../../theory/numeral';
import { searched, type DrillContext } from '../../../hands/taught-hand';
import type { DrillOf } from '../../drill';
import { atTempo, sequenceDrill, type Stop } from '../../sequence';
import { faster, slower } from '../../tempo';
import { type FamilyDefinition, gripless } from '../../family';
import { type ParametersOf, type RecipeOf, recipeOf, withParameters } from '../../parameters';
import { parameters } from './parameters';
import { movedProgression, namedRoot, rootText } from '../../moving';

const PROGRESSIONS = ['I vi IV V', 'ii V I', 'I IV V', 'I V vi IV', 'vi IV I V'];

export type CloseTriadsRecipe = RecipeOf<'close triads', ParametersOf<typeof parameters>>;
export const closeTriads = (parameters: CloseTriadsRecipe['parameters']): CloseTriadsRecipe =>
  recipeOf<CloseTriadsRecipe>('close triads')(parameters);
const inKey = (root: string, numerals: readonly string[]) => ({ key: `${root} major`, numerals });

const fretsMoved = (a: GradedGrip, b: GradedGrip) =>
  a.frets.reduce<number>((sum, fret, s) => sum + Math.abs((fret ?? 0) - (b.frets[s] ?? 0)), 0);

/** The place of `among` nearest to a grip on the same strings. */
export function nearestTriad(from: GradedGrip, among: readonly GradedGrip[]): GradedGrip {
  return among.reduce((best, grip) => (fretsMoved(from, grip) <= fretsMoved(from, best) ? grip : best));
}

const stopAt = (grip: GradedGrip, chord: Chord): Stop => ({
  grip: { chord: chord.symbol, frets: grip.frets },
  ask: {
    code: 'ask.inversion',
    values: { chord: chord.symbol, lowest: grip.inversion, rootString: grip.rootString ?? 0 },
  },
});

function make(recipe: CloseTriadsRecipe, context: DrillContext): Result<DrillOf<CloseTriadsRecipe>> {
  const { root, strings, qualities, progression, beatsEach, tempoBpm } = recipe.parameters;
  const { instrument } = context;
  const count = instrument.openPitches.length;
  const [thick, middle, thin] = strings;
  if (!(thick <= count && thin >= 1 && thick === middle + 1 && middle === thin + 1))
    return fail('drill.set', 'strings', `three neighbouring strings from ${count} to 1`);
  const read = readNote(root);
  if (!read || read.length !== root.length) return fail('drill.root', 'root', 'a note, like Eb');
  if (qualities.length === 0) return fail('drill.quality', 'qualities', 'major, minor or both');
  if (!(Number.isInteger(beatsEach) && beatsEach >= 2 && beatsEach <= 8))
    return fail('drill.beats', 'beatsEach', '2 to 8 beats a grip');
  const highest = Math.min(15, instrument.frets - instrument.capo);
  const stops: Stop[] = [];
  let last: GradedGrip | null = null;
  for (const quality of qualities) {
    const chord = makeChord(read.note, quality);
    const up = lowestOfEach(placesOf(chord, strings, searched(context), highest));
    if (up.length < 3) return fail('drill.triads', chord.symbol, 'another set of strings, or a higher limit');
    const tour = [...up, ...up.slice(0, -1).reverse()];
    stops.push(...tour.map((grip) => stopAt(grip, chord)));
    last = tour[tour.length - 1];
  }
  if (progression) {
    for (const numeral of progression.numerals) {
      const chord = chordOfNumeral(numeral, progression.key);
      if (!chord.ok) return chord;
      if (chord.value.tones.length !== 3)
        return fail('drill.numeral', numeral, 'numbers of triads, like ii or V');
      const places = placesOf(chord.value, strings, searched(context), highest);
      if (places.length === 0)
        return fail('drill.triads', chord.value.symbol, 'another set of strings, or a higher limit');
      last = last ? nearestTriad(last, places) : places[0];
      stops.push(stopAt(last, chord.value));
    }
  }
  return sequenceDrill(
    recipe,
    {
      stops,
      beatsEach,
      tempoBpm,
      round: false,
      moreItems: progression ? [{ kind: 'progression', ...progression }] : [],
    },
    context,
  );
}

export const closeTriadsFamily: FamilyDefinition<CloseTriadsRecipe> = {
  name: 'close triads',
  group: 'along the neck',
  parameters,
  ...gripless,
  root: ({ parameters }) => namedRoot(parameters.root),
  rekey: (recipe, move) =>
    ok(
      withParameters(recipe, {
        root: noteText(move.to),
        ...movedProgression(recipe.parameters.progression, move),
      }),
    ),
  title: ({ parameters: { root, strings } }) => ({
    code: 'title.triads',
    values: { root, strings: strings.join(' ') },
  }),
  first: ({ grip }) => {
    const root = rootText(grip);
    return closeTriads({
      root,
      strings: [3, 2, 1],
      qualities: ['major', 'minor'],
      progression: inKey(root, ['I', 'vi', 'IV', 'V']),
      beatsEach: 4,
    });
  },
  fields: (recipe, [rootField], strings) => {
    const { root, strings: set, progression: then } = recipe.parameters;
    const sets = Array.from({ length: strings - 2 }, (_, i): [number, number, number] => [
      i + 3,
      i + 2,
      i + 1,
    ]);
    return [
      {
        ...rootField,
        choose: (to) =>
          withParameters(recipe, { root: to, ...(then ? { progression: inKey(to, then.numerals) } : {}) }),
      },
      {
        name: 'strings',
        value: set.join(' '),
        choices: sets.map((one) => one.join(' ')),
        choose: (value) =>
          withParameters(recipe, { strings: sets.find((one) => one.join(' ') === value) ?? set }),
      },
      {
        name: 'progression',
        value: then?.numerals.join(' ') ?? '',
        choices: ['', ...PROGRESSIONS],
        choose: (value) =>
          withParameters(recipe, { progression: value ? inKey(root, value.split(' ')) : undefined }),
      },
    ];
  },
  make,
  easier: (recipe, context) => {
    const slow = atTempo(recipe, make(recipe, context), slower);
    if (slow.ok || slow.problem.code !== 'drill.easiest') return slow;
    return recipe.parameters.progression ? ok(withParameters(recipe, { progression: undefined })) : slow;
  },
  harder: (recipe, context) => atTempo(recipe, make(recipe, context), faster),
  fallbacks: (recipe, { instrument }) => {
    const count = instrument.openPitches.length;
    const sets = Array.from({ length: count - 2 }, (_, i): [number, number, number] => [i + 3, i + 2, i + 1]);
    const free = withParameters(recipe, { progression: undefined, tempoBpm: undefined });
    return [
      free,
      ...sets.map((strings) => withParameters(free, { strings })),
      ...sets.map((strings) => withParameters(free, { strings, qualities: ['minor'] })),
    ];
  },
};
