<script setup lang="ts">
import { routes, type LessonBody } from '@finch/contract';
import {
  changeIn,
  gripsInOrder,
  instrumentFor,
  makeDrill,
  type Drill,
  type Recipe,
} from '@finch/core/drills';
import type { PlanBlock } from '@finch/core/planning';
import type { Form } from '@finch/core/shapes';
import { soundSchedule } from '@finch/core/sound';
import { useQueryClient } from '@tanstack/vue-query';
import { useLocalStorage } from '@vueuse/core';
import { BButton, BFormInput, BFormTextarea, BModal } from 'bootstrap-vue-next';
import { v7 as uuid } from 'uuid';
import { computed, onScopeDispose, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { useKeys } from '../../app/keys';
import { nameChord, say, sayError, formText } from '../../app/words';
import { barsAround } from '../../instruments/bars-around';
import { CATEGORY } from '../../instruments/categories';
import CountIn from '../../instruments/CountIn.vue';
import { gripDegrees } from '../../instruments/degrees';
import HookTag from '../../instruments/HookTag.vue';
import FeelPicker from '../../instruments/FeelPicker.vue';
import PatternDefs from '../../instruments/PatternDefs.vue';
import ShapeCard from '../../instruments/ShapeCard.vue';
import TabStrip from '../../instruments/TabStrip.vue';
import TakeWave from '../../instruments/TakeWave.vue';
import { inPlainSchool } from '../../app/school';
import { call } from '../../session/api';
import { useBench } from '../../session/bench';
import { useLesson, useStudent } from '../../session/queries';
import { useSeat } from '../../session/seat';
import { useTaught } from '../../session/taught';
import { usePlayer } from '../../workers/player';
import { doneOf, goTo, logged, startRun, type LessonRun } from '../../session/lesson-run';
import { useLessonTakes } from './use-lesson-takes';

const props = defineProps<{ lessonId?: string }>();
const seat = useSeat();
const bench = useBench();
const router = useRouter();
const player = usePlayer();
const client = useQueryClient();
const { data: onBench } = useStudent(() => bench.studentId);
const id = computed(() => props.lessonId || bench.lessonId || onBench.value?.nextLesson?.id || null);
const { data: lesson, error, refetch } = useLesson(id);
const taught = useTaught(() => lesson.value?.studentId ?? null);
const { student, drilling, instrument, hookOn } = taught;
watch(lesson, (now) => now && bench.put(now.studentId, now.id), { immediate: true });
const proposed = ref<readonly PlanBlock[]>([]);
const trouble = ref('');
const version = ref(0);
watch(
  lesson,
  async (now) => {
    if (!now || now.plan || proposed.value.length) return;
    try {
      const plan = await call(routes.propose, {
        params: { studentId: now.studentId },
        body: { minutes: now.minutes, locked: [] },
      });
      proposed.value = plan.blocks;
      // What the lesson began with is its plan: the write-up compares with it.
      if (now.state === 'booked')
        keptLesson(
          await call(routes.keepPlan, {
            params: { lessonId: now.id },
            body: { version: now.version, plan, standing: 'begun' },
          }),
        );
    } catch (problem) {
      trouble.value = sayError(problem);
    }
  },
  { immediate: true },
);
function keptLesson(kept: LessonBody) {
  version.value = kept.version;
  client.setQueryData(['lesson', kept.id], kept);
}
const runs = useLocalStorage<Record<string, LessonRun>>('finch-lessons', {});
const run = computed<LessonRun>({
  get: () => runs.value[id.value ?? ''] ?? startRun(seat.now()),
  set: (next) => (runs.value = { ...runs.value, [id.value ?? '']: next }),
});
watch(
  id,
  (now) => {
    if (now && !runs.value[now]) run.value = startRun(seat.now());
  },
  { immediate: true },
);
const planned = computed<readonly PlanBlock[]>(() => lesson.value?.plan?.blocks ?? proposed.value);
const blocks = computed<PlanBlock[]>(() => {
  const rows = [...planned.value];
  run.value.brought.forEach((one) =>
    rows.splice(Math.max(0, rows.length - 1), 0, {
      id: one.id,
      kind: 'apply',
      minutes: 5,
      title: { code: 'title.blank', values: { text: one.text } },
      because: { code: 'because.chosen', values: {} },
      skillId: null,
      recipe: null,
      effort: 25,
      barreMinutes: 0,
      locked: true,
    }),
  );
  return rows;
});
const block = computed(() => blocks.value[run.value.at] ?? null);
const next = computed(() => blocks.value[run.value.at + 1] ?? null);
const tempo = ref<number | null>(null);
const drill = computed<Drill | null>(() => {
  if (!block.value?.recipe) return null;
  const made = makeDrill(block.value.recipe, drilling.value);
  return made.ok ? made.value : null;
});
watch(
  drill,
  (now) => {
    tempo.value = now?.tempoBpm ?? 60;
    player.stop();
  },
  { immediate: true },
);
const grips = computed(() => (drill.value ? gripsInOrder(drill.value) : []));
const different = computed(() => new Set(grips.value.map((grip) => grip.frets.join())).size);
const at = ref(0);
watch(block, () => (at.value = 0));
const pair = computed(() =>
  grips.value.length < 2
    ? grips.value
    : [grips.value[at.value % grips.value.length], grips.value[(at.value + 1) % grips.value.length]],
);
/** The bar that sounds, large, where what the striking hand does or a line of notes is the matter. */
const beatShown = ref(0);
watch(
  () => player.elapsed.value,
  (elapsed) => {
    if (player.playing.value && drill.value) beatShown.value = elapsed - drill.value.score.countInBeats;
  },
);
watch(block, () => (beatShown.value = 0));
const bar = computed(() => {
  const now = drill.value;
  const struck = now?.score.parts[0].bars.some((one) => one.events.some((event) => event.hand !== undefined));
  const line = now?.judged === 'changes' && grips.value.length === 0;
  return now && (struck || line)
    ? barsAround(now.score, instrumentFor(now, instrument.value), beatShown.value, 1)
    : null;
});
const turn = (by: number) => {
  const now = bar.value;
  if (now) beatShown.value = now.starts[(now.line + by + now.lines) % now.lines];
};
const change = computed(() => {
  if (pair.value.length < 2) return null;
  const graded = changeIn(pair.value[0].frets, pair.value[1].frets, drilling.value);
  return graded.ok ? graded.value : null;
});
const moves = computed(() => {
  const groups = new Map<string, string[]>();
  for (const move of change.value?.fingers ?? [])
    groups.set(move.does, [...(groups.get(move.does) ?? []), String(move.finger)]);
  return [...groups].map(([does, fingers]) => ({
    does: fingers.length > 1 ? does.replace(/^(\w+)s\b/, '$1') : does,
    fingers: fingers.join(', '),
  }));
});
const now = ref(seat.now());
const tick = setInterval(() => (now.value = seat.now()), 500);
onScopeDispose(() => clearInterval(tick));
const spent = computed(
  () =>
    (run.value.spentSeconds[block.value?.id ?? ''] ?? 0) + Math.max(0, now.value - run.value.since) / 1000,
);
const left = computed(() => (block.value ? block.value.minutes * 60 - spent.value : 0));
const clock = computed(() => {
  const s = Math.abs(Math.round(left.value));
  return `${left.value < 0 ? '+' : ''}${Math.floor(s / 60)}:${String(s % 60).padStart(2, '0')}`;
});
const total = computed(() => blocks.value.reduce((sum, one) => sum + one.minutes, 0));
const needle = computed(() => {
  const before = blocks.value.slice(0, run.value.at).reduce((sum, one) => sum + one.minutes, 0);
  return (100 * (before + Math.min(block.value?.minutes ?? 0, spent.value / 60))) / Math.max(1, total.value);
});
const takes = computed(() => run.value.takes[block.value?.id ?? ''] ?? []);

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
    onLogged: (result) => {
      if (block.value) run.value = logged(run.value, block.value.id, result);
    },
    onPain: () => player.stop(),
    onTrouble: (problem) => (trouble.value = sayError(problem)),
  },
  seat,
);
const { feel, asks, stopped, said, log, felt } = taken;
const go = (to: () => number) => taken.inTurn(() => goNow(to()));
async function goNow(to: number) {
  if (to >= blocks.value.length) return finish();
  if (!(await taken.leave())) return;
  run.value = goTo(run.value, blocks.value, to, seat.now());
  await save('running');
}
watch(lesson, (now_) => now_ && (version.value = Math.max(version.value, now_.version)), { immediate: true });
async function save(state: 'running' | 'taught'): Promise<boolean> {
  if (!lesson.value) return false;
  try {
    const kept = await call(routes.keepDone, {
      params: { lessonId: lesson.value.id },
      body: { version: version.value, done: doneOf(run.value, blocks.value, seat.now()), state },
    });
    keptLesson(kept);
    return true;
  } catch (problem) {
    if ((problem as { status?: number }).status === 409)
      version.value = (await refetch()).data?.version ?? version.value;
    else if (!(problem as { problem?: unknown }).problem) seat.gone();
    return false;
  }
}
let finished = false;
async function finish() {
  if (finished) return;
  finished = true;
  await taken.end();
  run.value = goTo(run.value, blocks.value, run.value.at, seat.now());
  player.stop();
  if (!(await save('taught'))) await save('taught');
  await router.push({ name: 'write-up', params: { lessonId: id.value ?? '' } });
}
async function toggle() {
  if (player.playing.value) return player.stop();
  if (!drill.value) return;
  const bpm = Math.min(300, Math.max(20, tempo.value ?? 60));
  await player.play(soundSchedule(drill.value.score, instrumentFor(drill.value, instrument.value), bpm), {
    instrument: instrumentFor(drill.value, instrument.value),
  });
}
const faster = (by: number) => {
  if (tempo.value !== null) tempo.value = Math.min(208, Math.max(30, tempo.value + by));
  player.stop();
};
const noting = ref(false);
const bringing = ref(false);
const brought = ref('');
function bring() {
  const text = brought.value.trim().slice(0, 80) || 'Something brought';
  const here = run.value;
  const entry = { id: uuid(), text };
  run.value = { ...here, brought: [...here.brought, entry] };
  bringing.value = false;
  brought.value = '';
  void go(() => blocks.value.findIndex((one) => one.id === entry.id));
}
const titled = () => (block.value ? say(block.value.title) : '');
async function toHome() {
  if (!block.value?.recipe || !lesson.value) return;
  trouble.value = '';
  try {
    const recipe =
      'tempoBpm' in block.value.recipe.parameters && tempo.value
        ? ({
            ...block.value.recipe,
            parameters: { ...block.value.recipe.parameters, tempoBpm: tempo.value },
          } as Recipe)
        : block.value.recipe;
    await call(routes.assignHome, {
      params: { studentId: lesson.value.studentId },
      body: { id: uuid(), recipe, skillId: block.value.skillId, title: inPlainSchool(titled) },
    });
    said.value = `${say(block.value.title)} goes home.`;
  } catch (problem) {
    trouble.value = sayError(problem);
  }
}
useKeys([
  { key: '1', shown: '1 2 3', does: 'log a take', run: () => void log('clean') },
  { key: '2', does: 'nearly', run: () => void log('nearly'), quiet: true },
  { key: '3', does: 'not yet', run: () => void log('not yet'), quiet: true },
  { key: ' ', shown: 'Space', does: 'play, stop', run: () => void toggle() },
  { key: 'f', does: 'easy', run: () => void felt({ hand: 'easy' }), quiet: true },
  { key: 't', does: 'tense', run: () => void felt({ hand: 'tense' }) },
  {
    key: 'x',
    does: 'pain, then where',
    run: () => {
      (document.querySelector('.feel .three button:last-child') as HTMLElement | null)?.click();
      (document.querySelector('.feel .places button') as HTMLElement | null)?.focus();
    },
  },
  { key: 'n', does: 'note', run: () => (noting.value = true) },
  { key: 'm', does: 'homework', run: () => void toHome() },
  { key: 'o', does: 'something else', run: () => (bringing.value = true) },
  { key: 'ArrowRight', shown: '→', does: 'next', run: () => void go(() => run.value.at + 1) },
  { key: 'ArrowLeft', does: 'back', run: () => void go(() => run.value.at - 1), quiet: true },
  { key: '+', does: 'faster', run: () => faster(2), quiet: true },
  { key: '-', does: 'slower', run: () => faster(-2), quiet: true },
  { key: 'c', does: 'next change of the loop', run: () => (at.value += 1), quiet: true },
]);
const heading = computed(() => (block.value ? say(block.value.title) : 'Nothing planned'));
const sub = computed(() =>
  drill.value?.recipe.family === 'change loop'
    ? `change loop${drill.value.items.some((item) => item.kind === 'progression') ? ', by number' : ''}`
    : (drill.value?.recipe.family ?? block.value?.kind ?? ''),
);
</script>

