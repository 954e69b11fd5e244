/** The blocks that no skill asks for: three easy minutes first, what goes home last, a rest between. */
import { makeDrill } from '../drills/make-drill';
import { warmUp } from '../drills/recipe';
import type { CandidateContext } from './candidates';
import { PLAN } from './lesson-limits';
import type { PlanBlock } from './plan';

export function warmUpBlock(context: CandidateContext): PlanBlock {
  const recipe = warmUp(PLAN.warmUpMinutes);
  const drill = makeDrill(recipe, context.taught);
  return {
    id: 'warm up',
    kind: 'warm up',
    minutes: PLAN.warmUpMinutes,
    title: { code: 'title.warm-up', values: {} },
    because: {
      code: 'because.cold',
      values: { fret: drill.ok ? Number(drill.value.steps[0].ask.values.fret) : 5 },
    },
    skillId: null,
    recipe,
    effort: drill.ok ? drill.value.effort : 5,
    barreMinutes: 0,
    locked: false,
  };
}

export function takeHomeBlock(): PlanBlock {
  return {
    id: 'take home',
    kind: 'take home',
    minutes: PLAN.takeHomeMinutes,
    title: { code: 'title.take-home', values: {} },
    because: { code: 'because.home', values: {} },
    skillId: null,
    recipe: null,
    effort: 0,
    barreMinutes: 0,
    locked: false,
  };
}

export function restBlock(id: string, minutes: number, skillId: string | null): PlanBlock {
  return {
    id,
    kind: 'rest',
    minutes,
    title: { code: 'title.listen', values: {} },
    because: { code: 'because.rest', values: {} },
    skillId,
    recipe: null,
    effort: 0,
    barreMinutes: 0,
    locked: false,
  };
}
