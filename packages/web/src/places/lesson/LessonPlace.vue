<script setup lang="ts">
/** The lesson as it runs, readable from a metre and a half and worked with one hand. */
import { routes } from '@finch/contract';
import type { TakeResult } from '@finch/core/drills';
import type { LessonPlan, PlanBlock } from '@finch/core/planning';
import { useQueryClient } from '@tanstack/vue-query';
import { BButton } from 'bootstrap-vue-next';
import { computed, nextTick, ref, shallowRef, useTemplateRef, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { useKeys } from '../../app/keys';
import TodayLessons from '../../furniture/TodayLessons.vue';
import PatternDefs from '../../instruments/PatternDefs.vue';
import { call } from '../../session/api';
import { useBench } from '../../session/bench';
import { useHandOut } from '../../session/hand-out';
import { useLesson, useStudent } from '../../session/queries';
import { useSeat } from '../../session/seat';
import { useTaught } from '../../session/taught';
import { say, sayError, whenText } from '../../words';
import AskDialog from './AskDialog.vue';
import LessonClosed from './LessonClosed.vue';
import LessonLog from './LessonLog.vue';
import LessonStage from './LessonStage.vue';
import LessonTop from './LessonTop.vue';
import { familyText, withTempo } from './lesson-words';
import { useLessonRun } from './use-lesson-run';
import { useLessonStage } from './use-lesson-stage';
import { useLessonTakes } from './use-lesson-takes';

const props = defineProps<{ lessonId?: string }>();
const seat = useSeat();
const bench = useBench();
const route = useRoute();
const router = useRouter();
const client = useQueryClient();
const handOut = useHandOut();
const { data: onBench } = useStudent(() => bench.studentId);
const id = computed(() => props.lessonId || bench.lessonId || onBench.value?.nextLesson?.id || null);
const { data: lesson, error, refetch } = useLesson(id);
const { student, drilling, instrument, hookOn } = useTaught(() => lesson.value?.studentId ?? null);
const proposal = shallowRef<LessonPlan | null>(null);
const proposed = computed<readonly PlanBlock[]>(() => proposal.value?.blocks ?? []);
const trouble = ref('');
const lessonRun = useLessonRun(lesson, proposed, seat);
const { blocks, block, at, begun, run, takes, lastTake, spentSeconds } = lessonRun;
const next = computed(() => blocks.value[at.value + 1] ?? null);
const stage = useLessonStage(block, drilling, instrument);
const { drill, tempo, player } = stage;
const closed = computed(
  () =>
    lesson.value !== undefined &&
    ['taught', 'written', 'cancelled'].includes(lesson.value.state) &&
    !run.value?.again,
);
const name = computed(() => student.value?.name ?? '');

watch(lesson, (now) => now && bench.put(now.studentId, now.id), { immediate: true });
watch(
  [lesson, () => route.query.start, closed] as const,
  ([now, start, over]) => {
    if (!now || over) return;
    if (start) {
      lessonRun.begin();
      void router.replace({ query: {} });
    }
    if (!now.plan && !proposed.value.length) void propose();
  },
  { immediate: true },
);
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
/** What the lesson began with is its plan: the write-up compares with it. */
watch(
  () => begun.value && !closed.value && proposed.value.length > 0 && lesson.value?.plan === null,
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
      lessonRun.logged(result, takeId);
      void lessonRun.send('running');
    },
    onPain: () => player.stop(),
    onTrouble: (problem) => (trouble.value = sayError(problem)),
  },
  seat,
);
const { feel, asks, stopped, said, felt } = taken;
const log = (result: TakeResult) => taken.log(result);
async function takeBack() {
  const last = lastTake.value;
  if (!last) return;
  await taken.takeBack(last.id);
  if (stopped.value) return;
  lessonRun.takenBack(last.id);
  void lessonRun.send('running');
}
const heading = useTemplateRef<HTMLElement>('place');
const announced = ref('');
const go = (to: () => number) =>
  taken.inTurn(async () => {
    const target = to();
    if (target >= blocks.value.length) return finish();
    if (target < 0 || !(await taken.leave())) return;
    lessonRun.goTo(target);
    announced.value = block.value ? `${say(block.value.title)}, ${block.value.minutes} minutes` : '';
    await lessonRun.send('running');
  });

