<script setup lang="ts">
/** What is asked: the chords, the tempo, and the limits of the path. */
import { BButton } from 'bootstrap-vue-next';
import { chordOf } from '@finch/core/score';
import { computed, ref, useTemplateRef } from 'vue';
import { sayChart } from '../../words/change-words';
import { keyWords } from '../../words/key-words';
import { writeAsked } from './path-asked';
import PathAsk from './PathAsk.vue';
import type { PathBench } from './use-path-bench';

const props = defineProps<{ bench: PathBench }>();
const { work, taught, tempoGiven, who } = props.bench;
const { typed, asked, progression, foundFor } = work;
const { instrument, limit } = taught;
const asking = ref(false);
/** The key the chords are in, by their names alone. */
const inKey = computed(() => keyWords(foundFor.value.chords.flatMap(({ chord }) => chordOf(chord))));
const box = useTemplateRef<HTMLInputElement>('box');
defineExpose({ focus: () => box.value?.focus() });
</script>

<template>
  <div class="typed">
    <label class="chords-label" for="chords">Chords</label>
    <input
      id="chords"
      ref="box"
      v-model="typed"
      class="form-control"
      spellcheck="false"
      autocomplete="off"
      maxlength="4000"
      :aria-invalid="progression.problems.length > 0"
      aria-describedby="chords-said"
    />
    <label class="tempo-label"
      >Tempo<input
        v-model.number="tempoGiven"
        class="form-control"
        type="number"
        min="20"
        max="300"
        :placeholder="String(foundFor.piece.tempoBpm)"
    /></label>
    <BButton variant="outline-secondary" :aria-expanded="asking" @click="asking = !asking"
      >Limits{{ writeAsked(asked) ? ' •' : '' }}</BButton
    >
  </div>
  <PathAsk
    v-if="asking"
    v-model="asked"
    :strings="instrument.openPitches.length"
    :frets="instrument.frets - instrument.capo"
    :limit="limit"
    :who="who"
  />
  <p v-if="progression.problems.length" id="chords-said" class="refusal" role="alert">
    {{ sayChart(progression.problems[0]) }}
  </p>
  <p v-else class="small in-key">{{ inKey }}</p>
</template>

<style scoped>
.typed {
  display: flex;
  gap: var(--space-2);
  align-items: center;
}
.typed #chords {
  flex: 1;
  font-family: var(--mono);
}
.in-key {
  min-height: 1.4em;
  margin: 0;
}
.tempo-label {
  display: flex;
  gap: var(--space-2);
  align-items: center;
  font-size: var(--size-2);
}
.tempo-label input {
  width: 76px;
}
.chords-label {
  font-weight: 700;
}
@media (max-width: 779px) {
  .typed {
    flex-wrap: wrap;
  }
  .typed #chords {
    flex: 1 0 100%;
  }
}
@media print {
  .typed {
    display: none;
  }
}
@media (pointer: coarse) {
  .typed input {
    min-height: 44px;
  }
}
</style>
