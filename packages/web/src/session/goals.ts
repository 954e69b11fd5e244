/** What a student plays toward, changed a tick or a weight at a time: each change is kept before the next is sent. */
import { routes, type GoalBody, type StudentBody } from '@finch/contract';
import { minutesToward, type GoalWeight, type LessonPlan } from '@finch/core/planning';
import { ref, shallowRef, watch, type Ref } from 'vue';
import { call } from './api';
import { useKeeping } from './keeping';

/** What is wished for now and then again is not: the others stay in their order. */
export const toggled = (goals: readonly GoalBody[], goal: GoalBody): GoalBody[] =>
  goals.some(({ id, given }) => id === goal.id && !given)
    ? goals.filter(({ id }) => id !== goal.id)
    : [...goals.filter(({ id }) => id !== goal.id), goal];

/** With another weight; what was given counts as wished for from then on. */
export const weighed = (goals: readonly GoalBody[], id: string, weight: GoalWeight): GoalBody[] =>
  goals.map((goal) => (goal.id === id ? { ...goal, weight, given: false } : goal));

/**
 * @param plan the lesson that is shown; none while none is
 * @param onKept after each change that was kept
 */
export function useGoals(
  student: () => StudentBody | undefined,
  plan: () => Pick<LessonPlan, 'toward' | 'blocks'> | null | undefined,
  onKept: () => void,
) {
  const goals: Ref<readonly GoalBody[]> = ref([]);
  /** Minutes toward each goal before a weight was moved. */
  const before = shallowRef<ReadonlyMap<string, number>>(new Map());
  /** Changes that are on their way. */
  let waiting = 0;
  const keeping = useKeeping<StudentBody>({
    name: 'What is wished for',
    send: async (version) =>
      (
        await call(routes.keepGoals, {
          params: { studentId: student()?.id ?? '' },
          body: {
            version,
            goals: goals.value.flatMap(({ id, weight, given }) => (given ? [] : [{ id, weight }])),
          },
        })
      ).version,
    newest: () => call(routes.student, { params: { studentId: student()?.id ?? '' } }),
    versionOf: (theirs) => theirs.version,
    inWords: (theirs) => theirs.goals.map(({ name, weight }) => `${name}, ${weight}`).join('; ') || 'nothing',
    show: (theirs) => (goals.value = theirs.goals),
  });
  watch(
    student,
    (now, old) => {
      if (now?.id !== old?.id) before.value = new Map();
      // What was not kept stands until it is, beside what somebody else kept; so does a tick that is still to be sent.
      else if (keeping.trouble.value || waiting) return;
      goals.value = now?.goals ?? [];
      keeping.began(now?.version ?? 0);
    },
    { immediate: true },
  );
  // One after the other: a second tick waits for the version that the first one makes.
  let last: Promise<unknown> = Promise.resolve();
  function change(next: readonly GoalBody[]) {
    goals.value = next;
    const shown = plan();
    before.value = new Map(shown?.toward?.map((one) => [one.id, minutesToward(one, shown.blocks)]));
    waiting += 1;
    last = last.then(async () => {
      const kept = await keeping.keep();
      waiting -= 1;
      if (kept) onKept();
    });
  }
  return {
    goals,
    before,
    keeping,
    toggle: (goal: GoalBody) => change(toggled(goals.value, goal)),
    weigh: (id: string, weight: GoalWeight) => change(weighed(goals.value, id, weight)),
  };
}
