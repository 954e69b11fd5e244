/**
 * What a take is evidence of. Hearing it, naming it, predicting it, playing it and reading it over a new root are
 * learned apart, so that none of them counts for another: nobody plays a chord better for having heard it.
 */
import { familyOf } from './make-drill';
import type { EvidenceKind } from './family';
import type { Recipe } from './recipe';

/** Of what kind a take of this drill is. */
export function evidenceOf(recipe: Recipe): EvidenceKind {
  const family = familyOf(recipe);
  return family.evidenceOf?.(recipe) ?? family.evidence ?? 'play';
}

/** What is heard or named; writing is named too, but it is a hand that writes. */
const QUIET: readonly EvidenceKind[] = ['hear', 'name'];

/** Whether neither hand plays in it: nothing is pressed, struck or written. It stays open to somebody whose hand hurts. */
export const isQuiet = (recipe: Recipe): boolean =>
  QUIET.includes(evidenceOf(recipe)) && recipe.family !== 'write it out';
