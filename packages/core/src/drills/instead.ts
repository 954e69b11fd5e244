/** What a hand that tensed may play in place of a drill: the same thing, with grips that grade lower for this hand. */
import type { DrillContext } from '../hands/taught-hand';
import { easier, makeDrill } from './make-drill';
import type { Recipe } from './recipe';

/** Grade points the hand is spared at least, and notches looked through (assumed). */
const INSTEAD = { spared: 5, notches: 16 } as const;

export interface Instead {
  readonly recipe: Recipe;
  /** Grades of the heaviest grip, 0 to 100: of this, and of what it stands in for. */
  readonly effort: number;
  readonly was: number;
}

/** The nearest easier notch that grades lower, not one that is only slower; null where there is none. */
export function lighterInstead(recipe: Recipe, context: DrillContext): Instead | null {
  const made = makeDrill(recipe, context);
  if (!made.ok) return null;
  const was = made.value.heaviestGrip;
  let now = recipe;
  for (let notch = 0; notch < INSTEAD.notches && was > INSTEAD.spared; notch++) {
    const next = easier(now, context);
    if (!next.ok) return null;
    now = next.value;
    const drill = makeDrill(now, context);
    if (drill.ok && drill.value.heaviestGrip <= was - INSTEAD.spared)
      return { recipe: now, effort: drill.value.heaviestGrip, was };
  }
  return null;
}
