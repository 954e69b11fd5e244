<script setup lang="ts">
/** The seven chords of the key side by side: number, chord, tones, job, scale, colours, swaps, and who holds it. */
import { swapsFor } from '@finch/core/harmony';
import { pitchClassOf } from '@finch/core/theory';
import { useMediaQuery } from '@vueuse/core';
import { computed } from 'vue';
import ChordName from '../../instruments/ChordName.vue';
import { degreeText, nameChord } from '../../words';
import {
  careWords,
  CLEAN,
  figureText,
  jobWords,
  modeText,
  notesWords,
  noteWord,
  signatureWords,
} from '../../words/harmony-words';
import type { HarmonyBench } from './use-harmony-bench';

const props = defineProps<{ bench: HarmonyBench }>();
const { inHand, degreeGrips, group } = props.bench;
const { key, degrees, picked, sevenths } = inHand;
const SWAPS_SHOWN = 3;
/** A column each does not fit a phone: one degree at a time there. */
const narrow = useMediaQuery('(max-width: 779px)');
const columns = computed(() =>
  degrees.value.map((one, i) => {
    const swaps = swapsFor({ key: key.value, chord: one.chord }).filter((swap) => swap.kind !== 'colour');
    const held = props.bench.held(one.chord.symbol, degreeGrips.answer.value?.[i]?.frets);
    const met = held?.filter((each) => each.mean !== null) ?? [];
    return {
      ...one,
      figureShown: figureText(sevenths.value ? one.figure : one.numeral),
      well: one.tensions.filter((tension) => !tension.care),
      care: one.tensions.filter((tension) => tension.care),
      swaps: swaps.slice(0, SWAPS_SHOWN),
      known: held !== null,
      met: met.length,
      clean: met.filter((each) => (each.mean ?? 0) >= CLEAN).length,
      mean: met.length ? met.reduce((sum, each) => sum + (each.mean ?? 0), 0) / met.length : null,
    };
  }),
);
const shown = computed(() => (narrow.value ? [columns.value[picked.value]] : columns.value));
/** Half steps from the tonic, and where two neighbours lie only one apart. */
const steps = computed(() => {
  const tonic = pitchClassOf(key.value.tonic);
  const at = key.value.scale.map((note) => (pitchClassOf(note) - tonic + 12) % 12);
  return at.map((from, i) => ({ from, half: (at[i + 1] ?? 12) - from === 1 }));
});
const x = (half: number) => 2 + (96 * half) / 12;
const ruler = computed(() => (narrow.value ? 380 : 800));
const unit = computed(() => ruler.value / 100);
</script>

