<script setup lang="ts">
/** The piece by name, and what may be done with it. */
import { BButton } from 'bootstrap-vue-next';
import { computed } from 'vue';
import IconPrint from '~icons/bi/printer';
import IconHear from '~icons/bi/volume-up';
import { chordText } from '../../words';
import type { PieceBench } from './use-piece-bench';

const props = defineProps<{ bench: PieceBench }>();
const { asks, chart, dialogs, toDrill, toChanges } = props.bench;
const { piece, demand } = asks;
const { slow, hear, player, picked } = chart;
const { is, edit } = dialogs;
const facts = computed(() => {
  const now = piece.value;
  if (!now) return null;
  return {
    key: chordText(now.key.replace(' major', '').replace(' minor', 'm')),
    time: `${now.time.beats}/${now.time.unit}`,
    bars: now.sections.reduce((sum, one) => sum + one.bars.length, 0),
  };
});
</script>

<template>
  <header class="piece-strip">
    <div v-if="piece && facts" class="title-line">
      <h1 class="display">{{ piece.title }}</h1>
      <span class="note facts"
        >{{ facts.key }} · {{ facts.time }} · <b>{{ piece.tempoBpm }} bpm</b> · {{ facts.bars }} bars{{
          piece.by ? ` · ${piece.by}` : ''
        }}</span
      >
    </div>
    <span v-else />
    <div class="acts">
      <label class="small slow"
        >{{ slow }} %<input
          v-model.number="slow"
          type="range"
          min="40"
          max="120"
          step="5"
          aria-label="Tempo heard, percent"
      /></label>
      <BButton variant="outline-secondary" :disabled="!demand" @click="hear"
        ><IconHear aria-hidden="true" />
        {{ player.playing.value ? 'Stop' : picked.length ? 'Hear bars' : 'Hear it' }}</BButton
      >
      <BButton variant="outline-secondary" :disabled="!piece" @click="edit(null)">Edit</BButton>
      <BButton variant="outline-secondary" :disabled="!piece" @click="is.keying = true">Re-key</BButton>
      <BButton variant="outline-secondary" @click="is.filing = true">Files</BButton>
      <BButton variant="outline-secondary" :disabled="!piece" @click="is.printing = true"
        ><IconPrint aria-hidden="true" /> Print</BButton
      >
      <BButton variant="outline-secondary" :disabled="!demand" @click="toDrill">{{
        picked.length ? 'Drill bars' : 'Drill it'
      }}</BButton>
      <BButton class="pri" variant="dark" :disabled="!piece" @click="toChanges()">{{
        picked.length ? 'Bars to Changes' : 'Send to Changes'
      }}</BButton>
    </div>
  </header>
</template>

<style scoped>
.piece-strip {
  display: flex;
  align-items: center;
  gap: var(--space-4);
  padding: 0 var(--space-2);
}
.title-line {
  min-width: 0;
}
.piece-strip h1 {
  font-size: var(--size-5);
  line-height: 1.1;
  white-space: nowrap;
}
.facts {
  display: block;
  font-size: var(--size-1);
  line-height: 1.2;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.acts {
  display: flex;
  gap: var(--space-2);
  margin-left: auto;
  align-items: center;
}
.slow {
  display: flex;
  gap: var(--space-2);
  align-items: center;
  white-space: nowrap;
}
.slow input {
  width: 70px;
}
@media (max-width: 1199px), (max-height: 599px) {
  .piece-strip,
  .acts {
    flex-wrap: wrap;
  }
  .piece-strip h1,
  .facts {
    white-space: normal;
  }
  .acts {
    margin-left: 0;
  }
}
@media print {
  .acts {
    display: none;
  }
}
</style>
