/** One door to all families: whatever is asked of a recipe is asked of the family it names. */
import type { Reason } from '../effort/explain';
import type { Instrument } from '../fretboard/instrument';
import { fail, type Result } from '../kernel/result';
import { mod12, pitchClassOf, type NoteName } from '../theory/note';
import type { DrillContext } from '../hands/taught-hand';
import type { FamilyDefinition, StartingPoint } from './family';
import type { NamedGrip } from './parameters';
import { FAMILIES, type Drill, type DrillFamily, type Recipe } from './recipe';

const BY_NAME = new Map(
  // Each takes the recipes of its own family, which the lookup by that family's name guarantees.
  FAMILIES.map((one) => [one.name, one as unknown as FamilyDefinition<Recipe>]),
);

/** The definition of a family by its name. */
export function familyNamed(name: DrillFamily): FamilyDefinition<Recipe> {
  const family = BY_NAME.get(name);
  if (!family) throw new RangeError(`no family ${name}`);
  return family;
}
export const familyOf = (recipe: Recipe): FamilyDefinition<Recipe> => familyNamed(recipe.family);

/** Makes the drill; the same recipe and context give the same drill. */
export const makeDrill = (recipe: Recipe, context: DrillContext): Result<Drill> =>
  familyOf(recipe).make(recipe, context);

/** The recipe one notch easier; its drill never has a higher grade. */
export const easier = (recipe: Recipe, context: DrillContext): Result<Recipe> =>
  familyOf(recipe).easier(recipe, context);

/** The recipe one notch harder. */
export const harder = (recipe: Recipe, context: DrillContext): Result<Recipe> =>
  familyOf(recipe).harder(recipe, context);

/** Seeds looked through for another draw. */
const DRAWS = 12;
export const drawsAnew = (recipe: Recipe): boolean => familyOf(recipe).draws?.(recipe) ?? false;

/** The same recipe drawn anew: the next seed whose drill can be made and is another; null where nothing else comes. */
export function redrawn(recipe: Recipe, context: DrillContext): Recipe | null {
  const asks = (one: Recipe) => {
    const made = makeDrill(one, context);
    return made.ok ? JSON.stringify([made.value.steps, made.value.score.parts]) : null;
  };
  const now = asks(recipe);
  for (let by = 1; by <= DRAWS; by++) {
    const next = { ...recipe, seed: recipe.seed + by };
    const drawn = asks(next);
    if (drawn !== null && drawn !== now) return next;
  }
  return null;
}

/** The nearest recipe of the same family that can be made in this context; null when none of those tried can. */
export function nearestRecipe(recipe: Recipe, context: DrillContext): Recipe | null {
  const tried = familyOf(recipe).fallbacks?.(recipe, context) ?? [];
  return tried.find((one) => makeDrill(one, context).ok) ?? null;
}

/** The root a recipe stands on; null for one that has none (warm up, root calls). */
export const rootOf = (recipe: Recipe): NoteName | null => familyOf(recipe).root(recipe);

/**
 * The recipe on another root. Problems: `drill.keyless`, `drill.open-strings` (grips that cannot move),
 * `drill.past-neck` (they would leave it).
 */
export function rekey(recipe: Recipe, root: NoteName, instrument: Instrument): Result<Recipe> {
  const from = rootOf(recipe);
  if (!from) return fail('drill.keyless', recipe.family, 'a drill that stands in a key');
  const up = mod12(pitchClassOf(root) - pitchClassOf(from));
  return familyOf(recipe).rekey(recipe, { from, to: root, up, instrument });
}

/** What a drill is called, as data: the vocabulary words it. */
export const drillTitle = (recipe: Recipe): Reason => familyOf(recipe).title(recipe);

/** Grips a recipe names, in the order they are played; none where the drill finds its own. */
export const gripsOf = (recipe: Recipe): readonly NamedGrip[] => familyOf(recipe).gripsOf(recipe);

/** What is in hand where a drill is begun. */
export interface InHand {
  readonly grip: NamedGrip;
  /** The grip it comes from; null where nothing was played before. */
  readonly from: NamedGrip | null;
  /** Grips of the drill before, which a family that plays several takes on. */
  readonly grips?: readonly NamedGrip[];
  /** Grips the student holds clean. */
  readonly held?: readonly NamedGrip[];
  readonly instrument: Instrument;
}
const A_MINOR: NamedGrip = { chord: 'Am', frets: [null, 0, 2, 2, 1, 0] };
const E_MINOR: NamedGrip = { chord: 'Em', frets: [0, 2, 2, 0, 0, 0] };
/** As many grips as a family that plays several begins with. */
const MOST_TAKEN_ON = 4;

/** A sensible first recipe of a family around what is in hand; a usual neighbour stands beside a grip that comes from none. */
export function firstRecipe(
  family: DrillFamily,
  { grip, from, grips = [], held = [], instrument }: InHand,
): Recipe {
  const frets = (one: NamedGrip) => one.frets.join();
  const beside = from ?? (frets(grip) === frets(A_MINOR) ? E_MINOR : A_MINOR);
  const each = [...new Map(grips.map((one) => [`${one.chord} ${frets(one)}`, one])).values()];
  const several: StartingPoint['several'] = each.length >= 2 ? each.slice(0, MOST_TAKEN_ON) : null;
  return familyNamed(family).first({ grip, beside, several, held, instrument });
}
