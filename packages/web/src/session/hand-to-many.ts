/** A lesson's drills handed into the plan of somebody's next lesson, all of them or none, with the way back. */
import { routes, type LessonBody, type StudentBody } from '@finch/contract';
import type { PlanBlock } from '@finch/core/planning';
import { v7 as uuid } from 'uuid';
import { call } from './api';

const LESSON_MINUTES = 45;

export interface Handed {
  readonly name: string;
  readonly lesson: LessonBody;
  /** Takes all of it out of the plan again. */
  readonly undo: () => Promise<void>;
}

/** Rejects where one could not be put in; what was put in before it is taken out again. */
export async function handInto(
  student: StudentBody,
  blocks: readonly PlanBlock[],
  nowMs: number,
): Promise<Handed> {
  const lessonId =
    student.nextLesson?.id ??
    (
      await call(routes.bookLesson, {
        body: {
          id: uuid(),
          studentId: student.id,
          startsAt: new Date(nowMs).toISOString(),
          minutes: LESSON_MINUTES,
        },
      })
    ).id;
  let lesson: LessonBody | null = null;
  let before: { readonly plan: LessonBody['plan']; readonly standing: LessonBody['planStanding'] } | null =
    null;
  const undo = async () => {
    if (!lesson || !before) return;
    await call(routes.keepPlan, {
      params: { lessonId },
      body: { version: lesson.version, plan: before.plan, standing: before.standing },
    });
  };
  try {
    for (const block of blocks) {
      const put = await call(routes.putInPlan, {
        params: { lessonId },
        body: { block: { ...block, id: uuid(), locked: true }, again: true },
      });
      before ??= put.before;
      lesson = put.lesson;
    }
  } catch (problem) {
    await undo();
    throw problem;
  }
  if (!lesson) throw new RangeError('no blocks to hand on');
  return { name: student.name, lesson, undo };
}
