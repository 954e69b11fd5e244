/** The grips a hand goes through in a drill, in the order of its bars; what a screen shows as the hand's next move. */
import type { Drill } from './recipe';
import type { GripItem } from './items';

/**
 * One grip a step for drills of changes; the one grip of a ring check, and the grip a formula starts from. Empty
 * where showing a grip would give the answer away, or where there is none.
 */
export function gripsInOrder(drill: Drill): GripItem[] {
  if (drill.steps.some((step) => step.called)) return [];
  const grips = drill.items.filter((item): item is GripItem => item.kind === 'grip');
  if (drill.judged === 'strings' || drill.recipe.family === 'formula') return grips.slice(0, 1);
  return drill.steps.flatMap((step) => (step.grip ? [step.grip] : []));
}
