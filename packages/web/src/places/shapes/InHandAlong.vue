<script setup lang="ts">
/** The chord along the neck: five forms, inversions on each set of three strings, two halves, the family ladder. */
import { fretsText, type Frets } from '@finch/core/grips';
import type { GradedGrip } from '@finch/core/shapes';
import type { Chord } from '@finch/core/theory';
import { computed } from 'vue';
import { chordText, formText, fretsMoved, triadText } from '../../words';
import ShapeCard from '../../instruments/ShapeCard.vue';
import type { AlongNeck } from '../../workers/bench.worker';

const props = defineProps<{
  along: AlongNeck | null;
  chord: Chord;
  leftHanded: boolean;
}>();
const emit = defineEmits<{ use: [symbol: string, frets: Frets] }>();
const halves = computed(() =>
  [
    { name: 'thick half', grip: props.along?.halves.low },
    { name: 'thin half', grip: props.along?.halves.high },
  ].filter((half): half is { name: string; grip: GradedGrip } => !!half.grip),
);
</script>

<template>
  <p v-if="!along" class="empty">Going up the neck…</p>
  <div v-else class="along">
    <h2 class="wide">Five forms, the lowest first</h2>
    <p v-if="!along.forms.length" class="note wide">
      Forms have names in standard tuning with six strings alone.
    </p>
    <ul v-else class="alongs wide">
      <li v-for="place in along.forms" :key="place.form">
        <button
          type="button"
          :disabled="!place.grip"
          @click="place.grip && emit('use', chord.symbol, place.grip.frets)"
        >
          <ShapeCard
            v-if="place.grip"
            size="thumb"
            :frets="place.grip.frets"
            :fingers="place.grip.fingers"
            :degrees="place.grip.degrees"
            :left-handed="leftHanded"
          />
          <span v-else class="none">out of this hand’s reach</span>
          <b>{{ formText(place.form) }}</b>
          <small>fret {{ place.fret }}, root on {{ place.rootString }}</small>
        </button>
      </li>
    </ul>
    <section v-if="along.closed.length" class="wide">
      <h2>Closed with a barre: {{ formText(along.closed[0].form) }}</h2>
      <ul class="closed">
        <li v-for="(one, i) in along.closed" :key="one.chord.symbol">
          <button
            type="button"
            class="cell"
            :disabled="one.effort === null"
            @click="emit('use', one.chord.symbol, one.closed)"
          >
            <b>{{ chordText(one.chord.symbol) }}</b><small>index at {{ i + 1 }}</small
            ><small>{{ one.effort === null ? 'out of reach' : `effort ${Math.round(one.effort)}` }}</small>
          </button>
        </li>
      </ul>
    </section>
    <section v-if="halves.length">
      <h2>In two halves</h2>
      <ul class="alongs">
        <li v-for="half in halves" :key="half.name">
          <button type="button" @click="emit('use', chord.symbol, half.grip.frets)">
            <ShapeCard
              size="thumb"
              :frets="half.grip.frets"
              :fingers="half.grip.fingers"
              :degrees="half.grip.degrees"
              :left-handed="leftHanded"
            />
            <b>{{ half.name }}</b><small>effort {{ Math.round(half.grip.effort.total) }}</small>
          </button>
        </li>
      </ul>
    </section>
    <section v-if="along.inversions.length">
      <h2>Three inversions on three strings</h2>
      <table>
        <thead>
          <tr>
            <th scope="col">strings</th>
            <th scope="col" colspan="3">lowest first</th>
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
    <section v-if="along.ladder.length > 1" class="wide">
      <h2>The family, one move a rung</h2>
      <ul class="alongs">
        <li v-for="(rung, i) in along.ladder" :key="i">
          <button type="button" @click="emit('use', rung.chord.symbol, rung.grip.frets)">
            <ShapeCard
              size="thumb"
              :frets="rung.grip.frets"
              :fingers="rung.grip.fingers"
              :degrees="rung.grip.degrees"
              :left-handed="leftHanded"
            />
            <b>{{ chordText(rung.chord.symbol) }}</b>
            <small v-if="rung.moves[0]"
              >string {{ rung.moves[0].string }}, {{ fretsMoved(rung.moves[0].by) }}</small
            ><small v-else>start</small>
          </button>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.along {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: var(--space-1) var(--space-3);
}
.wide {
  grid-column: 1 / -1;
}
.alongs {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-1);
}
.closed {
  display: grid;
  grid-template-columns: repeat(5, minmax(0, 1fr));
  gap: 2px var(--space-1);
}
.closed .cell {
  flex-direction: column;
  align-items: flex-start;
  gap: 0;
}
.alongs button {
  background: none;
  border: 1px solid var(--line);
  border-radius: 3px;
  color: var(--ink);
  display: flex;
  flex-direction: column;
  align-items: center;
  padding: 2px 0;
  width: 98px;
  font-size: var(--size-2);
  line-height: 1.15;
}
.alongs button:hover:enabled {
  border-color: var(--crown);
}
.none {
  height: 80px;
  display: grid;
  place-items: center;
  font-size: var(--size-1);
  color: var(--ink2);
}
small {
  font-size: var(--size-1);
  color: var(--ink2);
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
.cell {
  background: none;
  border: 1px solid var(--line);
  border-radius: 3px;
  color: var(--ink);
  width: 100%;
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  padding: 1px var(--space-2);
}
@media (max-width: 600px) {
  .along {
    grid-template-columns: minmax(0, 1fr);
  }
}
@media (pointer: coarse) {
  .cell {
    min-height: 44px;
  }
}
.cell:hover {
  border-color: var(--crown);
}
</style>