<template>
  <div class="lesson">
    <PatternDefs />
    <p v-if="!id" class="sheet empty">
      No lesson on the bench. Pick a student on the Board and start one there.
    </p>
    <p v-else-if="error" class="refusal">
      {{ sayError(error) }}
      <BButton size="sm" variant="outline-secondary" @click="refetch()">Try again</BButton>
    </p>
    <p v-else-if="!block" class="sheet empty">{{ trouble || 'Laying out the plan…' }}</p>
    <template v-else>
      <section class="sheet top">
        <div class="spread">
          <h1 class="display">
            {{ heading }} <span class="sub">{{ sub }}</span>
          </h1>
          <div class="clock" role="timer">
            <b :class="{ late: left < 0 }">{{ clock }}</b>
            <span>{{ left < 0 ? 'over' : `left of ${block.minutes}` }}</span>
          </div>
        </div>
        <div class="line" role="img" :aria-label="`Block ${run.at + 1} of ${blocks.length}`">
          <div v-for="one in blocks" :key="one.id" :style="{ flex: one.minutes }">
            <svg aria-hidden="true">
              <rect width="100%" height="100%" :fill="`url(#cat-${CATEGORY[one.kind]})`" />
            </svg>
          </div>
          <span class="needle" :style="{ left: `${needle}%` }" />
        </div>
      </section>
      <section class="sheet stage">
        <div v-if="stopped" class="caution stop" role="alert">{{ stopped }}</div>
        <template v-else-if="pair.length">
          <div class="pair">
            <figure v-for="(grip, i) in pair" :key="i">
              <figcaption class="display">
                {{ nameChord(grip.chord) }}
                <button
                  v-if="i === 0 && pair.length > 1"
                  type="button"
                  class="arrow"
                  :disabled="different < 3"
                  aria-label="Next change of the loop"
                  @click="at += 1"
                >
                  →
                </button>
              </figcaption>
              <ShapeCard
                :size="bar ? 'bench' : 'lesson'"
                :frets="grip.frets"
                :fingers="grip.fingers"
                :degrees="gripDegrees(grip)"
                :chord="grip.chord"
                :left-handed="instrument.leftHanded"
              />
              <HookTag v-if="hookOn(grip.frets)" :hook="hookOn(grip.frets)!" />
            </figure>
          </div>
          <p v-if="moves.length && !bar" class="moves">
            <span v-for="move in moves" :key="move.does"
              ><b>{{ move.fingers }}</b> {{ move.does }}</span
            >
          </p>
          <p v-else-if="drill && !bar" class="moves">{{ say(drill.question) }}</p>
          <p v-for="one in drill?.prelude ?? []" :key="say(one.ask)" class="moves">
            Ask first: {{ say(one.ask) }}
            <b v-if="one.answer.kind === 'choice'">{{ formText(one.answer.right as Form) }}</b>
          </p>
          <p v-if="drill?.hasBarre" class="caution">
            Barre: press, check, release.
            {{
              drill.bursts.count > 1
                ? `${drill.bursts.count} bursts of ${drill.bursts.workSeconds} s, ${drill.bursts.restSeconds} s rest between.`
                : ''
            }}
          </p>
        </template>
        <div v-else-if="drill && drill.judged === 'calls'" class="calls">
          <p class="display call">{{ say(drill.steps[at % drill.steps.length].ask) }}</p>
          <BButton variant="outline-secondary" size="lg" @click="at += 1">Next call</BButton>
        </div>
        <div v-else-if="!bar" class="talk">
          <p>{{ drill ? say(drill.steps[0].ask) : say(block.because) }}</p>
        </div>
        <div v-if="bar && !stopped" class="bar-now">
          <BButton variant="outline-secondary" aria-label="Bar before" @click="turn(-1)">←</BButton>
          <TabStrip
            :columns="bar.columns"
            :strings="instrument.openPitches.length"
            :now="Math.floor(beatShown)"
            :playing="player.playing.value"
          />
          <BButton variant="outline-secondary" aria-label="Next bar" @click="turn(1)">→</BButton>
        </div>
        <div v-if="drill && !stopped" class="beat">
          <CountIn :beats="drill.score.parts[0].bars[0].beats" :beat="player.beat.value" large />
          <p v-if="drill.tempoBpm !== null" class="bpm">
            <b>{{ tempo }}</b> bpm
          </p>
          <div class="beat-acts">
            <template v-if="drill.tempoBpm !== null"
              ><BButton variant="outline-secondary" aria-label="Slower" @click="faster(-2)">−</BButton
              ><BButton variant="outline-secondary" aria-label="Faster" @click="faster(2)"
                >+</BButton
              ></template
            >
            <BButton variant="outline-secondary" @click="toggle">{{
              player.playing.value ? '■ Stop' : '▶ Play'
            }}</BButton>
          </div>
        </div>
      </section>
      <section class="sheet log">
        <template v-if="drill && !stopped">
          <h2>Take {{ takes.length + 1 }}</h2>
          <div class="waves">
            <TakeWave v-for="(result, i) in takes.slice(-5)" :key="i" :result="result" />
          </div>
          <button
            v-for="(result, i) in ['clean', 'nearly', 'not yet'] as const"
            :key="result"
            type="button"
            class="mark"
            @click="log(result)"
          >
            <kbd>{{ i + 1 }}</kbd><span>{{ result }}</span
            ><TakeWave :result="result" wide />
          </button>
        </template>
        <p v-else class="note">
          {{ stopped ? 'The rest of the lesson: listen, name, tap.' : 'Nothing to log here.' }}
        </p>
        <div class="felt" :class="{ asks }">
          <p>The hand felt</p>
          <FeelPicker :model-value="feel" large @update:model-value="felt" />
        </div>
        <p class="note" role="status">{{ said }}</p>
      </section>
      <section class="sheet foot">
        <BButton variant="outline-secondary" @click="noting = true">Note</BButton>
        <BButton variant="outline-secondary" :disabled="!block.recipe" @click="toHome">To homework</BButton>
        <BButton variant="outline-secondary" @click="bringing = true">Brought something else</BButton>
        <span v-if="trouble" class="refusal" role="alert">{{ trouble }}</span>
        <BButton class="pri" variant="dark" @click="go(() => run.at + 1)">{{
          next ? `Next: ${say(next.title)}, ${next.minutes} min` : 'Finish, write up'
        }}</BButton>
      </section>
    </template>
    <BModal v-model="noting" title="Note" no-footer
      ><BFormTextarea
        :model-value="run.note"
        rows="5"
        maxlength="2000"
        aria-label="Note"
        @update:model-value="(text) => (run = { ...run, note: String(text ?? '') })"
    /></BModal>
    <BModal v-model="bringing" title="Brought something else today" no-footer>
      <form class="bring" @submit.prevent="bring">
        <BFormInput
          v-model="brought"
          maxlength="80"
          placeholder="what it is"
          aria-label="What was brought"
        /><BButton type="submit" variant="dark">Turn to it</BButton>
      </form>
      <p class="note">The plan waits; nothing of it is lost.</p>
    </BModal>
  </div>
