/**
 * Hands a drill on, from whichever bench it was made at: into the plan of the next lesson, or home. All ways into a plan
 * go through here and the one route of the server behind it, which keeps what is in the plan. What was done is said with
 * the way back; minutes are fitted only where the teacher says so.
 */
import { routes, type LessonBody } from '@finch/contract';
import { drillTitle, makeDrill, type Recipe } from '@finch/core/drills';
import type { Reason } from '@finch/core/effort';
import type { DrillContext } from '@finch/core/hands';
import { added as addedTo, fitted, planMinutes, without, type PlanBlock } from '@finch/core/planning';
import { useQueryClient } from '@tanstack/vue-query';
import { v7 as uuid } from 'uuid';
import { readonly, ref } from 'vue';
import { inPlainSchool } from '../words/school';
import { plural, say, sayError } from '../words';
import { readAnew } from './queries';
import { call } from './api';
import { useBench } from './bench';
import { planDraft, useDrafts, type PlanDraft } from './drafts';
import { useNotices } from './notices';
import { useSeat } from './seat';

const MINUTES = 6;
const LESSON_MINUTES = 45;
const MOST_TITLE = 80;

/** A block made by hand around a recipe. */
export function blockOf(
  recipe: Recipe,
  context: DrillContext,
  title: Reason = drillTitle(recipe),
  more: Partial<Pick<PlanBlock, 'kind' | 'skillId'>> = {},
): PlanBlock {
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
    ...more,
  };
}

interface Before {
  readonly plan: LessonBody['plan'];
  readonly standing: LessonBody['planStanding'];
}

export function useHandOut() {
  const bench = useBench();
  const seat = useSeat();
  const notices = useNotices();
  const client = useQueryClient();
  const drafts = useDrafts();
  const busy = ref(false);

  /** One at a time: the second of two quick presses finds the first still going and does nothing. */
  async function once(work: (studentId: string) => Promise<void>): Promise<void> {
    if (busy.value) return;
    if (!bench.studentId) {
      notices.tell('Nobody is on the bench. Put a student there first: pick one on the Board.');
      return;
    }
    busy.value = true;
    try {
      await work(bench.studentId);
    } catch (problem) {
      notices.trouble(sayError(problem));
    } finally {
      busy.value = false;
    }
  }
  function show(lesson: LessonBody) {
    client.setQueryData(['lesson', lesson.id], lesson);
    void readAnew(client, 'board', 'student');
  }
  /** The lesson on the bench while it is still ahead or under way, else the student's next, else one booked for now. */
  async function lessonFor(studentId: string) {
    const student = await call(routes.student, { params: { studentId } });
    const here = student.lessons.find((one) => one.id === bench.lessonId && one.state !== 'written');
    const next = here ?? student.nextLesson;
    if (next) return { id: next.id, name: student.name, booked: false };
    const made = await call(routes.bookLesson, {
      body: { id: uuid(), studentId, startsAt: new Date(seat.now()).toISOString(), minutes: LESSON_MINUTES },
    });
    return { id: made.id, name: student.name, booked: true };
  }
  const keep = (lesson: LessonBody, plan: LessonBody['plan'], standing: LessonBody['planStanding']) =>
    call(routes.keepPlan, {
      params: { lessonId: lesson.id },
      body: { version: lesson.version, plan, standing },
    });

  async function put(block: PlanBlock, again = false): Promise<void> {
    await once(async (studentId) => {
      const { id, name, booked } = await lessonFor(studentId);
      const { lesson, added, before } = await call(routes.putInPlan, {
        params: { lessonId: id },
        body: { block, again },
      });
      const title = say(block.title);
      bench.put(studentId, lesson.id);
      if (!added) {
        show(lesson);
        notices.tell(`${title} is in this plan already.`, [
          { label: 'Put it in once more', run: () => put({ ...block, id: uuid() }, true) },
        ]);
        return;
      }
      // Changes on the plan bench that are not kept yet get the block too, and go on from here.
      const drafted = inDraft(lesson, (blocks) => addedTo(blocks, block).blocks);
      show(lesson);
      const undo = {
        label: 'Undo',
        undo: true,
        run: () => once(() => takeOut(lesson, block, before)),
      };
      const now = planMinutes(lesson.plan?.blocks ?? []);
      const over = now - lesson.minutes;
      const fit = {
        label: `Fit to ${lesson.minutes} min`,
        run: () => fitTo(lesson, block, before),
      };
      notices.tell(
        `${title} is in the plan of ${name}, ${plural(block.minutes, 'minute')}; ${
          drafted
            ? 'your changes that are not kept yet have it too'
            : before.plan
              ? 'what was in it stays'
              : 'the rest is proposed around it'
        }. ${now} of ${lesson.minutes} minutes${over > 0 ? `, ${over} over` : ''}.${
          booked ? ' No lesson was ahead, so one is booked for now.' : ''
        }`,
        over > 0 ? [undo, fit] : [undo],
      );
    });
  }
  function inDraft(
    lesson: LessonBody,
    edit: (blocks: readonly PlanBlock[]) => readonly PlanBlock[],
  ): boolean {
    return drafts.change<PlanDraft>(planDraft(lesson.id), ({ plan }) => ({
      from: lesson.version,
      plan: { ...plan, blocks: edit(plan.blocks) },
    }));
  }
  async function takeOut(lesson: LessonBody, block: PlanBlock, before: Before): Promise<void> {
    const back = await keep(lesson, before.plan, before.standing);
    inDraft(back, (blocks) =>
      without(
        blocks,
        blocks.findIndex((one) => one.id === block.id),
      ),
    );
    show(back);
    notices.tell(`${say(block.title)} is out of the plan again.`);
  }
  const fitTo = (lesson: LessonBody, block: PlanBlock, before: Before) =>
    once(async () => {
      if (!lesson.plan) return;
      const blocks = fitted(lesson.plan.blocks, lesson.minutes, [block.id]);
      const shorter = blocks.flatMap((one, i) => {
        const was = lesson.plan?.blocks[i].minutes ?? 0;
        return was === one.minutes ? [] : [`${say(one.title)} ${was} to ${one.minutes}`];
      });
      const kept = await keep(lesson, { ...lesson.plan, blocks: [...blocks] }, lesson.planStanding);
      show(kept);
      inDraft(kept, (drafted) => fitted(drafted, lesson.minutes, [block.id]));
      const over = planMinutes(blocks) - lesson.minutes;
      notices.tell(
        `${shorter.length ? `Shorter: ${shorter.join(', ')}.` : 'Nothing could be shortened.'}${
          over > 0 ? ` Still ${over} over: the rest is locked or short already.` : ''
        }`,
        [
          {
            label: 'Undo both',
            undo: true,
            run: () => once(() => takeOut(kept, block, before)),
          },
        ],
      );
    });

  /** Gives the drill home. The card keeps words of no school, since whoever reads it may be taught another. */
  const home = (recipe: Recipe, title: Reason = drillTitle(recipe), skillId: string | null = null) =>
    once(async (studentId) => {
      await call(routes.assignHome, {
        params: { studentId },
        body: { id: uuid(), recipe, skillId, title: inPlainSchool(() => say(title)).slice(0, MOST_TITLE) },
      });
      void readAnew(client, 'student');
      notices.tell(`${say(title)} goes home.`);
    });

  return { busy: readonly(busy), put: (block: PlanBlock) => put(block), home };
}
