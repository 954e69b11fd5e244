/**
 * The planner's proposals for lessons nobody planned yet: made on a thread as soon as what they rest on changed, never while
 * somebody waits for the Board. The last one stands until the next is there.
 */
import type { LessonPlan } from '@finch/core/planning';
import type { Logger } from 'pino';
import type { LessonRow } from '../platform/entities';
import type { AskedGoals } from '../students/goals.service';
import type { StudentView } from '../students/states.service';
import { isClosed, type Work } from '../work/work';
import { askedOf } from './lessons.service';

export interface Proposals {
  /** What is known by now; `coming` while the first one is being made. */
  readonly of: (
    lesson: LessonRow,
    view: StudentView,
    promised: readonly string[],
    goals: AskedGoals,
  ) => { readonly plan: LessonPlan | null; readonly coming: boolean };
  /** Counts up whenever what is known changed. */
  readonly changes: () => number;
  /** Lets go of those that no lesson asks for any more. */
  readonly keepOnly: (lessons: readonly LessonRow[]) => void;
}

interface Made {
  /** What it rests on: other objects, other ground. */
  readonly ground: readonly unknown[];
  readonly plan: LessonPlan | null;
  /** False while the first is being made. */
  readonly done: boolean;
}

const same = (a: readonly unknown[], b: readonly unknown[]) => a.every((one, i) => one === b[i]);

export function makeProposals(work: Work, log: Logger): Proposals {
  const made = new Map<string, Made>();
  let changes = 0;
  // One after the other: whoever waits for a log is not behind the plans of a whole day.
  let before: Promise<unknown> = Promise.resolve();
  const make = async (id: string, ground: readonly unknown[], asked: ReturnType<typeof askedOf>) => {
    // Another ground by now: its own proposal is on the way.
    if (made.get(id)?.ground !== ground) return;
    const planned = await work.run('plan', ...asked);
    changes++;
    if (made.get(id)?.ground === ground)
      made.set(id, { ground, plan: planned.ok ? planned.value : null, done: true });
  };
  return {
    of: (lesson, view, promised, goals) => {
      const { waived } = view.record;
      const ground = [
        view.state,
        view.taught,
        lesson.minutes,
        view.syllabus.id,
        JSON.stringify([goals, waived, promised]),
      ];
      const known = made.get(lesson.id);
      if (!known || !same(known.ground, ground)) {
        made.set(lesson.id, { ground, plan: known?.plan ?? null, done: known?.done ?? false });
        const asked = askedOf(view, { minutes: lesson.minutes, locked: [] }, promised, goals);
        before = before
          .then(() => make(lesson.id, ground, asked))
          .catch((problem: unknown) => {
            // Asked for again by the next Board.
            made.delete(lesson.id);
            if (!isClosed(problem)) log.warn({ err: problem }, 'a proposal');
          });
      }
      const { plan, done } = made.get(lesson.id) ?? { plan: null, done: false };
      return { plan, coming: !done };
    },
    changes: () => changes,
    keepOnly: (lessons) => {
      const ids = new Set(lessons.map((one) => one.id));
      for (const id of made.keys()) if (!ids.has(id)) made.delete(id);
    },
  };
}