</template>

<style>
.lesson {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 388px;
  grid-template-rows: auto minmax(0, 1fr) auto;
  gap: 8px;
}
.lesson > * {
  min-height: 0;
}
.lesson .top {
  grid-column: 1 / 3;
  padding: 8px 18px 10px;
}
.lesson h1 {
  font-size: 46px;
  line-height: 1.2;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.lesson .sub {
  font-family: var(--text);
  font-weight: 400;
  font-size: 32px;
  margin-left: 10px;
}
.clock {
  font-size: 32px;
  white-space: nowrap;
}
.clock b {
  font-size: 64px;
  line-height: 1;
}
.clock .late {
  color: var(--breast);
}
.bar-now {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr) auto;
  gap: 10px;
  align-items: center;
}
.bar-now .tab {
  max-height: 240px;
}
.lesson .line {
  display: flex;
  height: 28px;
  position: relative;
  margin-top: 4px;
}
.lesson .line > div {
  border-right: 1px solid var(--sheet);
}
.lesson .line svg {
  width: 100%;
  height: 100%;
  display: block;
}
.lesson .needle {
  position: absolute;
  top: -8px;
  bottom: -5px;
  width: 5px;
  margin-left: -2px;
  background: var(--wingbar);
  border: 1px solid #16202a;
}
.stage {
  display: flex;
  flex-direction: column;
  justify-content: space-between;
  gap: 6px;
  overflow: hidden;
}
.pair {
  display: flex;
  justify-content: space-around;
  flex: 1;
  min-height: 0;
}
.pair figure {
  margin: 0;
  display: flex;
  flex-direction: column;
  align-items: center;
  min-height: 0;
}
.pair figcaption {
  font-size: 64px;
  line-height: 1;
}
.pair .arrow {
  font-family: var(--text);
  font-weight: 400;
  margin-left: 20px;
  background: none;
  border: 0;
  color: var(--ink);
  padding: 0 8px;
}
.pair .arrow:enabled:hover {
  background: var(--wash-crown);
}
.pair .shape-card {
  flex: 1;
  min-height: 0;
  width: auto;
}
.moves {
  font-size: 32px;
  line-height: 1.1;
  text-align: center;
}
.moves span + span {
  margin-left: 26px;
}
.stage .caution {
  font-size: 20px;
  text-align: center;
}
.stage .stop {
  font-size: 32px;
  text-align: left;
}
.calls,
.talk {
  flex: 1;
  display: flex;
  flex-direction: column;
  justify-content: center;
  align-items: center;
  gap: 20px;
  font-size: 34px;
  text-align: center;
}
.call {
  font-size: 64px;
}
.beat {
  display: flex;
  align-items: flex-end;
  justify-content: space-between;
  gap: 16px;
}
.lesson .bpm {
  font-size: 32px;
  white-space: nowrap;
}
.lesson .bpm b {
  font-size: 64px;
  line-height: 0.9;
}
.beat-acts {
  display: flex;
  gap: 10px;
}
.beat-acts .btn {
  font-size: 32px;
  min-width: 60px;
  min-height: 60px;
  padding: 0 16px;
}
.log {
  display: flex;
  flex-direction: column;
  gap: 8px;
  overflow-y: auto;
}
.log h2 {
  font-size: 32px;
  line-height: 1.1;
}
.waves {
  display: flex;
  gap: 12px;
  height: 18px;
}
.log .mark {
  display: flex;
  align-items: center;
  gap: 16px;
  flex: 1;
  min-height: 54px;
  max-height: 82px;
  font-size: 38px;
  font-weight: 700;
  background: var(--sheet);
  color: var(--ink);
  border: 2px solid var(--line-strong);
  border-radius: 3px;
  padding: 0 14px;
}
.log .mark:hover {
  background: var(--wash-crown);
}
.log .mark kbd {
  font-size: 28px;
  padding: 2px 12px;
  border-width: 2px;
}
.log .mark .wave {
  margin-left: auto;
}
.felt {
  margin-top: auto;
}
.felt p {
  font-size: 28px;
  line-height: 1.2;
}
.felt.asks {
  outline: 3px solid var(--crown);
  outline-offset: 4px;
}
.lesson .foot {
  grid-column: 1 / 3;
  display: flex;
  gap: 10px;
  align-items: center;
  padding: 10px 12px;
}
.lesson .foot .btn {
  font-size: 28px;
  min-height: 58px;
  padding-inline: 16px;
}
.lesson .foot .pri {
  margin-left: auto;
  max-width: 46%;
  overflow: hidden;
  text-overflow: ellipsis;
  display: block;
}
.bring {
  display: flex;
  gap: 10px;
  margin-bottom: 10px;
}
@media (max-width: 1100px) {
  .lesson {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: auto;
    overflow-y: auto;
  }
  .lesson .top,
  .lesson .foot {
    grid-column: 1;
  }
  .lesson .foot {
    flex-wrap: wrap;
  }
  .pair .shape-card {
    height: 240px;
  }
}
</style>
