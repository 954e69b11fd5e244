<script setup lang="ts">
import { routes } from '@finch/contract';
import type { LessonPlan, PlanBlock } from '@finch/core/planning';
import { planMinutes } from '@finch/core/planning';
import { useQueryClient } from '@tanstack/vue-query';
import { BButton } from 'bootstrap-vue-next';
import { computed, nextTick, ref, watch } from 'vue';
import { VueDraggable } from 'vue-draggable-plus';
import { useRouter } from 'vue-router';
import IconCheck from '~icons/bi/check-lg';
import IconGrip from '~icons/bi/list';
import IconLock from '~icons/bi/lock';
import IconWarn from '~icons/bi/exclamation-triangle';
import { useKeys } from '../../app/keys';
import { BLOCK_WORDS, say, sayError } from '../../app/words';
import BecauseMark from '../../instruments/BecauseMark.vue';
import { CATEGORY } from '../../instruments/categories';
import LoadCurve from '../../instruments/LoadCurve.vue';
import PatternDefs from '../../instruments/PatternDefs.vue';
import PurflingBar from '../../instruments/PurflingBar.vue';
import { call } from '../../session/api';
import { useBench } from '../../session/bench';
import { useLesson, useStudent } from '../../session/queries';
import PlanShelf from './PlanShelf.vue';
import { planChecks } from './checks';

const props = defineProps<{ lessonId?: string }>();
const bench = useBench();
const router = useRouter();
const client = useQueryClient();
const { data: bench_ } = useStudent(() => bench.studentId);
const id = computed(() => props.lessonId || bench.lessonId || bench_.value?.nextLesson?.id || null);
const { data: lesson, error, refetch } = useLesson(id);
const { data: student } = useStudent(() => lesson.value?.studentId ?? null);
const plan = ref<LessonPlan | null>(null);
const history = ref<LessonPlan[]>([]);
const picked = ref(0);
const trouble = ref('');
const keptVersion = ref(0);
const busy = ref(false);
const dirty = ref(false);

watch(
  lesson,
  async (now) => {
    if (!now) return;
    if (bench.studentId !== now.studentId || bench.lessonId !== now.id) bench.put(now.studentId, now.id);
    if (dirty.value && keptVersion.value) return;
    keptVersion.value = now.version;
    if (now.plan) plan.value = now.plan;
    else await propose([]);
  },
  { immediate: true },
);

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
    if (plan.value !== seen) return;
    remember();
    plan.value = made;
  } catch (problem) {
    trouble.value = sayError(problem);
  } finally {
    busy.value = false;
  }
}
const blocks = computed<PlanBlock[]>({
  get: () => [...(plan.value?.blocks ?? [])],
  set: (next) => change(next),
});
const total = computed(() => planMinutes(blocks.value));
const minutes = computed(() => lesson.value?.minutes ?? 45);
const PER_MINUTE = computed(() => Math.max(11, Math.min(13.3, 620 / Math.max(minutes.value, total.value))));
const scale = computed(() => Math.max(minutes.value, total.value));
const strips = computed(() =>
  blocks.value.map((block) => ({
    name: say(block.title),
    value: block.minutes,
    category: CATEGORY[block.kind],
  })),
);
const byKind = computed(() => {
  const sums = new Map<string, number>();
  for (const block of blocks.value) sums.set(block.kind, (sums.get(block.kind) ?? 0) + block.minutes);
  return [...sums];
});
const limits = computed(() => student.value?.limits.value ?? null);
const checks = computed(() => (limits.value ? planChecks(blocks.value, minutes.value, limits.value) : []));

function remember() {
  if (plan.value) history.value = [...history.value.slice(-30), plan.value];
}
function change(next: readonly PlanBlock[]) {
  if (!plan.value) return;
  remember();
  plan.value = { ...plan.value, blocks: [...next] };
  dirty.value = true;
}
function undo() {
  const last = history.value.at(-1);
  if (!last) return;
  plan.value = last;
  history.value = history.value.slice(0, -1);
}
const replaceAt = (i: number, block: PlanBlock) =>
  change(blocks.value.map((one, j) => (j === i ? block : one)));
