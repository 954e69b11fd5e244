/** Small words of the lesson: what kind of drill is on, and a drill at the tempo it was just played. */
import type { Drill, Recipe, TakeResult } from '@finch/core/drills';
import type { PlanBlock } from '@finch/core/planning';

export function familyText(block: PlanBlock, drill: Drill | null): string {
  if (!drill) return block.kind;
  const { family } = drill.recipe;
  if (family !== 'change loop') return family;
  return drill.items.some((item) => item.kind === 'progression') ? 'change loop, by number' : 'change loop';
}

/** The recipe at another tempo, where it has one. */
export function withTempo(recipe: Recipe, tempoBpm: number | null): Recipe {
  return 'tempoBpm' in recipe.parameters && tempoBpm
    ? ({ ...recipe, parameters: { ...recipe.parameters, tempoBpm } } as Recipe)
    : recipe;
}

/** In the order of the keys that log them. */
export const TAKE_RESULTS: readonly TakeResult[] = ['clean', 'nearly', 'not yet'];