<template>
  <div class="degrees">
    <p class="small signature">{{ signatureWords(key.fifths) }}</p>
    <svg
      class="ruler"
      :viewBox="`0 0 ${ruler} 54`"
      role="img"
      :aria-label="`${notesWords(key.scale)}: the steps of the scale`"
    >
      <line :x1="0.02 * ruler" :x2="0.98 * ruler" y1="26" y2="26" class="rule" />
      <line
        v-for="half in 13"
        :key="half"
        :x1="unit * x(half - 1)"
        :x2="unit * x(half - 1)"
        y1="22"
        y2="30"
        class="rule"
      />
      <template v-for="(one, i) in steps" :key="i">
        <line
          v-if="one.half"
          :x1="unit * x(one.from)"
          :x2="unit * x(one.from + 1)"
          y1="33"
          y2="33"
          class="half"
        />
        <text :x="unit * x(one.from)" y="16" :class="{ here: i === picked }">
          {{ noteWord(key.scale[i]) }}
        </text>
        <text v-if="one.half" :x="unit * x(one.from + 0.5)" y="49" class="half-word">half step</text>
      </template>
    </svg>
    <div v-if="narrow" class="numbers" role="group" aria-label="Degree">
      <button
        v-for="(one, i) in columns"
        :key="one.degree"
        type="button"
        :aria-pressed="i === picked"
        @click="picked = i"
      >
        {{ one.figureShown }}
      </button>
    </div>
    <table class="degree-table">
      <caption class="visually-hidden">
        The chords of the key by degree
      </caption>
      <thead>
        <tr>
          <th scope="row" class="label">Degree</th>
          <th v-for="one in shown" :key="one.degree" scope="col" :class="{ here: one.degree - 1 === picked }">
            <button
              type="button"
              class="degree display"
              :aria-pressed="one.degree - 1 === picked"
              @click="picked = one.degree - 1"
            >
              {{ one.figureShown }}
            </button>
          </th>
        </tr>
      </thead>
      <tbody>
        <tr>
          <th scope="row">Chord</th>
          <td v-for="one in shown" :key="one.degree" :class="{ here: one.degree - 1 === picked }">
            <ChordName class="chord" :symbol="one.chord.symbol" />
          </td>
        </tr>
        <tr>
          <th scope="row">Tones</th>
          <td v-for="one in shown" :key="one.degree" :class="{ here: one.degree - 1 === picked }">
            {{ notesWords(one.chord.tones.map((tone) => tone.note)) }}
          </td>
        </tr>
        <tr>
          <th scope="row">Job</th>
          <td v-for="one in shown" :key="one.degree" :class="{ here: one.degree - 1 === picked }">
            <b>{{ jobWords(one) }}</b>
          </td>
        </tr>
        <tr>
          <th scope="row">Scale over it</th>
          <td v-for="one in shown" :key="one.degree" :class="{ here: one.degree - 1 === picked }">
            {{ modeText(one.mode) }}
          </td>
        </tr>
        <tr>
          <th scope="row">Colours well</th>
          <td v-for="one in shown" :key="one.degree" :class="{ here: one.degree - 1 === picked }">
            {{ one.well.map((tension) => degreeText(tension.degree)).join(' ') || 'none' }}
          </td>
        </tr>
        <tr>
          <th scope="row">With care</th>
          <td v-for="one in shown" :key="one.degree" :class="{ here: one.degree - 1 === picked }">
            <span
              v-for="tension in one.care"
              :key="tension.degree"
              class="care"
              :title="careWords(tension)"
              >{{ degreeText(tension.degree) }}</span
            >
            <template v-if="one.care.length === 0">none</template>
          </td>
        </tr>
        <tr>
          <th scope="row">Swap in</th>
          <td
            v-for="one in shown"
            :key="one.degree"
            class="swaps"
            :class="{ here: one.degree - 1 === picked }"
          >
            <span v-for="swap in one.swaps" :key="swap.chord.symbol + swap.kind">{{
              nameChord(swap.chord.symbol)
            }}</span>
          </td>
        </tr>
        <tr>
          <th scope="row">{{ group ? 'Class holds it' : 'Held' }}</th>
          <td v-for="one in shown" :key="one.degree" :class="{ here: one.degree - 1 === picked }">
            <template v-if="one.mean !== null"
              ><b class="num">{{ Math.round(100 * one.mean) }}</b>
              <span class="small"> of {{ one.met }}, {{ one.clean }} clean</span></template
            >
            <span v-else class="small">{{
              one.known ? 'nobody yet' : degreeGrips.busy.value ? '…' : 'no skill of it'
            }}</span>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="group" class="small">
      Class: {{ group }}. The number is the mean chance of a clean take of those who have met it; clean from
      80.
    </p>
  </div>
</template>

<style scoped>
.degrees {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
.ruler {
  width: 100%;
  max-width: 900px;
  height: 54px;
}
.ruler .rule {
  stroke: var(--ink3);
  stroke-width: 1.5;
}
.ruler .half {
  stroke: var(--breast);
  stroke-width: 5;
}
.ruler text {
  fill: var(--ink);
  font-size: var(--size-2);
  font-weight: 700;
  text-anchor: middle;
  font-family: var(--text);
}
.ruler .half-word {
  fill: var(--breast);
  font-size: var(--size-1);
}
.ruler .here {
  fill: var(--crown);
}
.degree-table {
  width: 100%;
  border-collapse: collapse;
  table-layout: fixed;
  font-size: var(--size-2);
}
.degree-table :is(th, td) {
  text-align: left;
  vertical-align: top;
  padding: var(--space-2);
  border-bottom: 1px solid var(--line);
  overflow-wrap: anywhere;
}
.degree-table th:first-child {
  width: 104px;
  padding-left: 0;
  font-weight: 400;
  font-size: var(--size-1);
  color: var(--ink3);
}
.degree-table .here {
  background: var(--wash-crown);
}
.degree-table thead .here {
  box-shadow: inset 0 4px 0 var(--wingbar);
}
.degree {
  background: none;
  border: 0;
  color: var(--ink);
  font-size: var(--size-5);
  padding: 0;
  min-height: 44px;
  min-width: 44px;
  text-align: left;
}
.chord {
  font-size: var(--size-5);
}
.care {
  border-bottom: 2px dotted var(--breast);
  margin-right: var(--space-2);
}
.swaps span {
  display: block;
}
.numbers {
  display: grid;
  grid-template-columns: repeat(7, 1fr);
  gap: 2px;
}
.numbers button {
  min-height: 44px;
  border: 1px solid var(--line-strong);
  background: var(--sheet);
  color: var(--ink);
  font-size: var(--size-1);
  padding: 0;
}
.numbers [aria-pressed='true'] {
  background: var(--crown);
  color: var(--sheet);
}
</style>
