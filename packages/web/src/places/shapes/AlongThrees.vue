<script setup lang="ts">
/** The chord on fewer strings: the grip in two halves, and the three inversions on each set of three strings. */
import { fretsText, type Frets } from '@finch/core/grips';
import type { Chord } from '@finch/core/theory';
import { computed } from 'vue';
import { triadText } from '../../words';
import type { AlongNeck } from '../../workers/bench-jobs';
import GripThumb from './GripThumb.vue';

const props = defineProps<{ along: AlongNeck; chord: Chord; leftHanded: boolean }>();
const emit = defineEmits<{ use: [symbol: string, frets: Frets] }>();
const halves = computed(() =>
  [
    { name: 'thick half', grip: props.along.halves.low },
    { name: 'thin half', grip: props.along.halves.high },
  ].flatMap(({ name, grip }) => (grip ? [{ name, grip }] : [])),
);
</script>

<template>
  <div class="threes">
    <section v-if="halves.length">
      <h2>In two halves</h2>
      <ul class="thumbs">
        <li v-for="half in halves" :key="half.name">
          <GripThumb
            :grip="half.grip"
            :name="half.name"
            :left-handed="leftHanded"
            @use="emit('use', chord.symbol, half.grip.frets)"
            >effort {{ Math.round(half.grip.effort.total) }}</GripThumb
          >
        </li>
      </ul>
    </section>
    <section v-if="along.inversions.length">
      <h2>Three inversions on three strings</h2>
      <table>
        <thead>
          <tr>
            <th scope="col">strings</th>
            <th scope="col" colspan="3">frets, thickest string first; the lowest on the neck at the left</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="one in along.inversions" :key="one.set.join()">
            <th scope="row">{{ one.set.join(' ') }}</th>
            <td v-for="grip in one.grips" :key="fretsText(grip.frets)">
              <button type="button" class="cell" @click="emit('use', chord.symbol, grip.frets)">
                <b>{{ grip.frets.filter((fret) => fret !== null).join('-') }}</b>
                <small>{{ triadText(grip) }}</small>
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </section>
  </div>
</template>

<style scoped>
.threes {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: var(--space-2) var(--space-4);
}
.thumbs {
  display: grid;
  gap: var(--space-1);
}
table {
  font-size: var(--size-2);
  border-collapse: collapse;
  width: 100%;
}
th {
  text-align: left;
  font-weight: 400;
  color: var(--ink2);
}
:is(th, td) {
  border-top: 1px solid var(--line);
  padding: var(--space-1) var(--space-2) var(--space-1) 0;
}
td {
  width: 29%;
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
  line-height: 1.2;
  white-space: nowrap;
}
.cell:hover {
  border-color: var(--crown);
}
small {
  font-size: var(--size-1);
  color: var(--ink2);
}
@media (max-width: 600px) {
  .threes {
    grid-template-columns: minmax(0, 1fr);
  }
  .thumbs {
    grid-auto-flow: column;
    justify-content: start;
  }
}
@media (pointer: coarse) {
  .cell {
    min-height: 44px;
  }
}
</style>
