/** The recipe of a change loop. */
import {
  grip,
  list,
  oneOf,
  optional,
  type ParametersOf,
  progression,
  type RecipeOf,
  recipeOf,
  tempo,
  whole,
} from '../../parameters';

export const CHANGE_PIECES = ['one finger', 'slide', 'pivot', 'air'] as const;
/** The finger that lands last alone; the fingers that slide alone; the rest around a finger that stays; without a sound, then landed. */
export type ChangePiece = (typeof CHANGE_PIECES)[number];

export const parameters = {
  /** Two to four grips, round and round. */
  grips: list(grip, 2, 4),
  /** A part of the change between two grips, practised by itself; left out, the whole of it. */
  piece: optional(oneOf(CHANGE_PIECES)),
  beatsEach: whole(2, 8, [2, 3, 4, 8]),
  tempoBpm: tempo,
  /** Set when the loop is a number progression of a key. */
  progression: optional(progression(16)),
};
export type ChangeLoopRecipe = RecipeOf<'change loop', ParametersOf<typeof parameters>>;
export const changeLoop = (given: ChangeLoopRecipe['parameters']): ChangeLoopRecipe =>
  recipeOf<ChangeLoopRecipe>('change loop')(given);
