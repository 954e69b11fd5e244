/** One door to all families: make a drill of a recipe, or move a recipe one notch. */
import type { Result } from '../kernel/result';
import { changeLoopFamily } from './change-loop';
import type { Drill, DrillContext, Family } from './drill';
import type { DrillFamily, Recipe } from './recipe';
import { ringCheckFamily } from './ring-check';
import { rootCallFamily } from './root-call';
import { warmUpFamily } from './warm-up';

type FamilyTable = { readonly [F in DrillFamily]: Family<Extract<Recipe, { readonly family: F }>> };

const FAMILIES: FamilyTable = {
  'warm up': warmUpFamily,
  'root call': rootCallFamily,
  'change loop': changeLoopFamily,
  'ring check': ringCheckFamily,
};

function familyOf(recipe: Recipe): Family<Recipe> {
  // Each entry takes the recipes of its own family, which the lookup by that family's name guarantees.
  return FAMILIES[recipe.family] as Family<Recipe>;
}

/** Makes the drill; the same recipe and context give the same drill. */
export function makeDrill(recipe: Recipe, context: DrillContext): Result<Drill> {
  return familyOf(recipe).make(recipe, context);
}

/** The recipe one notch easier; its drill never has a higher grade. */
export function easier(recipe: Recipe, context: DrillContext): Result<Recipe> {
  return familyOf(recipe).easier(recipe, context);
}

/** The recipe one notch harder. */
export function harder(recipe: Recipe, context: DrillContext): Result<Recipe> {
  return familyOf(recipe).harder(recipe, context);
}
