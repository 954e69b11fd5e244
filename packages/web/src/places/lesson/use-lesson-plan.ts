/** The plan of the lesson on the bench: the one kept, else one proposed, which is kept when the lesson begins. */
import { routes, type LessonBody } from '@finch/contract';
import type { LessonPlan, PlanBlock } from '@finch/core/planning';
import { useQueryClient } from '@tanstack/vue-query';
import { computed, ref, shallowRef, watch, type Ref } from 'vue';
import { call } from '../../session/api';
import { sayError } from '../../words';

type LessonNow = Readonly<Ref<LessonBody | undefined>>;

export function useProposed(lesson: LessonNow, closed: () => boolean) {
  const proposal = shallowRef<LessonPlan | null>(null);
  const trouble = ref('');
  const proposed = computed<readonly PlanBlock[]>(() => proposal.value?.blocks ?? []);
  async function propose() {
    const now = lesson.value;
    if (!now) return;
    try {
      const plan = await call(routes.propose, {
        params: { studentId: now.studentId },
        body: { minutes: now.minutes, locked: [] },
      });
      if (lesson.value?.id === now.id && !lesson.value.plan) proposal.value = plan;
    } catch (problem) {
      trouble.value = sayError(problem);
    }
  }
  watch(
    () => lesson.value !== undefined && !closed() && !lesson.value.plan && !proposed.value.length,
    (none) => none && void propose(),
    { immediate: true },
  );
  return { proposal, proposed, trouble };
}

/** What the lesson began with is its plan: the write-up compares with it. */
export function useBegunPlan(
  lesson: LessonNow,
  { proposal, trouble }: ReturnType<typeof useProposed>,
  begun: () => boolean,
  refetch: () => Promise<unknown>,
) {
  const client = useQueryClient();
  watch(
    () => begun() && proposal.value !== null && lesson.value?.plan === null,
    async (keep) => {
      const now = lesson.value;
      const plan = proposal.value;
      if (!keep || !now || !plan) return;
      try {
        const kept = await call(routes.keepPlan, {
          params: { lessonId: now.id },
          body: { version: now.version, plan, standing: 'begun' },
        });
        client.setQueryData(['lesson', kept.id], kept);
      } catch (problem) {
        trouble.value = sayError(problem);
        await refetch();
      }
    },
  );
}
