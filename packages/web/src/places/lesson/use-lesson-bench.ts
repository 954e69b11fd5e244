/** The lesson as it runs: its plan and blocks, what is on the stage, the takes logged, and how it ends. */
import type { TakeResult } from '@finch/core/drills';
import { computed, nextTick, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { useBench } from '../../session/bench';
import { chordAmong, offerChord } from '../../session/chord-in-hand';
import { useHandOut } from '../../session/hand-out';
import { useLesson, useStudent } from '../../session/queries';
import { useSeat } from '../../session/seat';
import { useTaught } from '../../session/taught';
import { say, sayError } from '../../words';
import { withTempo } from './lesson-words';
import { useBegunPlan, useProposed } from './use-lesson-plan';
import { useLessonRun } from './use-lesson-run';
import { useLessonStage } from './use-lesson-stage';
import { useLessonTakes } from './use-lesson-takes';

const WAIT_MS = 2000;
const LONGEST_BROUGHT = 80;
const OVER: readonly string[] = ['taught', 'written', 'cancelled'];

export function useLessonBench(lessonId: () => string | undefined) {
  const seat = useSeat();
  const bench = useBench();
  const route = useRoute();
  const router = useRouter();
  const handOut = useHandOut();
  const { data: onBench } = useStudent(() => bench.studentId);
  const id = computed(() => lessonId() || bench.lessonId || onBench.value?.nextLesson?.id || null);
  const { data: lesson, error, refetch } = useLesson(id);
  const taught = useTaught(() => lesson.value?.studentId ?? null);
  const { student, drilling, instrument } = taught;
  const again = ref(false);
  const over = computed(() => lesson.value !== undefined && OVER.includes(lesson.value.state));
  const plan = useProposed(lesson, () => over.value && !again.value);
  const { trouble } = plan;
  const run = useLessonRun(lesson, plan.proposed, seat);
  const { blocks, block, at, begun, lastTake } = run;
  watch(
    () => run.run.value?.again ?? false,
    (now) => (again.value = now),
    { immediate: true },
  );
  const closed = computed(() => over.value && !again.value);
  useBegunPlan(lesson, plan, () => begun.value && !closed.value, refetch);
  const stage = useLessonStage(block, drilling, instrument);
  const { drill, tempo, player } = stage;
  /** Of a change the grip it goes to. */
  offerChord(() => chordAmong(stage.pair.value, stage.pair.value.length - 1));

  watch(lesson, (now) => now && bench.put(now.studentId, now.id), { immediate: true });
  watch(
    [lesson, () => route.query.start, closed] as const,
    ([now, start, over]) => {
      if (!now || over || !start) return;
      run.begin();
      void router.replace({ query: {} });
    },
    { immediate: true },
  );

  const taken = useLessonTakes(
    {
      drill,
      tempo,
      who: computed(() =>
        lesson.value
          ? {
              studentId: lesson.value.studentId,
              timeZone: student.value?.timeZone ?? 'UTC',
              source: seat.has('teacher', 'owner') ? 'teacher' : 'self',
            }
          : null,
      ),
      title: () => (block.value ? say(block.value.title) : ''),
      onLogged: (result, takeId) => {
        run.logged(result, takeId);
        void run.send('running');
      },
      onPain: () => player.stop(),
      onTrouble: (problem) => (trouble.value = sayError(problem)),
    },
    seat,
  );
  async function takeBack() {
    const last = lastTake.value;
    if (!last) return;
    await taken.takeBack(last.id);
    if (taken.stopped.value) return;
    run.takenBack(last.id);
    void run.send('running');
  }
  /** The new block, for a reader. */
  const announced = ref('');
  async function go(to: () => number) {
    // Waiting for the server: one more press stays in the lesson.
    if (finishing.value) return void (finishing.value = false);
    let over = false;
    await taken.inTurn(async () => {
      const target = to();
      over = target >= blocks.value.length;
      if (over || target < 0 || !(await taken.leave())) return;
      run.goTo(target);
      announced.value = block.value ? `${say(block.value.title)}, ${block.value.minutes} minutes` : '';
      await run.send('running');
    });
    // Out of turn: a take pressed while the end waits does not wait with it.
    if (over) await finish();
  }

  const toWriteUp = () => router.push({ name: 'write-up', params: { lessonId: id.value ?? '' } });
  const finishing = ref(false);
  /** Waits for a server that is away and goes on when it answers. */
  async function finish() {
    if (finishing.value) return;
    finishing.value = true;
    await taken.end();
    run.begin();
    run.rest();
    player.stop();
    while (finishing.value && !(await run.send('taught'))) {
      if (!seat.awaySince) return void (finishing.value = false);
      await new Promise((resolve) => setTimeout(resolve, WAIT_MS));
    }
    if (finishing.value) await toWriteUp();
  }
  return {
    id,
    lesson,
    error,
    refetch,
    taught,
    run,
    stage,
    taken,
    closed,
    trouble: computed(() => trouble.value || run.trouble.value),
    name: computed(() => student.value?.name ?? ''),
    next: computed(() => blocks.value[at.value + 1] ?? null),
    announced,
    finishing,
    go,
    log: (result: TakeResult) => taken.log(result),
    takeBack,
    toWriteUp,
    handingOut: handOut.busy,
    toHome: () => {
      const now = block.value;
      const recipe = drill.value?.recipe;
      if (now && recipe) void handOut.home(withTempo(recipe, tempo.value), now.title, now.skillId);
    },
    bring: (text: string) => {
      const made = run.bring(text.trim().slice(0, LONGEST_BROUGHT) || 'Something brought');
      void go(() => blocks.value.findIndex((one) => one.id === made));
    },
    noted: () => begun.value && void run.send('running'),
    openAgain: () => {
      run.begin(true);
      return nextTick();
    },
  };
}

export type LessonBench = ReturnType<typeof useLessonBench>;