function longer(by: number, i = picked.value) {
  const block = blocks.value[i];
  if (!block || block.minutes + by < 1 || block.minutes + by > 60) return;
  const share = block.minutes ? block.barreMinutes / block.minutes : 0;
  replaceAt(i, { ...block, minutes: block.minutes + by, barreMinutes: (block.minutes + by) * share });
}
function move(by: number) {
  const to = picked.value + by;
  if (to < 0 || to >= blocks.value.length) return;
  const next = [...blocks.value];
  next.splice(to, 0, ...next.splice(picked.value, 1));
  change(next);
  picked.value = to;
  void nextTick(() => document.getElementById(`block-${to}`)?.focus());
}
const lock = (i = picked.value) =>
  blocks.value[i] && replaceAt(i, { ...blocks.value[i], locked: !blocks.value[i].locked });
function takeOut(i = picked.value) {
  change(blocks.value.filter((_, j) => j !== i));
  picked.value = Math.max(0, Math.min(picked.value, blocks.value.length - 1));
}
function put(block: PlanBlock) {
  const home = blocks.value.findIndex((one) => one.kind === 'take home');
  const at = home < 0 ? blocks.value.length : home;
  const next = [...blocks.value];
  next.splice(at, 0, block);
  change(next);
  picked.value = at;
}
const swapping = ref(false);
function swap(block: PlanBlock) {
  const old = blocks.value[picked.value];
  if (swapping.value && old)
    replaceAt(picked.value, {
      ...block,
      minutes: old.minutes,
      barreMinutes: block.minutes ? (block.barreMinutes / block.minutes) * old.minutes : 0,
    });
  else put(block);
  swapping.value = false;
}
async function keep(): Promise<boolean> {
  if (!plan.value || !lesson.value) return false;
  trouble.value = '';
  try {
    const kept = await call(routes.keepPlan, {
      params: { lessonId: lesson.value.id },
      body: { version: keptVersion.value, plan: plan.value },
    });
    keptVersion.value = kept.version;
    dirty.value = false;
    client.setQueryData(['lesson', kept.id], kept);
    void client.invalidateQueries({ queryKey: ['board'] });
    return true;
  } catch (problem) {
    const stale = (problem as { problem?: { code: string } }).problem?.code === 'write.stale';
    trouble.value = stale
      ? 'Plan not kept: somebody kept a newer one meanwhile. Yours is still here.'
      : `Plan not kept: ${sayError(problem)}`;
    staleOffer.value = stale;
    return false;
  }
}
const staleOffer = ref(false);
async function useTheirs() {
  staleOffer.value = false;
  dirty.value = false;
  trouble.value = '';
  remember();
  await refetch();
}
async function keepMine() {
  staleOffer.value = false;
  const newest = await call(routes.lesson, { params: { lessonId: id.value ?? '' } });
  keptVersion.value = newest.version;
  await keep();
}
async function start() {
  if ((dirty.value || !lesson.value?.plan) && !(await keep())) return;
  await router.push({ name: 'lesson', params: { lessonId: id.value ?? '' } });
}
const pick = (to: number) => {
  picked.value = Math.min(Math.max(0, to), blocks.value.length - 1);
  document.getElementById(`block-${picked.value}`)?.focus();
};
useKeys([
  { key: 'ArrowUp', shown: '↑ ↓', does: 'pick a block', run: () => pick(picked.value - 1) },
  { key: 'ArrowDown', does: 'next block', run: () => pick(picked.value + 1), quiet: true },
  { key: 'Alt+ArrowUp', shown: 'Alt ↑ ↓', does: 'move it', run: () => move(-1) },
  { key: 'Alt+ArrowDown', does: 'move it down', run: () => move(1), quiet: true },
  { key: '+', shown: '+ −', does: 'a minute', run: () => longer(1) },
  { key: '-', does: 'a minute less', run: () => longer(-1), quiet: true },
  { key: 'w', does: 'swap', run: () => (swapping.value = !swapping.value) },
  { key: 'k', does: 'lock', run: () => void lock() },
  { key: 'Delete', shown: 'Del', does: 'take out', run: () => takeOut() },
  { key: 'Ctrl+z', shown: 'Ctrl Z', does: 'undo', run: undo },
  {
    key: 'r',
    does: 're-plan around locks',
    run: () => void propose(blocks.value.filter((block) => block.locked)),
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
      <BButton class="pri" variant="dark" :disabled="!plan" @click="keep"
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
        @put="swap"
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
        <div v-if="trouble" class="refusal" role="alert">
          {{ trouble }}
          <template v-if="staleOffer"
            ><BButton size="sm" variant="outline-secondary" @click="useTheirs">Show theirs</BButton>
            <BButton size="sm" variant="outline-secondary" @click="keepMine"
              >Keep mine instead</BButton
            ></template
          >
        </div>
        <div class="scroll time" tabindex="0" aria-label="Plan, minute by minute">
          <ol class="ruler" aria-hidden="true" :style="{ height: `${scale * PER_MINUTE}px` }">
            <li
              v-for="m in Math.floor(scale / 5) + 1"
              :key="m"
              :style="{ top: `${(m - 1) * 5 * PER_MINUTE}px` }"
              :class="{ strong: ((m - 1) * 5) % 15 === 0 }"
            >
              {{ (m - 1) * 5 }}
            </li>
          </ol>
          <VueDraggable
            v-model="blocks"
            class="blocks"
            tag="ol"
            :animation="120"
            handle=".grip"
            ghost-class="slot"
          >
            <li
              v-for="(block, i) in blocks"
              :id="`block-${i}`"
              :key="block.id"
              class="block"
              :class="{ on: i === picked, short: block.minutes < 4 }"
              :style="{ height: `${block.minutes * PER_MINUTE - 4}px` }"
              tabindex="-1"
              @click="picked = i"
              @focus="picked = i"
            >
              <svg class="tex" aria-hidden="true">
                <rect width="100%" height="100%" :fill="`url(#cat-${CATEGORY[block.kind]})`" />
              </svg>
              <span class="grip" aria-hidden="true"><IconGrip /></span>
              <span class="mins"
                ><b>{{ block.minutes }}</b
                ><small>min</small></span
              >
              <div class="what">
                <div class="spread">
                  <b class="title"
                    >{{ say(block.title)
                    }}<span v-if="block.minutes < 4" class="brief"> · {{ say(block.because) }}</span></b
                  ><span class="kind"
                    ><IconLock v-if="block.locked" aria-label="locked" /> {{ BLOCK_WORDS[block.kind] }}</span
                  >
                </div>
                <BecauseMark v-if="block.minutes >= 4 && !(i === picked && block.minutes < 9)">{{
                  say(block.because)
                }}</BecauseMark>
                <div v-if="i === picked && block.minutes >= 5" class="acts">
                  <BButton size="sm" variant="outline-secondary" @click.stop="swapping = true">Swap</BButton>
                  <BButton size="sm" variant="outline-secondary" @click.stop="longer(-1, i)">Shorter</BButton>
                  <BButton size="sm" variant="outline-secondary" @click.stop="longer(1, i)">Longer</BButton>
                  <BButton size="sm" variant="outline-secondary" @click.stop="lock(i)">{{
                    block.locked ? 'Unlock' : 'Lock'
                  }}</BButton>
                  <BButton size="sm" variant="link" @click.stop="takeOut(i)">Take out</BButton>
                </div>
              </div>
            </li>
          </VueDraggable>
          <LoadCurve
            v-if="limits && blocks.length"
            :blocks="blocks"
            :limit="limits.load"
            :minutes="scale"
            :height="scale * PER_MINUTE"
          />
        </div>
      </section>
      <aside class="sheet budget scroll" tabindex="0" aria-label="Time budget and checks">
        <div class="spread">
          <h2>Time budget</h2>
          <b :class="{ over: total > minutes }">{{ total }} of {{ minutes }} min</b>
        </div>
        <PurflingBar :strips="strips" :total="minutes" unit="minutes" :height="34" />
        <dl>
          <div v-for="[kind, sum] in byKind" :key="kind">
            <dt>
              <svg width="16" height="14" aria-hidden="true">
                <rect width="16" height="14" :fill="`url(#cat-${CATEGORY[kind as keyof typeof CATEGORY]})`" />
              </svg>
              {{ BLOCK_WORDS[kind] }}
            </dt>
            <dd>{{ sum }}</dd>
          </div>
        </dl>
        <h2>Checks</h2>
        <ul class="checks">
          <li v-for="check in checks" :key="check.text">
            <IconCheck v-if="check.ok" aria-label="kept:" /><IconWarn
              v-else
              class="warn"
              aria-label="look:"
            />
            <span>{{ check.text }}</span>
          </li>
        </ul>
        <p v-if="limits?.assumed" class="small">
          Limits are assumptions until you set them on the student’s page.
        </p>
        <template v-if="plan?.leftOut.length"
          ><h2>Left out, and why</h2>
          <BecauseMark v-for="one in plan.leftOut" :key="one.skillId"
            ><b>{{ say(one.title) }}:</b> {{ say(one.because) }}</BecauseMark
          ></template
        >
        <div class="foot">
          <BButton
            variant="outline-secondary"
            size="sm"
            :disabled="busy"
            @click="propose(blocks.filter((block) => block.locked))"
            >Re-plan around locks</BButton
          ><BButton variant="outline-secondary" size="sm" :disabled="!history.length" @click="undo"
            >Undo</BButton
          >
        </div>
      </aside>
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
.run .time {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: 46px minmax(0, 1fr) 92px;
  gap: 6px;
  align-items: start;
  padding: 8px 0 12px;
}
.ruler {
  position: relative;
  border-right: 1px solid var(--line-strong);
  background: repeating-linear-gradient(
      var(--line-strong) 0 1px,
      transparent 1px calc(v-bind(PER_MINUTE) * 1px)
    )
    right / 8px 100% no-repeat;
}
.ruler li {
  position: absolute;
  right: 14px;
  font-size: 14px;
  transform: translateY(-50%);
  font-family: var(--mono);
  color: var(--ink2);
}
.ruler .strong {
  font-weight: 700;
  color: var(--ink);
}
.block {
  position: relative;
  margin-bottom: 4px;
  background: var(--inset);
  border: 1px solid var(--line);
  border-radius: 3px;
  display: grid;
  grid-template-columns: 44px 48px minmax(0, 1fr);
  padding: 5px 10px 5px 18px;
  overflow: hidden;
  align-items: start;
}
.block .tex {
  position: absolute;
  left: 0;
  top: 0;
  bottom: 0;
  width: 14px;
  height: 100%;
}
.block.on {
  background: var(--sheet);
  border-color: var(--crown);
  box-shadow:
    inset 0 0 0 1px var(--crown),
    0 6px 18px rgb(22 32 42 / 14%);
}
.block.slot {
  background: none;
  border: 2px dashed var(--crown);
}
.block .grip {
  cursor: grab;
  width: 44px;
  min-height: 28px;
  display: grid;
  place-items: center;
  font-size: 18px;
  color: var(--ink2);
}
.block .mins {
  display: flex;
  flex-direction: column;
  line-height: 1.05;
}
.block .mins b {
  font-size: 20px;
}
.block .mins small {
  font-size: 12.5px;
  color: var(--ink2);
}
.block.short .mins {
  flex-direction: row;
  gap: 4px;
  align-items: baseline;
}
.block .title {
  font-size: 15.5px;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.block .brief {
  font-weight: 400;
  font-size: 14px;
  color: var(--ink2);
}
.block .kind {
  font-size: 12.5px;
  color: var(--ink2);
  white-space: nowrap;
}
.block .acts {
  display: flex;
  gap: 6px;
  margin-top: 6px;
  flex-wrap: wrap;
}
.budget {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.budget dl > div {
  display: flex;
  justify-content: space-between;
  font-size: 14px;
  padding: 2px 0;
}
.budget dt {
  font-weight: 400;
  display: flex;
  gap: 8px;
  align-items: center;
}
.budget dd {
  font-weight: 700;
}
.budget .over {
  color: var(--breast);
}
.checks li {
  display: flex;
  gap: 8px;
  font-size: 14px;
  padding: 4px 0;
  border-top: 1px solid var(--line);
  line-height: 1.3;
}
.checks svg {
  flex: none;
  margin-top: 2px;
}
.checks .warn {
  color: var(--breast);
}
.budget .foot {
  display: flex;
  gap: 8px;
  align-items: flex-end;
  margin-top: auto;
  flex-wrap: wrap;
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
