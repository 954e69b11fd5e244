/** One door to all families: make a drill of a recipe, move a recipe one notch, or find the nearest that can be made. */
import type { Result } from '../kernel/result';
import { bassWalkFamily } from './bass-walk';
import { changeLoopFamily } from './change-loop';
import { closeTriadsFamily } from './close-triads';
import type { Drill, DrillContext, Family } from './drill';
import { familyLadderFamily } from './family-ladder';
import { fiveFormsFamily } from './five-forms';
import { formulaFamily } from './formula';
import { noteReadingFamily } from './note-reading';
import { pickingPatternFamily } from './picking-pattern';
import { pieceSectionFamily } from './piece-section';
import type { DrillFamily, Recipe } from './recipe';
import { ringCheckFamily } from './ring-check';
import { rootCallFamily } from './root-call';
import { stringWalkFamily } from './string-walk';
import { strumReadingFamily } from './strum-reading';
import { warmUpFamily } from './warm-up';

type FamilyTable = { readonly [F in DrillFamily]: Family<Extract<Recipe, { readonly family: F }>> };

const FAMILIES: FamilyTable = {
  'warm up': warmUpFamily,
  'string walk': stringWalkFamily,
  'note reading': noteReadingFamily,
  'root call': rootCallFamily,
  formula: formulaFamily,
  'ring check': ringCheckFamily,
  'family ladder': familyLadderFamily,
  'five forms': fiveFormsFamily,
  'close triads': closeTriadsFamily,
  'change loop': changeLoopFamily,
  'bass walk': bassWalkFamily,
  'strum reading': strumReadingFamily,
  'picking pattern': pickingPatternFamily,
  'piece section': pieceSectionFamily,
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

/** The nearest recipe of the same family that can be made in this context; null when none of those tried can. */
export function nearestRecipe(recipe: Recipe, context: DrillContext): Recipe | null {
  const tried = familyOf(recipe).fallbacks?.(recipe, context) ?? [];
  return tried.find((one) => makeDrill(one, context).ok) ?? null;
}
