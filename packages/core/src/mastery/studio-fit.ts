/**
 * What a studio's students tell of how hard each skill is to meet: their first takes of it, held against what was said of them
 * before anything was known of anybody, shift its difficulty for all. One Newton step toward the most likely shift under a normal
 * belief around none (a Rasch difficulty with a prior: Mislevy 1986), so that few takes move little.
 */
import { clamp, logistic } from '../kernel/number';
import type { DifficultyFit } from '../hands/taught-hand';
import type { Belief } from './ability';

/** First takes that count of a student, students there must be, spread of the belief in logits, and the most it shifts (assumed). */
const FIT = { takes: 3, students: 3, spread: 0.8, most: 1.5 } as const;

/** First takes of a skill: how many, and sums of what came less what was said, and of what a shift changes of that. */
export interface FirstTakes {
  /** What was believed of it before any take. */
  readonly start: Belief;
  readonly takes: number;
  readonly over: number;
  readonly information: number;
}

/** With one more take; later ones than the first few leave it as it is. @param believed what is believed when the take begins */
export function withFirst(
  before: FirstTakes | undefined,
  believed: Belief,
  load: number,
  clean: boolean,
): FirstTakes {
  if (before && before.takes >= FIT.takes) return before;
  const start = before?.start ?? believed;
  const kappa = 1 / Math.sqrt(1 + (Math.PI * start.variance) / 8);
  const p = logistic(kappa * (start.mean - load));
  return {
    start,
    takes: (before?.takes ?? 0) + 1,
    over: (before?.over ?? 0) + (clean ? 1 : 0) - p,
    information: (before?.information ?? 0) + kappa * p * (1 - p),
  };
}

/** Name of a skill among the shifts of a fit, which hold items too. */
const skillKey = (skillId: string): string => `skill ${skillId}`;

/** What the studio found a skill harder than said, logits. */
export const skillShift = ({ shiftLogits }: DifficultyFit, skillId: string): number =>
  shiftLogits[skillKey(skillId)] ?? 0;

/** Shifts of a studio, logits, above 0 where it was harder than said. @param version names it among fits */
export function studioFit(
  students: readonly ReadonlyMap<string, FirstTakes>[],
  version: string,
): DifficultyFit {
  const sums = new Map<string, { students: number; over: number; information: number }>();
  for (const firsts of students)
    for (const [skillId, { over, information }] of firsts) {
      const sum = sums.get(skillId) ?? { students: 0, over: 0, information: 0 };
      sums.set(skillId, {
        students: sum.students + 1,
        over: sum.over + over,
        information: sum.information + information,
      });
    }
  const shiftLogits: Record<string, number> = {};
  for (const [skillId, { students: many, over, information }] of sums) {
    if (many < FIT.students) continue;
    const shift = -over / (information + 1 / FIT.spread ** 2);
    shiftLogits[skillKey(skillId)] = clamp(shift, -FIT.most, FIT.most);
  }
  return { version, shiftLogits };
}
