/**
 * One notch easier or harder for a drill in time: slower first and then, at the slowest, what else may be left out; harder by
 * what else may be added, and faster last. A change whose drill would grade the wrong way, or cannot be built, is passed over.
 */
import { ok, type Result } from '../kernel/result';
import type { DrillOf } from './drill';
import type { AnyRecipe } from './parameters';
import { atTempo } from './sequence';
import { faster, slower } from './tempo';

type Timed = AnyRecipe & { readonly parameters: { readonly tempoBpm?: number } };
type Make<R extends AnyRecipe> = (recipe: R) => Result<DrillOf<R>>;
/** Changes in the order they are tried; null and false for those that do not apply. */
type Changes<R extends AnyRecipe> = readonly (Partial<R['parameters']> | null | false)[];

/** What stands before or after a value in a list of its kind, in the order in which they are learnt; null past an end. */
export const beside = <T>(list: readonly T[], now: T, by: 1 | -1): T | null =>
  list[list.indexOf(now) + by] ?? null;

/** At the tempo it has now, so that a notch changes one thing. */
function changed<R extends Timed>(
  recipe: R,
  make: Make<R>,
  changes: Changes<R>,
  better: (now: number, then: number) => boolean,
): R | null {
  const now = make(recipe);
  if (!now.ok) return null;
  const { effort, tempoBpm } = now.value;
  for (const change of changes) {
    if (!change) continue;
    const next: R = {
      ...recipe,
      parameters: { ...recipe.parameters, tempoBpm: tempoBpm ?? undefined, ...change },
    };
    const made = make(next);
    if (made.ok && better(effort, made.value.effort)) return next;
  }
  return null;
}

/** Slower; at the slowest the first of the changes that grades no higher. Problem `drill.easiest`. */
export function easierBy<R extends Timed>(recipe: R, make: Make<R>, changes: Changes<R>): Result<R> {
  const slow = atTempo(recipe, make(recipe), slower);
  if (slow.ok || slow.problem.code !== 'drill.easiest') return slow;
  const lighter = changed(recipe, make, changes, (now, then) => then <= now);
  return lighter ? ok(lighter) : slow;
}

/** The first of the changes that grades no lower; else faster. Problem `drill.hardest`. */
export function harderBy<R extends Timed>(recipe: R, make: Make<R>, changes: Changes<R>): Result<R> {
  const heavier = changed(recipe, make, changes, (now, then) => then >= now);
  return heavier ? ok(heavier) : atTempo(recipe, make(recipe), faster);
}
