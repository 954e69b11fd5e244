/** What a student has begun that is too hard for their hand. */
import type { StudentView } from '../students/states.service';
import type { WeighedSkill } from './weigh';

/** Skills begun and not yet held. */
export const begunSkills = ({ state }: StudentView): string[] =>
  state.skills.flatMap(({ skillId, attempts, state: word }) =>
    attempts > 0 && word !== 'clean' && word !== 'settled' ? [skillId] : [],
  );

/** The heaviest grip among skills begun and not yet held that lies over this hand's limit; null where none does. */
export function tooHardOf(
  { taught }: StudentView,
  begun: readonly WeighedSkill[],
): { chord: string; effort: number; limit: number } | null {
  const { gripEffort: limit } = taught.limits;
  let worst: WeighedSkill | null = null;
  for (const one of begun) if (one.effort > limit && one.effort > (worst?.effort ?? 0)) worst = one;
  return worst && { chord: worst.chord, effort: worst.effort, limit };
}
