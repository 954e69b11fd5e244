/**
 * Family ladder: one root and form through maj7, 7, aug7 and on to dim7, on grips that hold each tone once, so
 * that each rung is one move.
 */
import type { Reason } from '../../../effort/explain';
import { fail, ok, type Result } from '../../../kernel/result';
import { familyLadder as ladderOf, LADDER, type Rung } from '../../../shapes/forms';
import type { Form } from '../../../shapes/form';
import { makeChord } from '../../../theory/chord';
import { noteText, readNote } from '../../../theory/note';
import { searched, type DrillContext } from '../../../hands/taught-hand';
import type { DrillOf } from '../../drill';
import { atTempo, sequenceDrill } from '../../sequence';
import { faster, slower } from '../../tempo';
import { type FamilyDefinition, gripless } from '../../family';
import { type ParametersOf, type RecipeOf, recipeOf, withParameters } from '../../parameters';
import { parameters } from './parameters';
import { namedRoot, rootText } from '../../moving';

export type FamilyLadderRecipe = RecipeOf<'family ladder', ParametersOf<typeof parameters>>;
export const familyLadder = recipeOf<FamilyLadderRecipe>('family ladder');

const FORMS: readonly Form[] = ['E', 'A', 'D', 'C', 'G'];
/** Fewer rungs teach no family. */
const FEWEST_RUNGS = 4;

const askOf = (chord: string, move: Rung['moves'][number] | undefined): Reason =>
  move
    ? { code: 'ask.rung', values: { chord, string: move.string, by: move.by } }
    : { code: 'ask.grip', values: { chord } };

function make(recipe: FamilyLadderRecipe, context: DrillContext): Result<DrillOf<FamilyLadderRecipe>> {
  const { root, form, fret, beatsEach, tempoBpm } = recipe.parameters;
  const read = readNote(root);
  if (!read || read.length !== root.length) return fail('drill.root', 'root', 'a note, like Ab');
  if (!(Number.isInteger(beatsEach) && beatsEach >= 2 && beatsEach <= 16))
    return fail('drill.beats', 'beatsEach', '2 to 16 beats a grip');
  const rungs = ladderOf(read.note, form, searched(context), fret);
  if (rungs.length < FEWEST_RUNGS)
    return fail('drill.ladder', 'form', 'another form or fret, where each step is one move for this hand');
  return sequenceDrill(
    recipe,
    {
      stops: rungs.map(({ chord, grip, moves }) => ({
        grip: { chord: chord.symbol, frets: grip.frets },
        ask: askOf(chord.symbol, moves[0]),
      })),
      beatsEach,
      tempoBpm,
      round: false,
      leftOut: LADDER.slice(rungs.length).map((quality) => ({
        code: 'left.rung',
        values: { chord: makeChord(read.note, quality).symbol },
      })),
    },
    context,
  );
}

export const familyLadderFamily: FamilyDefinition<FamilyLadderRecipe> = {
  name: 'family ladder',
  group: 'one grip',
  parameters,
  ...gripless,
  root: ({ parameters }) => namedRoot(parameters.root),
  rekey: (recipe, { to, up }) => {
    const { fret } = recipe.parameters;
    const root = noteText(to);
    return ok(
      withParameters(recipe, fret === undefined ? { root } : { root, fret: ((fret + up - 1) % 12) + 1 }),
    );
  },
  title: ({ parameters: { root, form } }) => ({ code: 'title.ladder', values: { root, form } }),
  first: ({ grip }) => familyLadder({ root: rootText(grip), form: 'A', beatsEach: 4 }),
  make,
  easier: (recipe, context) => atTempo(recipe, make(recipe, context), slower),
  harder: (recipe, context) => atTempo(recipe, make(recipe, context), faster),
  fallbacks: (recipe) => {
    const { fret: _, ...anywhere } = recipe.parameters;
    const free: FamilyLadderRecipe = { ...recipe, parameters: { ...anywhere, tempoBpm: undefined } };
    return [
      free,
      ...FORMS.filter((form) => form !== recipe.parameters.form).map((form): FamilyLadderRecipe => ({
        ...free,
        parameters: { ...free.parameters, form },
      })),
    ];
  },
};
