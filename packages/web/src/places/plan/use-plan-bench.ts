/**
 * The plan of one lesson on the bench: what the server keeps, what is changed by hand and not kept yet (a draft that
 * outlives the page), the planner's proposals, and keeping it all over the version the changes began from.
 */
import { routes, type LessonBody } from '@finch/contract';
import { byHand, planMinutes, type Lean, type PlanBlock } from '@finch/core/planning';
import { useQueryClient } from '@tanstack/vue-query';
import { computed, ref, watch, type Ref } from 'vue';
import { say, sayError } from '../../words';
import { readAnew } from '../../session/queries';
import { call } from '../../session/api';
import { planDraft, useDrafts, type PlanDraft } from '../../session/drafts';
import { useKeeping } from '../../session/keeping';
import { usePlanDesk } from './plan-desk';

export function usePlanBench(lesson: Readonly<Ref<LessonBody | undefined>>) {
  const client = useQueryClient();
  const drafts = useDrafts();
  const desk = usePlanDesk();
  const { plan, blocks, dirty } = desk;
  const busy = ref(false);
  const trouble = ref('');
  /** When the changes that are not kept were made, where they came back from an earlier look. */
  const draftFrom = ref<number | null>(null);
  /** The lesson laid out, so that a later version of it is told from a first look. */
  const laid = ref('');
  let version = 0;

  const keeping = useKeeping<LessonBody>({
    name: 'Plan',
    send: async (from) => {
      if (!plan.value || !lesson.value) throw new RangeError('no plan on the bench');
      const kept = await call(routes.keepPlan, {
        params: { lessonId: lesson.value.id },
        body: { version: from, plan: plan.value },
      });
      settle(kept);
      return kept.version;
    },
    newest: () => call(routes.lesson, { params: { lessonId: lesson.value?.id ?? '' } }),
    versionOf: (theirs) => theirs.version,
    inWords: (theirs) =>
      theirs.plan
        ? `${planMinutes(theirs.plan.blocks)} minutes: ${theirs.plan.blocks.map((block) => `${say(block.title)} ${block.minutes}`).join(', ')}`
        : 'no plan',
    show: (theirs) => {
      settle(theirs);
      if (theirs.plan) desk.replace(theirs.plan);
      desk.kept();
    },
  });
  /** What is on the bench is what the server has. */
  function settle(now: LessonBody) {
    version = now.version;
    desk.kept();
    draftFrom.value = null;
    drafts.drop(planDraft(now.id));
    client.setQueryData(['lesson', now.id], now);
    void readAnew(client, 'board', 'student');
  }
  async function propose(locked: readonly PlanBlock[], asked: boolean, lean: Lean = 'even') {
    const now = lesson.value;
    if (!now) return;
    const seen = plan.value;
    busy.value = true;
    trouble.value = '';
    try {
      const made = await call(routes.propose, {
        params: { studentId: now.studentId },
        body: { minutes: now.minutes, locked: [...locked], ...(lean === 'even' ? {} : { lean }) },
      });
      // What was changed by hand meanwhile is not overwritten.
      if (plan.value === seen && lesson.value?.id === now.id) desk.replace(made, asked);
    } catch (problem) {
      trouble.value = sayError(problem);
    } finally {
      busy.value = false;
    }
  }
  /** What the server has, without what was changed here. */
  async function layStored(now: LessonBody) {
    version = now.version;
    keeping.began(now.version);
    if (now.plan) desk.lay(now.plan);
    else await propose([], false);
  }
  watch([plan, dirty], ([now, changed]) => {
    if (!laid.value || laid.value !== lesson.value?.id) return;
    if (changed && now) drafts.write<PlanDraft>(planDraft(laid.value), { from: version, plan: now });
    else drafts.drop(planDraft(laid.value));
  });
  watch(
    lesson,
    async (now) => {
      if (!now || (laid.value === now.id && dirty.value)) return;
      const draft = laid.value === now.id ? null : drafts.read<PlanDraft>(planDraft(now.id));
      laid.value = '';
      desk.clear();
      if (draft) {
        if (now.plan) desk.lay(now.plan);
        desk.change(() => draft.value.plan.blocks, draft.value.plan);
        version = draft.value.from;
        keeping.began(version);
        draftFrom.value = draft.at;
        laid.value = now.id;
        return;
      }
      laid.value = now.id;
      await layStored(now);
    },
    { immediate: true },
  );

  return {
    desk,
    keeping,
    busy,
    trouble,
    draftFrom,
    /** Plans the rest anew around what is locked or was put in by hand, leaning as before or as it is asked to. */
    replan: (lean: Lean = plan.value?.lean ?? 'even') => propose(blocks.value.filter(byHand), true, lean),
    /** Gives up the changes that are not kept. */
    dropDraft: async () => {
      const now = lesson.value;
      if (!now) return;
      draftFrom.value = null;
      drafts.drop(planDraft(now.id));
      desk.clear();
      await layStored(now);
    },
    keptByTeacher: computed(() => lesson.value?.planStanding === 'kept' && !dirty.value),
  };
}
