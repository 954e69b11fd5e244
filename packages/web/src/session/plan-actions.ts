/** Puts a block into the next lesson's plan, from whichever bench it was made at. */
import { routes } from '@finch/contract';
import { makeDrill, type DrillContext, type Recipe } from '@finch/core/drills';
import type { Reason } from '@finch/core/effort';
import type { PlanBlock } from '@finch/core/planning';
import { v7 as uuid } from 'uuid';
import { call } from './api';

const MINUTES = 6;

/** A block made by hand around a recipe. */
export function blockOf(recipe: Recipe, title: Reason, context: DrillContext): PlanBlock {
  const drill = makeDrill(recipe, context);
  const bursts = drill.ok && drill.value.hasBarre ? drill.value.bursts : null;
  return {
    id: uuid(),
    kind: 'new',
    minutes: MINUTES,
    title,
    because: { code: 'because.chosen', values: {} },
    skillId: null,
    recipe,
    effort: drill.ok ? drill.value.effort : 0,
    barreMinutes: bursts ? (MINUTES * bursts.workSeconds) / (bursts.workSeconds + bursts.restSeconds) : 0,
    locked: true,
  };
}

/**
 * Adds a locked block to the next lesson and plans the rest around it. Returns the lesson's id; rejects with
 * the server's refusal, for example when the locked blocks no longer fit.
 */
export async function putInPlan(studentId: string, block: PlanBlock): Promise<string> {
  const student = await call(routes.student, { params: { studentId } });
  const next =
    student.nextLesson ??
    (await call(routes.bookLesson, {
      body: { id: uuid(), studentId, startsAt: new Date().toISOString(), minutes: 45 },
    }));
  const lesson = await call(routes.lesson, { params: { lessonId: next.id } });
  const locked = [...(lesson.plan?.blocks.filter((one) => one.locked) ?? []), block];
  const plan = await call(routes.propose, {
    params: { studentId },
    body: { minutes: lesson.minutes, locked },
  });
  await call(routes.keepPlan, { params: { lessonId: lesson.id }, body: { version: lesson.version, plan } });
  return lesson.id;
}
