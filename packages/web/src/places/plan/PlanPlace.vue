<script setup lang="ts">
import { routes, type LessonBody } from '@finch/contract';
import type { PlanBlock } from '@finch/core/planning';
import { planMinutes } from '@finch/core/planning';
import { useQueryClient } from '@tanstack/vue-query';
import { BButton } from 'bootstrap-vue-next';
import { computed, nextTick, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import IconCheck from '~icons/bi/check-lg';
import BothVersions from '../../app/BothVersions.vue';
import { useKeys } from '../../app/keys';
import { say, sayError } from '../../app/words';
import PatternDefs from '../../instruments/PatternDefs.vue';
import { call } from '../../session/api';
import { useBench } from '../../session/bench';
import { useKeeping } from '../../session/keeping';
import { useLesson, useStudent } from '../../session/queries';
import PlanBudget from './PlanBudget.vue';
import PlanRun from './PlanRun.vue';
import PlanShelf from './PlanShelf.vue';
import { usePlanDesk } from './plan-desk';
import { added, lengthened, lockTurned, moved, swapped, without } from './plan-edits';

const props = defineProps<{ lessonId?: string }>();
const bench = useBench();
const router = useRouter();
const client = useQueryClient();
const { data: onBench } = useStudent(() => bench.studentId);
const id = computed(() => props.lessonId || bench.lessonId || onBench.value?.nextLesson?.id || null);
const { data: lesson, error, refetch } = useLesson(id);
const { data: student } = useStudent(() => lesson.value?.studentId ?? null);
const minutes = computed(() => lesson.value?.minutes ?? 45);
const limits = computed(() => student.value?.limits.value ?? null);
const desk = usePlanDesk();
const { plan, blocks, picked, dirty } = desk;
const keeping = useKeeping<LessonBody>({
  name: 'Plan',
  send: async (version) => {
    if (!plan.value || !lesson.value) throw new RangeError('no plan on the bench');
    const kept = await call(routes.keepPlan, {
      params: { lessonId: lesson.value.id },
      body: { version, plan: plan.value },
    });
    desk.kept();
    client.setQueryData(['lesson', kept.id], kept);
    void client.invalidateQueries({ queryKey: ['board'] });
    return kept.version;
  },
  newest: () => call(routes.lesson, { params: { lessonId: id.value ?? '' } }),
  versionOf: (theirs) => theirs.version,
  inWords: (theirs) =>
    theirs.plan
      ? `${planMinutes(theirs.plan.blocks)} minutes: ${theirs.plan.blocks.map((block) => `${say(block.title)} ${block.minutes}`).join(', ')}`
      : 'no plan',
  show: (theirs) => {
    desk.kept();
    client.setQueryData(['lesson', theirs.id], theirs);
    if (theirs.plan) desk.replace(theirs.plan);
  },
});

/** The lesson laid out, so that a later version of it is told from a first look. */
const laid = ref('');
watch(
  lesson,
  async (now) => {
    if (!now) return;
    if (bench.studentId !== now.studentId || bench.lessonId !== now.id) bench.put(now.studentId, now.id);
    if (laid.value === now.id && dirty.value) return;
    laid.value = now.id;
    keeping.began(now.version);
    if (now.plan) desk.lay(now.plan);
    else await propose([]);
  },
  { immediate: true },
);

const busy = ref(false);
const trouble = ref('');
async function propose(locked: readonly PlanBlock[]) {
  if (!lesson.value) return;
  const seen = plan.value;
  busy.value = true;
  trouble.value = '';
  try {
    const made = await call(routes.propose, {
      params: { studentId: lesson.value.studentId },
      body: { minutes: lesson.value.minutes, locked: [...locked] },
    });
    // What was changed by hand meanwhile is not overwritten.
    if (plan.value === seen) desk.replace(made);
  } catch (problem) {
    trouble.value = sayError(problem);
  } finally {
    busy.value = false;
  }
}
const replan = () => propose(blocks.value.filter((block) => block.locked));

const longer = (by: number, at = picked.value) => desk.change((now) => lengthened(now, at, by));
const lock = (at = picked.value) => desk.change((now) => lockTurned(now, at));
const takeOut = (at = picked.value) => desk.change((now) => without(now, at));
function move(by: number) {
  const from = picked.value;
  desk.change((now) => moved(now, from, by));
  pick(from + by);
}
const swapping = ref(false);
function put(block: PlanBlock) {
  if (swapping.value) desk.change((now) => swapped(now, picked.value, block));
  else {
    const { at } = added(blocks.value, block);
    desk.change((now) => added(now, block).blocks);
    desk.pick(at);
  }
  swapping.value = false;
}
function pick(to: number) {
  desk.pick(to);
  void nextTick(() => document.getElementById(`block-${picked.value}`)?.focus());
}
async function start() {
  if ((dirty.value || !lesson.value?.plan) && !(await keeping.keep())) return;
  await router.push({ name: 'lesson', params: { lessonId: id.value ?? '' } });
}
useKeys([
  { key: 'ArrowUp', shown: '↑ ↓', does: 'pick a block', run: () => pick(picked.value - 1) },
  { key: 'ArrowDown', does: 'next block', run: () => pick(picked.value + 1), quiet: true },
  { key: 'Alt+ArrowUp', shown: 'Alt ↑ ↓', does: 'move it', run: () => move(-1) },
  { key: 'Alt+ArrowDown', does: 'move it down', run: () => move(1), quiet: true },
  { key: '+', shown: '+ −', does: 'a minute', run: () => longer(1) },
  { key: '-', does: 'a minute less', run: () => longer(-1), quiet: true },
  { key: 'w', does: 'swap', run: () => (swapping.value = !swapping.value) },
  { key: 'k', does: 'lock', run: () => lock() },
  { key: 'Delete', shown: 'Del', does: 'take out', run: () => takeOut() },
  { key: 'Ctrl+z', shown: 'Ctrl Z', does: 'undo', run: desk.undo },
  {
    key: 'r',
    does: 're-plan around locks',
    run: () => void replan(),
  },
  { key: 's', does: 'start lesson', run: () => void start(), quiet: true },
]);
const when = computed(() =>
  lesson.value
    ? new Date(lesson.value.startsAt).toLocaleString('en-GB', {
        weekday: 'short',
        day: 'numeric',
        month: 'short',
        hour: '2-digit',
        minute: '2-digit',
        timeZone: lesson.value.timeZone,
      })
    : '',
);
</script>

<template>
  <div class="plan">
    <PatternDefs />
    <Teleport defer to="#bench-tools">
      <span v-if="lesson" class="note"
        >Lesson: <b>{{ when }}</b></span
      >
      <BButton variant="outline-secondary" :disabled="!plan" @click="start">Start lesson</BButton>
      <BButton class="pri" variant="dark" :disabled="!plan || keeping.busy.value" @click="keeping.keep()"
        ><IconCheck aria-hidden="true" /> {{ dirty || !lesson?.plan ? 'Keep plan' : 'Plan kept' }}</BButton
      >
    </Teleport>
    <p v-if="!id" class="sheet empty">
      No lesson on the bench. Open a student from the Board and take a proposal to the plan bench.
    </p>
    <p v-else-if="error" class="refusal">
      {{ sayError(error) }}
      <BButton size="sm" variant="outline-secondary" @click="refetch()">Try again</BButton>
    </p>
    <template v-else>
      <PlanShelf
        class="sheet"
        :student="student ?? null"
        :swapping="swapping"
        :taken="blocks.flatMap((block) => block.skillId ?? [])"
        @put="put"
      />
      <section class="sheet run">
        <div class="spread head">
          <h1 class="h2like">
            {{ minutes }} minutes
            <span class="small">{{ busy ? 'weighing…' : dirty ? 'changed by hand' : '' }}</span>
          </h1>
          <span class="small"
            >hand load, effort-minutes; <b>limit {{ limits?.load ?? '–' }}</b></span
          >
        </div>
        <p v-if="trouble" class="refusal" role="alert">{{ trouble }}</p>
        <BothVersions :keeping="keeping" />
        <PlanRun
          :blocks="blocks"
          :picked="picked"
          :minutes="minutes"
          :limits="limits"
          @order="(next) => desk.change(() => next)"
          @pick="desk.pick"
          @swap="swapping = true"
          @longer="longer"
          @lock="lock"
          @take-out="takeOut"
        />
      </section>
      <PlanBudget
        v-if="plan"
        :plan="plan"
        :minutes="minutes"
        :limits="limits"
        :busy="busy"
        :can-undo="desk.canUndo.value"
        @replan="replan"
        @undo="desk.undo"
      />
      <aside v-else class="sheet budget empty">Weighing what is worth the minutes…</aside>
    </template>
  </div>
</template>

<style>
.plan {
  display: grid;
  grid-template-columns: 268px minmax(0, 1fr) 296px;
  gap: 8px;
}
.plan > * {
  min-height: 0;
}
.run {
  display: flex;
  flex-direction: column;
}
.run .head {
  margin-bottom: 8px;
}
@media (max-width: 1199px) {
  .plan {
    grid-template-columns: 240px minmax(0, 1fr);
    overflow-y: auto;
  }
  .budget {
    grid-column: 1 / 3;
  }
}
@media (max-width: 820px) {
  .plan {
    grid-template-columns: minmax(0, 1fr);
  }
  .budget {
    grid-column: 1;
  }
}
</style>