/** Waits for a server that is away and goes on when it answers; one more press stays in the lesson. */
const finishing = ref(false);
const WAIT_MS = 2000;
async function finish() {
  if (finishing.value) return void (finishing.value = false);
  finishing.value = true;
  await taken.end();
  lessonRun.begin();
  lessonRun.rest();
  player.stop();
  while (finishing.value && !(await lessonRun.send('taught'))) {
    if (!seat.awaySince) return void (finishing.value = false);
    await new Promise((resolve) => setTimeout(resolve, WAIT_MS));
  }
  if (finishing.value) await router.push({ name: 'write-up', params: { lessonId: id.value ?? '' } });
}
const noting = ref(false);
watch(noting, (open) => !open && begun.value && void lessonRun.send('running'));
const bringing = ref(false);
function bring(text: string) {
  bringing.value = false;
  const made = lessonRun.bring(text.trim().slice(0, 80) || 'Something brought');
  void go(() => blocks.value.findIndex((one) => one.id === made));
}
const toHome = () => {
  const now = block.value;
  if (now?.recipe) void handOut.home(withTempo(now.recipe, tempo.value), now.title, now.skillId);
};
function openAgain() {
  lessonRun.begin(true);
  void nextTick(() => heading.value?.querySelector<HTMLElement>('h1')?.focus());
}
const toWriteUp = () => router.push({ name: 'write-up', params: { lessonId: id.value ?? '' } });
const logPanel = useTemplateRef<InstanceType<typeof LessonLog>>('logPanel');
const live = () => !noting.value && !bringing.value && block.value !== null && !closed.value;
useKeys(
  [
    { key: '1', shown: '1 2 3', does: 'log a take', run: () => void log('clean') },
    { key: '2', does: 'nearly', run: () => void log('nearly'), quiet: true },
    { key: '3', does: 'not yet', run: () => void log('not yet'), quiet: true },
    { key: 'Ctrl+z', shown: 'Ctrl Z', does: 'take the last one back', run: () => void takeBack() },
    { key: ' ', shown: 'Space', does: 'play, stop', run: () => void stage.toggle() },
    { key: 's', does: 'start the clock', run: () => lessonRun.begin(), quiet: true },
    { key: 'f', does: 'easy', run: () => void felt({ hand: 'easy' }), quiet: true },
    { key: 't', does: 'tense', run: () => void felt({ hand: 'tense' }) },
    { key: 'x', does: 'pain, then where', run: () => void logPanel.value?.askWhere() },
    { key: 'n', does: 'note', run: () => (noting.value = true) },
    { key: 'm', does: 'homework', run: toHome },
    { key: 'o', does: 'something else', run: () => (bringing.value = true) },
    { key: 'ArrowRight', shown: '→', does: 'next', run: () => void go(() => at.value + 1) },
    { key: 'ArrowLeft', does: 'back', run: () => void go(() => at.value - 1), quiet: true },
    { key: '+', does: 'faster', run: () => stage.faster(2), quiet: true },
    { key: '-', does: 'slower', run: () => stage.faster(-2), quiet: true },
    { key: 'c', does: 'next change, next call', run: () => stage.next(), quiet: true },
    { key: 'v', does: 'show where the call lies', run: () => stage.reveal(), quiet: true },
  ],
  live,
);
</script>

