/** What was promised at the end of a lesson: the next one comes back to it, or says that it moved on. */
import type { DoneBlock } from './done';
import type { LessonPlan } from './plan';

/** More than this is no promise but a list (our assumption). */
const MOST = 2;
/** A block that was on for less was not reached. */
const REACHED_MINUTES = 1;

/**
 * Skills promised: what the plan of the last lesson held and nobody reached, then what was given home, the newest first; two at most.
 * @param plan of the last lesson that took place; null where it had none
 * @param home skills of what lies at home, the newest first; null of what trains none by name
 */
export function promisesOf(
  plan: LessonPlan | null,
  done: readonly DoneBlock[],
  home: readonly (string | null)[],
): string[] {
  const minutes = new Map(done.map((block) => [block.blockId, block.minutes]));
  const left = (plan?.blocks ?? []).flatMap(({ id, kind, skillId }) =>
    skillId !== null && kind !== 'rest' && (minutes.get(id) ?? 0) < REACHED_MINUTES ? [skillId] : [],
  );
  return [...new Set([...left, ...home.flatMap((id) => id ?? [])])].slice(0, MOST);
}
