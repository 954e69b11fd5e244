/** How a plan stands, in a few words beside its minutes. */
import type { PlanStanding } from '@finch/contract';
import { PLAN_MODEL_VERSION, type LessonPlan } from '@finch/core/planning';

const STANDS: Readonly<Record<PlanStanding, string>> = {
  none: 'proposed',
  begun: 'not kept yet',
  kept: '',
  changed: 'changed since kept',
};

/** @param plan as it was read; one that an earlier planner proposed says so, since a new proposal may differ */
export function standingWords(
  plan: Pick<LessonPlan, 'modelVersion'> | null,
  standing: PlanStanding,
  now: { readonly busy: boolean; readonly dirty: boolean },
): string {
  if (now.busy) return 'weighing…';
  const old = plan && plan.modelVersion !== PLAN_MODEL_VERSION ? 'proposed by an earlier planner' : '';
  return [now.dirty ? 'changed by hand, not kept yet' : STANDS[standing], old].filter(Boolean).join(', ');
}