<template>
  <div ref="place" class="lesson" :class="{ whole: !block || closed }">
    <PatternDefs />
    <TodayLessons v-if="!id" place="lesson" />
    <p v-else-if="error && !lesson" class="refusal" role="alert">
      {{ sayError(error) }}
      <BButton size="sm" variant="outline-secondary" @click="refetch()">Try again</BButton>
    </p>
    <p v-else-if="!lesson" class="sheet empty" role="status">Reading the lesson…</p>
    <LessonClosed
      v-else-if="closed"
      :lesson="lesson"
      :name="name"
      :when="whenText(lesson.startsAt, lesson.timeZone)"
      @again="openAgain"
      @write-up="toWriteUp"
    />
    <p v-else-if="!block" class="sheet empty" role="status">{{ trouble || 'Laying out the plan…' }}</p>
    <template v-else>
      <LessonTop
        class="top"
        :blocks="blocks"
        :at="at"
        :sub="familyText(block, drill)"
        :spent-seconds="spentSeconds"
        :running="begun"
      />
      <p class="visually-hidden" role="status">{{ announced }}</p>
      <LessonStage
        :stage="stage"
        :block="block"
        :instrument="instrument"
        :stopped="stopped"
        :hook-on="hookOn"
      />
      <LessonLog
        ref="logPanel"
        :takes="takes"
        :open="drill !== null"
        :stopped="stopped !== ''"
        :feel="feel"
        :asks="asks"
        :said="said"
        :can-take-back="lastTake !== null && !stopped"
        @log="log"
        @felt="felt"
        @take-back="takeBack"
      />
      <section class="sheet foot">
        <BButton variant="outline-secondary" @click="noting = true">Note</BButton>
        <BButton variant="outline-secondary" :disabled="!block.recipe || handOut.busy.value" @click="toHome"
          >To homework</BButton
        >
        <BButton variant="outline-secondary" @click="bringing = true">Brought something else</BButton>
        <span v-if="trouble || lessonRun.trouble.value" class="refusal" role="alert">{{
          trouble || lessonRun.trouble.value
        }}</span>
        <BButton v-if="!begun" class="pri" variant="dark" @click="lessonRun.begin()">Start lesson</BButton>
        <BButton v-else class="pri" variant="dark" @click="go(() => at + 1)">{{
          finishing
            ? 'Waiting for the server; press to stay here'
            : next
              ? `Next: ${say(next.title)}, ${next.minutes} min`
              : 'Finish, write up'
        }}</BButton>
      </section>
    </template>
    <AskDialog v-model:open="noting" title="Note" hint="Kept as you type; the write-up begins with it.">
      <textarea
        class="form-control"
        :value="run?.note ?? ''"
        rows="5"
        maxlength="2000"
        aria-label="Note"
        @input="lessonRun.note(($event.target as HTMLTextAreaElement).value)"
      />
    </AskDialog>
    <AskDialog
      v-model:open="bringing"
      title="Brought something else today"
      hint="The plan waits; nothing of it is lost."
      act="Turn to it"
      @done="bring"
    >
      <input class="form-control" maxlength="80" placeholder="what it is" aria-label="What was brought" />
    </AskDialog>
  </div>
</template>

<style scoped>
.lesson {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 388px;
  grid-template-rows: auto minmax(0, 1fr) auto;
  gap: 8px;
}
.lesson.whole {
  display: block;
}
.top,
.foot {
  grid-column: 1 / 3;
}
.foot {
  display: flex;
  gap: 10px;
  align-items: center;
  padding: 10px 12px;
}
.foot .btn {
  font-size: 28px;
  min-height: 58px;
  padding-inline: 16px;
}
.foot .pri {
  margin-left: auto;
  max-width: 46%;
  overflow: hidden;
  text-overflow: ellipsis;
  display: block;
}
@media (max-width: 1199px) {
  .lesson {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: auto;
  }
  .top,
  .foot {
    grid-column: 1;
  }
  .foot {
    flex-wrap: wrap;
  }
  .foot .btn {
    font-size: 22px;
  }
  .foot .pri {
    max-width: 100%;
    flex: 1 1 100%;
    white-space: normal;
  }
}
@media (max-width: 600px) {
  .foot .btn {
    font-size: 18px;
    min-height: 48px;
    flex: 1 1 auto;
  }
}
</style>
