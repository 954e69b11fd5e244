<script setup lang="ts">
/** The chord in its five forms, and what an open grip becomes when a barre closes it. */
import type { Frets } from '@finch/core/grips';
import type { Chord } from '@finch/core/theory';
import { chordText, formText } from '../../words';
import type { AlongNeck } from '../../workers/bench-jobs';
import GripThumb from './GripThumb.vue';

defineProps<{ along: AlongNeck; chord: Chord; leftHanded: boolean }>();
const emit = defineEmits<{ use: [symbol: string, frets: Frets] }>();
</script>

<template>
  <section>
    <h2>Five forms, the lowest first</h2>
    <p v-if="!along.forms.length" class="note">Forms have names in standard tuning with six strings alone.</p>
    <ul v-else class="thumbs">
      <li v-for="place in along.forms" :key="place.form">
        <GripThumb
          :grip="place.grip"
          :name="formText(place.form)"
          :left-handed="leftHanded"
          @use="place.grip && emit('use', chord.symbol, place.grip.frets)"
          >fret {{ place.fret }}, root on {{ place.rootString }}</GripThumb
        >
      </li>
    </ul>
  </section>
  <section v-if="along.closed.length">
    <h2>Closed with a barre: {{ formText(along.closed[0].form) }}</h2>
    <ul class="closed">
      <li v-for="(one, i) in along.closed" :key="one.chord.symbol">
        <button
          type="button"
          class="cell"
          :disabled="one.effort === null"
          @click="emit('use', one.chord.symbol, one.closed)"
        >
          <b>{{ chordText(one.chord.symbol) }}</b>
          <small>index at {{ i + 1 }}</small>
          <small>{{ one.effort === null ? 'out of reach' : `effort ${Math.round(one.effort)}` }}</small>
        </button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.thumbs {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-1);
}
.closed {
  display: grid;
  grid-template-columns: repeat(5, minmax(0, 1fr));
  gap: 2px var(--space-1);
}
.cell {
  width: 100%;
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  background: none;
  border: 1px solid var(--line);
  border-radius: 3px;
  color: var(--ink);
  padding: 1px var(--space-2);
  font-size: var(--size-2);
}
.cell:hover {
  border-color: var(--crown);
}
small {
  font-size: var(--size-1);
  color: var(--ink2);
}
@media (pointer: coarse) {
  .cell {
    min-height: 44px;
  }
}
</style>
