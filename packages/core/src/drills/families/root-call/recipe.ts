/** The recipe of root calls, and a cell of their grid. */
import {
  hidden,
  list,
  oneOf,
  optional,
  type ParametersOf,
  type RecipeOf,
  recipeOf,
  record,
  seconds,
  whole,
} from '../../parameters';

export const ROOT_ANSWERS = ['root', 'major', 'minor', 'dominant7', 'minor7'] as const;
/** `root` asks for the note alone, otherwise a quality asks for its movable grip. */
export type RootAnswer = (typeof ROOT_ANSWERS)[number];
const ROOT_STRINGS = [5, 6] as const;
/** Every quality on both root strings. */
export const GRID: RootCallRecipe['parameters']['grid'] = {
  rootStrings: [6, 5],
  answers: ROOT_ANSWERS.slice(1),
  weak: [],
};

export const parameters = {
  answer: oneOf(ROOT_ANSWERS),
  rootString: oneOf(ROOT_STRINGS),
  count: whole(1, 120, [12, 24, 48, 96]),
  /** Lowest fret asked; left out, the nut for roots alone and fret 1 for grips. */
  minFret: optional(whole(0, 20, [0, 1, 2, 3, 4, 5, 6, 7])),
  maxFret: hidden(whole(3, 20)),
  secondsPerCall: seconds,
  /** The full grid: every quality on every root string at every fret, in place of one string and one answer. */
  grid: optional(
    record({
      rootStrings: list(oneOf(ROOT_STRINGS), 1, 2),
      answers: list(oneOf(ROOT_ANSWERS), 1, ROOT_ANSWERS.length),
      /** Cells that went wrong or late before: asked twice as often. */
      weak: list(
        record({ rootString: oneOf(ROOT_STRINGS), answer: oneOf(ROOT_ANSWERS), fret: whole(0, 24) }),
        0,
        240,
      ),
    }),
  ),
};
export type RootCallRecipe = RecipeOf<'root call', ParametersOf<typeof parameters>>;
export const rootCall = recipeOf<RootCallRecipe>('root call');
export type RootCallParameters = RootCallRecipe['parameters'];
/** One cell of the root call grid. */
export type RootCell = NonNullable<RootCallParameters['grid']>['weak'][number];
