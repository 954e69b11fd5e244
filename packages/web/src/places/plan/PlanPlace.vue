<script setup lang="ts">
import { allowedHand } from '@finch/core/mastery';
import { gripsInOrder, makeDrill } from '@finch/core/drills';
import type { PlanBlock } from '@finch/core/planning';
import {
  added,
  fitted,
  LEANS,
  lengthened,
  lockTurned,
  moved,
  planMinutes,
  swapped,
  without,
} from '@finch/core/planning';
import { useQueryClient } from '@tanstack/vue-query';
import { BButton } from 'bootstrap-vue-next';
import { computed, nextTick, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import IconCheck from '~icons/bi/check-lg';
import TodayLessons from '../../furniture/TodayLessons.vue';
import BothVersions from '../../furniture/BothVersions.vue';
import { backForward, forwardBack, useKeys } from '../../app/keys';
import { useStages } from '../../app/stages';
import { sayError, timeText, whenText } from '../../words';
import PatternDefs from '../../instruments/PatternDefs.vue';
import { useBench } from '../../session/bench';
import { chordAmong, offerChord } from '../../session/chord-in-hand';
import { readAnew, useLesson, useStudent } from '../../session/queries';
import { useTaught } from '../../session/taught';
import PlanBudget from './PlanBudget.vue';
import PlanRun from './PlanRun.vue';
import PlanShelf from './PlanShelf.vue';
import RekeyDialog from './RekeyDialog.vue';
import { standingWords } from './plan-standing';
import { usePlanBench } from './use-plan-bench';

const props = defineProps<{ lessonId?: string }>();
const bench = useBench();
const router = useRouter();
const client = useQueryClient();
const { data: onBench } = useStudent(() => bench.studentId);
const id = computed(() => props.lessonId || bench.lessonId || onBench.value?.nextLesson?.id || null);
const { data: lesson, error, refetch } = useLesson(id);
const { student, drilling } = useTaught(() => lesson.value?.studentId ?? null);
const minutes = computed(() => lesson.value?.minutes ?? 45);
const limits = computed(() => student.value?.limits.value ?? null);
const alone = computed(() =>
  student.value ? allowedHand(student.value.pain, student.value.instrument.value.leftHanded) : null,
);
const hurts = computed(() => ['stopped today', 'locked'].includes(student.value?.pain.status ?? ''));
watch(
  lesson,
  (now) => {
    if (now && (bench.studentId !== now.studentId || bench.lessonId !== now.id))
      bench.put(now.studentId, now.id);
  },
  { immediate: true },
);
const { desk, keeping, busy, trouble, draftFrom, replan, dropDraft, keptByTeacher } = usePlanBench(lesson);
const { plan, blocks, picked, dirty } = desk;

/** The first grip of the drill in the block picked. */
offerChord(() => {
  const recipe = blocks.value[picked.value]?.recipe;
  const made = recipe ? makeDrill(recipe, drilling.value) : null;
  return made?.ok ? chordAmong(gripsInOrder(made.value), 0) : null;
});
const swapping = ref(false);
const rekeying = ref(false);
const longer = (by: number, at = picked.value) => desk.change((now) => lengthened(now, at, by));
const over = computed(() => planMinutes(blocks.value) - minutes.value);
const fit = () => desk.change((now) => fitted(now, minutes.value));
const lock = (at = picked.value) => desk.change((now) => lockTurned(now, at));
function takeOut(at = picked.value) {
  swapping.value = false;
  desk.change((now) => without(now, at));
  pick(picked.value);
}
function move(by: number) {
  const from = picked.value;
  desk.change((now) => moved(now, from, by));
  pick(from + by);
}
function put(block: PlanBlock) {
  if (swapping.value) desk.change((now) => swapped(now, picked.value, block));
  else {
    const { at } = added(blocks.value, block);
    desk.change((now) => added(now, block).blocks);
    desk.pick(at);
  }
  swapping.value = false;
}
const focusShelf = () => nextTick(() => document.getElementById('shelf-find')?.focus());
/** Arms the swap of the picked block and goes where its successor is chosen; once more lets it go. */
function swap() {
  swapping.value = !swapping.value && blocks.value.length > 0;
  if (swapping.value) void focusShelf();
}
function pick(to: number) {
  desk.pick(to);
  void nextTick(() => document.getElementById(`block-${picked.value}`)?.focus());
}
async function start() {
  if ((dirty.value || lesson.value?.planStanding !== 'kept') && !(await keeping.keep())) return;
  await router.push({ name: 'lesson', params: { lessonId: id.value ?? '' }, query: { start: 'now' } });
}
/** The plan follows what it is to lean toward; Undo takes that back. */
async function movedWeight() {
  await Promise.all([readAnew(client, 'student', 'proposal'), replan()]);
}
/** The shelf comes a frame after the plan itself. */
const stage = useStages(1);
useKeys('plan', {
  block: backForward((by) => pick(picked.value + by)),
  move: backForward(move),
  minutes: forwardBack(longer),
  swap,
  shelf: () => focusShelf(),
  noSwap: () => (swapping.value = false),
  keep: () => void keeping.keep(),
  lock: () => lock(),
  takeOut: () => takeOut(),
  fit,
  undo: desk.undo,
  replan: () => void replan(),
  lean: () =>
    !busy.value && void replan(LEANS[(LEANS.indexOf(plan.value?.lean ?? 'even') + 1) % LEANS.length]),
  rekey: () => (rekeying.value = plan.value !== null),
  start: () => void start(),
});
const standing = computed(() =>
  standingWords(plan.value, lesson.value?.planStanding ?? 'none', { busy: busy.value, dirty: dirty.value }),
);
const clockText = (ms: number) => timeText(ms, lesson.value?.timeZone ?? 'UTC');
const when = computed(() => (lesson.value ? whenText(lesson.value.startsAt, lesson.value.timeZone) : ''));
</script>

<template>
  <div class="plan">
    <PatternDefs />
    <Teleport defer to="#bench-tools">
      <span v-if="lesson" class="note"
        >Lesson: <b>{{ when }}</b></span
      >
      <BButton variant="outline-secondary" :disabled="!plan" @click="rekeying = true">Re-key</BButton>
      <BButton variant="outline-secondary" :disabled="!plan" @click="start">Start lesson</BButton>
      <BButton class="pri" variant="dark" :disabled="!plan || keeping.busy.value" @click="keeping.keep()"
        ><IconCheck aria-hidden="true" /> {{ keptByTeacher ? 'Plan kept' : 'Keep plan' }}</BButton
      >
    </Teleport>
    <RekeyDialog
      v-model="rekeying"
      :lesson="lesson"
      :drilling="drilling"
      :blocks="blocks"
      @change="desk.change"
    />
    <TodayLessons v-if="!id" place="plan" />
    <p v-else-if="error && !lesson" class="refusal" role="alert">
      {{ sayError(error) }}
      <BButton size="sm" variant="outline-secondary" @click="refetch()">Try again</BButton>
    </p>
    <template v-else>
      <section v-if="stage === 0" class="sheet" />
      <PlanShelf
        v-else
        class="sheet"
        :student="student ?? null"
        :drilling="drilling"
        :swapping="swapping"
        :taken="blocks.flatMap((block) => block.skillId ?? [])"
        @put="put"
      />
      <section class="sheet run">
        <div class="spread head">
          <h1 class="h2like">
            {{ minutes }} minutes
            <span class="small">{{ standing }}</span>
          </h1>
          <span class="small"
            >load of the hand; <b>its limit {{ limits?.load ?? '–' }}</b></span
          >
        </div>
        <p v-if="draftFrom !== null" class="draft note" role="status">
          Your changes of {{ clockText(draftFrom) }} are here, not kept yet.
          <BButton size="sm" variant="outline-secondary" @click="dropDraft">Drop them</BButton>
        </p>
        <p v-if="trouble" class="refusal" role="alert">{{ trouble }}</p>
        <BothVersions :keeping="keeping" />
        <PlanRun
          :blocks="blocks"
          :picked="picked"
          :minutes="minutes"
          :limits="limits"
          @order="desk.order"
          @pick="desk.pick"
          @swap="swap"
          @move="move"
          @longer="longer"
          @lock="lock"
          @take-out="takeOut"
        />
      </section>
      <PlanBudget
        v-if="plan"
        :plan="plan"
        :student="student ?? null"
        :minutes="minutes"
        :limits="limits"
        :hurts="hurts"
        :alone="alone"
        :busy="busy"
        :can-undo="desk.canUndo.value"
        :over="over"
        @fit="fit"
        @replan="replan"
        @undo="desk.undo"
        @moved="movedWeight"
      />
      <aside v-else class="sheet budget empty">Weighing what is worth the minutes…</aside>
    </template>
  </div>
</template>

<style scoped>
.plan {
  display: grid;
  grid-template-columns: 268px minmax(0, 1fr) 296px;
  gap: var(--space-2);
}
.plan > * {
  min-height: 0;
}
.run {
  display: flex;
  flex-direction: column;
}
.run .head {
  margin-bottom: var(--space-2);
}
@media (max-width: 1199px), (max-height: 599px) {
  .plan {
    grid-template-columns: minmax(0, 1fr) 300px;
    grid-auto-rows: max-content;
  }
  .plan > .run {
    grid-column: 1;
    grid-row: 1 / 3;
  }
}
@media (max-width: 820px) {
  .plan {
    grid-template-columns: minmax(0, 1fr);
  }
  .plan > .run {
    grid-row: auto;
    order: -1;
  }
}
</style>
