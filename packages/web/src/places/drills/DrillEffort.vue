<script setup lang="ts">
/** What the drill costs this hand, what is asked, what is left out and why, and one notch to either side. */
import type { Drill, Recipe } from '@finch/core/drills';
import { effortBand } from '@finch/core/effort';
import type { Form } from '@finch/core/shapes';
import { BButton } from 'bootstrap-vue-next';
import { computed } from 'vue';
import BarreCaution from '../../instruments/BarreCaution.vue';
import BecauseMark from '../../instruments/BecauseMark.vue';
import ShimMark from '../../instruments/ShimMark.vue';
import { formText, say, sayProblem } from '../../words';
import { notchWords } from './notch-words';
import type { Notch } from '../../workers/bench-jobs';

const props = defineProps<{
  drill: Drill;
  recipe: Recipe;
  limit: number | null;
  /** Grades by which the heaviest grip is over the limit. */
  over: number;
  notches: readonly Notch[];
}>();
const emit = defineEmits<{ step: [way: 'easier' | 'harder'] }>();
const says = computed(() => {
  const { effort, heaviestGrip, predictedBpm } = props.drill;
  const heaviest = heaviestGrip > 0 ? `; the heaviest grip is ${Math.round(heaviestGrip)}` : '';
  const standing =
    props.limit === null || heaviestGrip === 0
      ? ''
      : props.over > 0
        ? `, ${props.over} over the limit`
        : ', inside the limit';
  const clean = predictedBpm === null ? '' : `; nine of ten clean at ${Math.round(predictedBpm)} now`;
  return `${effortBand(effort)}${heaviest}${standing}${clean}.`;
});
</script>

<template>
  <div class="spread effort-line">
    <h2>Effort of this drill</h2>
    <span class="effort-now"
      ><ShimMark :effort="drill.effort" :limit="limit" :width="60" :height="28" />
      <b>{{ Math.round(drill.effort) }}</b></span
    >
  </div>
  <p class="small">{{ says }}</p>
  <p v-if="drill.tempoBpm !== null" class="tempo">
    <b>{{ Math.round(drill.tempoBpm) }}</b> bpm
  </p>
  <BarreCaution v-if="drill.hasBarre" :bursts="drill.bursts" />
  <p v-if="over > 0" class="caution">Over this hand’s limit. Take an easier grip or another key.</p>
  <BecauseMark>{{ say(drill.question) }}</BecauseMark>
  <p v-for="one in drill.prelude" :key="say(one.ask)" class="note">
    Asked first: {{ say(one.ask) }}
    <template v-if="one.answer.kind === 'choice'">({{ formText(one.answer.right as Form) }})</template>
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
        {{ one.recipe ? notchWords(recipe, one.recipe) : one.problem ? sayProblem(one.problem) : '' }}
      </p>
    </div>
    <template v-if="one.recipe && one.effort !== null">
      <b>{{ one.effort.toFixed(1) }}</b>
      <BButton size="sm" variant="outline-secondary" @click="emit('step', one.way)">Take it</BButton>
    </template>
  </div>
</template>

<style scoped>
.effort-line {
  border-top: 1px solid var(--line);
  padding-top: var(--space-2);
  align-items: flex-end;
}
.effort-now b {
  font-size: var(--size-6);
  line-height: 1;
}
.tempo b {
  font-size: var(--size-5);
}
.left-out {
  font-size: var(--size-2);
}
.left-out li {
  border-top: 1px solid var(--line);
  padding: 2px 0;
}
.notch {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto auto;
  gap: var(--space-2);
  align-items: center;
  border: 1px solid var(--line-strong);
  border-radius: 3px;
  padding: var(--space-1) var(--space-2);
}
.notch p {
  margin: 0;
}
</style>
