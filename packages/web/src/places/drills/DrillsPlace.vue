<script setup lang="ts">
/** The generator: a family, its parameters and a hand make a drill, seen, heard, tried, re-keyed and handed on. */
import { recipeSchema } from '@finch/contract';
import {
  drillTitle,
  easier,
  forHand,
  harder,
  instrumentFor,
  makeDrill,
  nearestRecipe,
  rootOf,
  type Drill,
  type DrillFamily,
  type Recipe,
} from '@finch/core/drills';
import { effortBand } from '@finch/core/effort';
import { fretsText, parseFrets } from '@finch/core/grips';
import { soundSchedule } from '@finch/core/sound';
import { noteText, pitchClassOf } from '@finch/core/theory';
import { BButton, BModal } from 'bootstrap-vue-next';
import * as v from 'valibot';
import { computed, ref, shallowRef, useTemplateRef, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { useKeys } from '../../app/keys';
import { chordText, formText, nameChord, say, sayProblem } from '../../words';
import BarreCaution from '../../instruments/BarreCaution.vue';
import BecauseMark from '../../instruments/BecauseMark.vue';
import NeckQuiz from '../../instruments/NeckQuiz.vue';
import ShimMark from '../../instruments/ShimMark.vue';
import { useBench } from '../../session/bench';
import { blockOf, useHandOut } from '../../session/hand-out';
import { useNotices } from '../../session/notices';
import { useTaught } from '../../session/taught';
import { benchWork, plain } from '../../workers/bench';
import type { KeyedDrill } from '../../workers/bench.worker';
import { usePlayer } from '../../workers/player';
import DrillAsk from './DrillAsk.vue';
import DrillSheet from './DrillSheet.vue';
import { FAMILY_GROUPS, firstRecipe, gripsHeld } from './families';
import FamilyList from './FamilyList.vue';
import { notchWords } from './notch-words';

const bench = useBench();
const route = useRoute();
const router = useRouter();
const player = usePlayer();
const { student, drilling, limit, instrument } = useTaught(() => bench.studentId);
const text = (name: string) => (typeof route.query[name] === 'string' ? String(route.query[name]) : '');
const gripFrom = (chord: string, frets: string) => {
  const read = parseFrets(frets);
  return chord && read.ok ? { chord, frets: read.value } : null;
};
const start = computed(() => ({
  grip: gripFrom(text('chord'), text('frets')) ?? { chord: 'F', frets: [1, 3, 3, 2, 1, 1] },
  from: gripFrom(text('from'), text('fromFrets')),
  instrument: instrument.value,
}));
const isFamily = (name: string): name is DrillFamily =>
  FAMILY_GROUPS.some((group) => group.families.some((one) => one.family === name));
function fromAddress(): Recipe | null {
  try {
    const read = v.safeParse(recipeSchema, JSON.parse(text('recipe')));
    return read.success ? read.output : null;
  } catch {
    return null;
  }
}
const asked = text('family');
const given = fromAddress();
const unread = given === null && text('recipe') !== '';
const recipe = shallowRef<Recipe>(
  given ?? firstRecipe(isFamily(asked) ? asked : text('frets') ? 'ring check' : 'five forms', start.value),
);
// The address holds the drill, so that it can be kept or passed on.
watch(recipe, (now) => void router.replace({ query: { ...route.query, recipe: JSON.stringify(now) } }));
const made = computed(() => makeDrill(recipe.value, drilling.value));
const drill = computed<Drill | null>(() => (made.value.ok ? made.value.value : null));
const played = computed(() =>
  drill.value ? instrumentFor(drill.value, instrument.value) : instrument.value,
);
const nearest = computed(() => (made.value.ok ? null : nearestRecipe(recipe.value, drilling.value)));
const title = computed(() => say(drillTitle(recipe.value)));
/** Another family around the same grips. */
const open = (family: DrillFamily) =>
  (recipe.value = firstRecipe(family, { ...start.value, grips: gripsHeld(recipe.value) }));
const notches = computed(() =>
  (['easier', 'harder'] as const).map((way) => {
    const next = (way === 'easier' ? easier : harder)(recipe.value, drilling.value);
    const drill = next.ok ? makeDrill(next.value, drilling.value) : next;
    return { way, next, effort: drill.ok ? drill.value.effort : null };
  }),
);
function step(way: 'easier' | 'harder') {
  const found = notches.value.find((one) => one.way === way)?.next;
  if (found?.ok) recipe.value = found.value;
}
/** The drill on each of the twelve roots, worked out beside the page. */
const keyed = shallowRef<readonly KeyedDrill[]>([]);
let turn = 0;
watch(
  [recipe, drilling],
  async ([now, context]) => {
    const mine = ++turn;
    if (!rootOf(now)) {
      keyed.value = [];
      return;
    }
    const found = await benchWork().keyed(plain(now), plain(context));
    if (mine === turn) keyed.value = found;
  },
  { immediate: true },
);
const rootNow = computed(() => {
  const root = rootOf(recipe.value);
  return root ? pitchClassOf(root) : null;
});
function nextKey() {
  const order = keyed.value.filter((one) => one.recipe !== null);
  const at = order.findIndex((one) => pitchClassOf(one.root) === rootNow.value);
  const next = order[(at + 1) % Math.max(1, order.length)];
  if (next?.recipe) recipe.value = next.recipe;
}
async function hear() {
  if (player.playing.value) return player.stop();
  if (drill.value)
    await player.play(soundSchedule(drill.value.score, played.value), { instrument: played.value });
}
watch(recipe, () => player.stop());
/** Another student comes to the bench: the drill is made anew for that hand. */
watch(student, (now, before) => {
  if (!now || now.id === before?.id) return;
  const made = forHand(recipe.value, drilling.value);
  if (made === recipe.value) return;
  recipe.value = made;
  notices.tell(
    `Made for the hand of ${now.name}: ${gripsHeld(made)
      .map((grip) => `${nameChord(grip.chord)} ${fretsText(grip.frets)}`)
      .join(', ')}.`,
  );
});
const trying = ref(false);
const sheet = useTemplateRef<InstanceType<typeof DrillSheet>>('sheet');
const said = unread
  ? 'The drill in this address could not be read, so another is open. Make it anew from its grips or bars.'
  : '';
const notices = useNotices();
const handOut = useHandOut();
const put = () => drill.value && handOut.put(blockOf(recipe.value, drilling.value));
const home = () => drill.value && handOut.home(recipe.value);
const over = computed(() =>
  drill.value && limit.value !== null ? drill.value.heaviestGrip - limit.value : 0,
);
useKeys([
  { key: 'h', does: 'hear', run: () => void hear() },
  { key: 'ArrowRight', shown: '← →', does: 'step', run: () => sheet.value?.go(1) },
  { key: 'ArrowLeft', does: 'step before', run: () => sheet.value?.go(-1), quiet: true },
  { key: 'e', does: 'easier', run: () => step('easier') },
  { key: 'f', does: 'harder', run: () => step('harder') },
  { key: 'k', does: 'next key', run: nextKey },
  { key: 't', does: 'try it', run: () => (trying.value = drill.value?.judged === 'calls') },
  { key: 'Shift+p', shown: 'Shift P', does: 'put in plan', run: () => void put() },
]);
</script>

<template>
  <div class="drills">
    <Teleport defer to="#bench-tools">
      <BButton variant="outline-secondary" :disabled="!drill || handOut.busy.value" @click="home"
        >To homework</BButton
      >
      <BButton class="pri" variant="dark" :disabled="!drill || handOut.busy.value" @click="put"
        >Put in plan</BButton
      >
    </Teleport>
    <FamilyList :family="recipe.family" @open="open" />
    <section class="sheet scroll middle" aria-label="The drill" tabindex="0">
      <div class="spread">
        <h2 class="display drill-title">{{ title }}</h2>
        <span class="middle-acts">
          <BButton v-if="drill?.judged === 'calls'" variant="outline-secondary" @click="trying = true"
            >Try it</BButton
          >
          <BButton variant="outline-secondary" :disabled="!drill" @click="hear">{{
            player.playing.value ? '■ Stop' : '▶ Hear it'
          }}</BButton>
        </span>
      </div>
      <DrillSheet
        v-if="drill"
        ref="sheet"
        :drill="drill"
        :context="drilling"
        :playing="player.playing.value"
        :elapsed="player.elapsed.value - drill.score.countInBeats"
      />
      <div v-else-if="!made.ok" class="empty" role="status">
        <p>{{ sayProblem(made.problem) }}</p>
        <BButton v-if="nearest" variant="outline-secondary" @click="recipe = nearest"
          >Take the nearest that can be made: {{ say(drillTitle(nearest)) }}</BButton
        >
      </div>
      <div v-if="keyed.length" class="rekey">
        <div class="spread">
          <h3>Re-key</h3>
          <span class="small"
            >effort for {{ student ? `${student.name.split(' ')[0]}’s` : 'a middle' }} hand; the tick is its
            limit</span
          >
        </div>
        <ul>
          <li v-for="one in keyed" :key="noteText(one.root)">
            <button
              type="button"
              :disabled="!one.recipe"
              :aria-current="pitchClassOf(one.root) === rootNow ? 'true' : undefined"
              :title="one.problem ? sayProblem(one.problem) : undefined"
              @click="one.recipe && (recipe = one.recipe)"
            >
              <ShimMark
                v-if="one.effort !== null"
                :effort="one.effort"
                :limit="limit"
                :width="46"
                :height="34"
              />
              <span v-else class="none">–</span>
              <span
                ><b class="display">{{ chordText(noteText(one.root)) }}</b
                ><small v-if="one.effort !== null">{{ Math.round(one.effort) }}</small
                ><span v-else class="visually-hidden">cannot be made here</span></span
              >
            </button>
          </li>
        </ul>
      </div>
    </section>
    <aside class="sheet scroll side" aria-label="Parameters and effort" tabindex="0">
      <h2>Parameters</h2>
      <DrillAsk v-model="recipe" :context="drilling" :strings="instrument.openPitches.length" />
      <template v-if="drill">
        <div class="spread effort-line">
          <h2>Effort of this drill</h2>
          <span class="effort-now"
            ><ShimMark :effort="drill.effort" :limit="limit" :width="60" :height="28" />
            <b>{{ Math.round(drill.effort) }}</b></span
          >
        </div>
        <p class="small">
          {{ effortBand(drill.effort)
          }}{{ drill.heaviestGrip > 0 ? `; the heaviest grip is ${Math.round(drill.heaviestGrip)}` : ''
          }}{{
            limit === null || drill.heaviestGrip === 0
              ? ''
              : over > 0
                ? `, ${Math.round(over)} over the limit`
                : ', inside the limit'
          }}{{
            drill.predictedBpm === null
              ? ''
              : `; nine of ten clean expected at ${Math.round(drill.predictedBpm)} bpm`
          }}.
        </p>
        <p v-if="drill.tempoBpm !== null" class="tempo">
          <b>{{ Math.round(drill.tempoBpm) }}</b> bpm
        </p>
        <BarreCaution v-if="drill.hasBarre" :bursts="drill.bursts" />
        <p v-if="over > 0" class="caution">Over this hand’s limit. Take an easier grip or another key.</p>
        <BecauseMark>{{ say(drill.question) }}</BecauseMark>
        <p v-for="one in drill.prelude" :key="say(one.ask)" class="note">
          Asked first: {{ say(one.ask) }}
          <template v-if="one.answer.kind === 'choice'">({{ formText(one.answer.right as 'E') }})</template>
        </p>
        <details v-if="drill.leftOut.length" class="left-out">
          <summary>{{ drill.leftOut.length }} left out, and why</summary>
          <ul>
            <li v-for="one in drill.leftOut" :key="say(one)">{{ say(one) }}</li>
          </ul>
        </details>
        <div v-for="one in notches" :key="one.way" class="notch">
          <div>
            <b>{{ one.way === 'easier' ? 'Easier' : 'Harder' }}</b>
            <p class="small">
              {{ one.next.ok ? notchWords(recipe, one.next.value) : sayProblem(one.next.problem) }}
            </p>
          </div>
          <template v-if="one.next.ok && one.effort !== null">
            <b>{{ one.effort.toFixed(1) }}</b>
            <BButton size="sm" variant="outline-secondary" @click="step(one.way)">Take it</BButton>
          </template>
        </div>
      </template>
      <p v-if="said" class="note" role="status">{{ said }}</p>
    </aside>
    <BModal v-model="trying" size="lg" centered :title="title" no-footer>
      <NeckQuiz v-if="trying && drill" :drill="drill" :instrument="instrument" />
    </BModal>
  </div>
</template>

<style scoped>
.drills {
  display: grid;
  grid-template-columns: 268px minmax(0, 1fr) 296px;
  gap: 8px;
}
.drills > * {
  min-height: 0;
}
.middle,
.side {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.drill-title {
  font-size: 28px;
  line-height: 1.05;
}
.middle-acts {
  display: flex;
  gap: 8px;
}
.rekey {
  border-top: 1px solid var(--line);
  padding-top: 6px;
}
.rekey h3 {
  font-size: 15.5px;
}
.rekey ul {
  display: grid;
  grid-template-columns: repeat(12, minmax(0, 1fr));
}
.rekey button {
  width: 100%;
  background: none;
  border: 2px solid transparent;
  border-radius: 3px;
  color: var(--ink);
  display: flex;
  flex-direction: column;
  align-items: center;
  padding: 3px 0;
}
.rekey span {
  white-space: nowrap;
}
.rekey b {
  font-size: 18px;
  margin-right: 4px;
}
.rekey [aria-current] {
  background: var(--wash-crown);
  border-color: var(--crown);
}
.rekey button:disabled {
  color: var(--ink3);
}
.rekey .none {
  height: 26px;
}
.effort-line {
  border-top: 1px solid var(--line);
  padding-top: 8px;
  align-items: flex-end;
}
.effort-now b {
  font-size: 28px;
  line-height: 1;
}
.tempo b {
  font-size: 22px;
}
.left-out {
  font-size: 14px;
}
.left-out li {
  border-top: 1px solid var(--line);
  padding: 2px 0;
}
.notch {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto auto;
  gap: 10px;
  align-items: center;
  border: 1px solid var(--line-strong);
  border-radius: 3px;
  padding: 6px 10px;
}
.notch p {
  margin: 0;
}
@media (max-width: 1199px), (max-height: 599px) {
  .drills {
    grid-template-columns: minmax(0, 1fr) 300px;
    grid-auto-rows: max-content;
  }
  .drills > :first-child {
    grid-column: 1 / -1;
  }
}
@media (max-width: 820px) {
  .drills {
    grid-template-columns: minmax(0, 1fr);
  }
  .rekey ul {
    grid-template-columns: repeat(6, minmax(0, 1fr));
  }
}
</style>
