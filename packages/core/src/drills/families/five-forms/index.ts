/**
 * Five forms: one chord through all its movable layouts, starting from whichever lies lowest in that key, up and
 * down again, then the next key by fourths, fifths or drawn. Which form comes first is asked before it is shown.
 * Without open strings unless asked.
 */
import type { Reason } from '../../../effort/explain';
import { fail, ok, type Result } from '../../../kernel/result';
import { seededRandom } from '../../../kernel/random';
import type { Form } from '../../../shapes/form';
import { formsOf, type FormPlace } from '../../../shapes/forms';
import { makeChord, parseChord, type Chord } from '../../../theory/chord';
import { noteText, pitchClassOf, readNote, rootNamed, type NoteName } from '../../../theory/note';
import { namedQuality } from '../../../theory/qualities';
import { shuffled } from '../../calls';
import { searched, type DrillContext } from '../../../hands/taught-hand';
import type { DrillOf, Prelude } from '../../drill';
import { atTempo, sequenceDrill, type Stop } from '../../sequence';
import { faster, slower } from '../../tempo';
import { type FamilyDefinition, gripless } from '../../family';
import { type ParametersOf, recipeOf, type RecipeOf, withParameters } from '../../parameters';
import { QUALITIES, parameters } from './parameters';
import { namedRoot, rootText } from '../../moving';

export type FiveFormsRecipe = RecipeOf<'five forms', ParametersOf<typeof parameters>>;
export const fiveForms = recipeOf<FiveFormsRecipe>('five forms');

const FORMS: readonly Form[] = ['C', 'A', 'G', 'E', 'D'];
const BEATS_A_BAR = 4;
/** With fewer forms there is no way up the neck. */
const FEWEST_FORMS = 2;

/** The roots in order; the first as it was spelled, the others by their usual names. */
export function keyRound(
  root: NoteName,
  keys: number,
  next: FiveFormsRecipe['parameters']['next'],
  seed: number,
): NoteName[] {
  const first = pitchClassOf(root);
  const step = next === 'fourths' ? 5 : 7;
  const others =
    next === 'random'
      ? shuffled(
          Array.from({ length: 11 }, (_, i) => first + 1 + i),
          seededRandom(seed),
        )
      : Array.from({ length: 11 }, (_, i) => first + step * (i + 1));
  return [root, ...others.slice(0, keys - 1).map(rootNamed)];
}

function make(recipe: FiveFormsRecipe, context: DrillContext): Result<DrillOf<FiveFormsRecipe>> {
  const { root, quality, order, barsEach, keys, next, allowOpen, tempoBpm } = recipe.parameters;
  const read = readNote(root);
  if (!read || read.length !== root.length) return fail('drill.root', 'root', 'a note, like Bb');
  if (!namedQuality(quality)) return fail('drill.quality', 'quality', 'major, minor, dominant7 and so on');
  if (!(Number.isInteger(barsEach) && barsEach >= 1 && barsEach <= 4))
    return fail('drill.bars', 'barsEach', '1 to 4 bars a form');
  if (!(Number.isInteger(keys) && keys >= 1 && keys <= 4)) return fail('drill.keys', 'keys', '1 to 4 keys');
  const stops: Stop[] = [];
  const prelude: Prelude[] = [];
  const leftOut: Reason[] = [];
  for (const note of keyRound(read.note, keys, next, recipe.seed)) {
    const chord = makeChord(note, quality);
    const places = formsOf(chord, searched(context), { allowOpen });
    const held = places.filter((place) => place.grip !== null);
    if (held.length < FEWEST_FORMS)
      return fail(
        'drill.forms',
        chord.symbol,
        places.length === 0
          ? 'standard tuning, where the forms have their names'
          : 'another chord or a higher effort limit',
      );
    leftOut.push(
      ...places
        .filter((place) => place.grip === null)
        .map((place) => ({
          code: 'left.form',
          values: { form: place.form, fret: place.fret, chord: chord.symbol },
        })),
    );
    prelude.push(askedFirst(chord, held));
    const up = held.map((place) => stopAt(place, chord));
    stops.push(...up, ...(order === 'up' ? [] : up.slice(0, -1).reverse()));
  }
  return sequenceDrill(
    recipe,
    { stops, beatsEach: barsEach * BEATS_A_BAR, tempoBpm, round: false, prelude, leftOut },
    context,
  );
}

const askedFirst = (chord: Chord, held: readonly FormPlace[]): Prelude => ({
  ask: { code: 'ask.first-form', values: { chord: chord.symbol } },
  answer: {
    kind: 'choice',
    // Only forms of this drill: one that is over the hand's limit would be a trick question.
    choices: FORMS.filter((form) => held.some((place) => place.form === form)),
    right: held[0].form,
  },
});

function stopAt(place: FormPlace, chord: Chord): Stop {
  return {
    grip: { chord: chord.symbol, frets: place.grip?.frets ?? [] },
    ask: {
      code: 'ask.form',
      values: { chord: chord.symbol, form: place.form, fret: place.fret, string: place.rootString },
    },
  };
}

export const fiveFormsFamily: FamilyDefinition<FiveFormsRecipe> = {
  name: 'five forms',
  group: 'along the neck',
  draws: ({ parameters: { next, keys } }) => next === 'random' && keys > 1,
  parameters,
  ...gripless,
  root: ({ parameters }) => namedRoot(parameters.root),
  rekey: (recipe, { to }) => ok(withParameters(recipe, { root: noteText(to) })),
  title: ({ parameters: { root, quality } }) => {
    const read = readNote(root);
    return { code: 'title.forms', values: { chord: read ? makeChord(read.note, quality).symbol : root } };
  },
  first: ({ grip }) => {
    const chord = parseChord(grip.chord);
    return fiveForms({
      root: rootText(grip),
      quality: QUALITIES.find((one) => chord.ok && one === chord.value.quality) ?? 'major',
      order: 'up and down',
      barsEach: 1,
      keys: 1,
      next: 'fourths',
      allowOpen: false,
    });
  },
  make,
  easier: (recipe, context) => {
    const slow = atTempo(recipe, make(recipe, context), slower);
    if (slow.ok || slow.problem.code !== 'drill.easiest') return slow;
    const { keys } = recipe.parameters;
    return keys > 1 ? ok(withParameters(recipe, { keys: keys - 1 })) : slow;
  },
  harder: (recipe, context) => atTempo(recipe, make(recipe, context), faster),
  fallbacks: (recipe) => {
    const one = withParameters(recipe, { keys: 1, tempoBpm: undefined });
    return [
      one,
      withParameters(one, { allowOpen: true }),
      withParameters(one, { quality: 'minor' }),
      withParameters(one, { quality: 'major' }),
    ];
  },
};
