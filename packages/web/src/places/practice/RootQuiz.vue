<script setup lang="ts">
/** Root calls answered on a row of frets, one after the other; what is wrong is shown and counted. */
import type { Drill } from '@finch/core/drills';
import type { Instrument } from '@finch/core/fretboard';
import { BButton } from 'bootstrap-vue-next';
import { computed, ref } from 'vue';
import { say } from '../../app/words';

const props = defineProps<{ drill: Drill; instrument: Instrument }>();
const emit = defineEmits<{ start: []; done: [right: number] }>();
const at = ref(0);
const right = ref(0);
const last = ref('');
const step = computed(() => props.drill.steps[at.value] ?? null);
const recipe = computed(() => (props.drill.recipe.family === 'root call' ? props.drill.recipe : null));
const asksGrip = computed(() => recipe.value?.parameters.answer !== 'root');
const frets = computed(() =>
  Array.from({ length: (recipe.value?.parameters.maxFret ?? 12) + 1 }, (_, fret) => fret),
);
function wanted(): number {
  const item = step.value?.item;
  if (item?.kind === 'note') return item.fret;
  return item?.kind === 'grip'
    ? (item.frets[props.instrument.openPitches.length - (recipe.value?.parameters.rootString ?? 6)] ?? -1)
    : -1;
}
function answer(fret: number) {
  if (!step.value) return;
  if (at.value === 0) emit('start');
  const good = fret === wanted();
  if (good) right.value += 1;
  last.value = good ? `Right: fret ${fret}.` : `Fret ${wanted()}, not ${fret}.`;
  at.value += 1;
  if (at.value === props.drill.steps.length) emit('done', right.value);
}
</script>

<template>
  <div class="quiz">
    <template v-if="step">
      <p class="small">
        call {{ at + 1 }} of {{ drill.steps.length
        }}{{ asksGrip ? '; tap the root’s fret, then play the grip' : '' }}
      </p>
      <p class="display quiz-call">{{ say(step.ask) }}</p>
      <div class="quiz-frets" role="group" aria-label="Frets">
        <BButton v-for="fret in frets" :key="fret" variant="outline-secondary" @click="answer(fret)">{{
          fret === 0 ? 'open' : fret
        }}</BButton>
      </div>
    </template>
    <p v-else class="display quiz-call">{{ right }} of {{ drill.steps.length }} right</p>
    <p class="note" role="status">{{ last }}</p>
  </div>
</template>

<style>
.quiz-call {
  font-size: 34px;
  margin: 8px 0;
}
.quiz-frets {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(56px, 1fr));
  gap: 6px;
}
.quiz-frets .btn {
  min-height: 48px;
}
</style>
