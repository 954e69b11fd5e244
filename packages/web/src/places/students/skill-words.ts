/** How a skill's mark is said, and which skills want looking at first. */
import type { SkillStateBody } from '@finch/contract';
import { plural, shortDate, SURE_FROM, whole } from '../../words';

export const needOf = (skill: SkillStateBody): number =>
  (skill.marks.slipping ? 4 : 0) + (skill.marks.stuck ? 3 : 0) + (skill.marks.due ? 1 : 0);

export function markWord(skill: SkillStateBody): string {
  if (skill.marks.slipping)
    return `slipping: was ${whole(skill.peak?.mean ?? 0)} on ${shortDate(skill.peak?.at ?? 0)}`;
  if (skill.marks.stuck) return `stuck after ${plural(skill.attempts, 'take')}`;
  if (skill.attempts < SURE_FROM) return `not sure yet: ${plural(skill.attempts, 'take')}`;
  return `recall ${whole(skill.recall ?? 0)} in 100`;
}
