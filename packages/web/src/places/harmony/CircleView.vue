<script setup lang="ts">
/** The circle of fifths beside what it says of the key in hand: its neighbours, its parallel, what it may borrow, where sus leaves it. */
import { borrowedInto, modalColour, parallelOf, relativeOf, susNotes } from '@finch/core/harmony';
import { computed } from 'vue';
import CircleDrawing from '../../instruments/CircleDrawing.vue';
import { chordText, degreeText, listed, nameChord } from '../../words';
import { figureText, notesWords, noteWord, signatureWords } from '../../words/harmony-words';
import type { HarmonyBench } from './use-harmony-bench';

const props = defineProps<{ bench: HarmonyBench }>();
const { inHand } = props.bench;
const { key, degrees, picked, sevenths } = inHand;
const plain = computed(() => key.value.kind === 'major' || key.value.kind === 'minor');
const relative = computed(() => (plain.value ? relativeOf(key.value) : null));
const parallel = computed(() => (plain.value ? parallelOf(key.value) : null));
const borrowed = computed(() => (key.value.kind === 'major' ? borrowedInto(key.value) : []));
const colour = computed(() => modalColour(key.value));
const out = (degree: '2' | '4') =>
  susNotes(key.value, degree)
    .filter((one) => one.keyHas)
    .map(
      (one) =>
        `${noteWord(one.root)}sus${degree} (${noteWord(one.note)}, the key has ${one.keyHas ? noteWord(one.keyHas) : ''})`,
    );
/** The seven degrees by fourths, as they pull: each a fifth above the next. */
const ring = computed(() => [0, 3, 6, 2, 5, 1, 4].map((i) => ({ ...degrees.value[i], at: i })));
const SIZE = 300;
const place = (i: number) => {
  const angle = (i / 7) * 2 * Math.PI - Math.PI / 2;
  return { x: SIZE / 2 + Math.cos(angle) * 112, y: SIZE / 2 + Math.sin(angle) * 112 };
};
</script>

<template>
  <div class="circle-view">
    <CircleDrawing :name="key.name" :fifths="key.fifths" :mode="key.mode" @take="inHand.take" />
    <div class="told">
      <h2>{{ chordText(key.name) }}</h2>
      <p>{{ signatureWords(key.fifths) }}. {{ notesWords(key.scale) }}</p>
      <p v-if="relative">
        Relative, same signature:
        <button type="button" class="btn btn-link" @click="inHand.take(relative.name)">
          {{ chordText(relative.name) }}
        </button>
      </p>
      <p v-if="parallel">
        Parallel, same tonic:
        <button type="button" class="btn btn-link" @click="inHand.take(parallel.name)">
          {{ chordText(parallel.name) }}
        </button>
      </p>
      <p v-if="colour">
        What colours it: {{ degreeText(colour.degree) }}, {{ noteWord(colour.note) }}; the chord that has it
        is {{ figureText(colour.figure) }}, {{ nameChord(colour.chord.symbol) }}. A mode of
        {{ chordText(colour.parent.name) }}.
      </p>
      <p v-if="borrowed.length">
        Borrowed from the parallel:
        {{ borrowed.map((one) => `${figureText(one.figure)} ${nameChord(one.chord.symbol)}`).join(', ') }}.
      </p>
      <p v-if="out('4').length || out('2').length" class="small">
        Sus leaves the key on {{ listed([...out('4'), ...out('2')]) }}.
      </p>
      <svg
        class="ring"
        :viewBox="`0 0 ${SIZE} ${SIZE}`"
        role="group"
        aria-label="Degrees, each a fifth above the next"
      >
        <circle :cx="SIZE / 2" :cy="SIZE / 2" r="112" class="line" />
        <g
          v-for="(one, i) in ring"
          :key="one.degree"
          role="button"
          tabindex="0"
          :aria-pressed="one.at === picked"
          :aria-label="`${figureText(sevenths ? one.figure : one.numeral)}, ${nameChord(one.chord.symbol)}`"
          class="spot"
          :class="{ own: one.at === picked }"
          @click="picked = one.at"
          @keydown.enter.prevent="picked = one.at"
          @keydown.space.prevent.stop="picked = one.at"
        >
          <circle :cx="place(i).x" :cy="place(i).y" r="34" />
          <text :x="place(i).x" :y="place(i).y - 2">
            {{ figureText(sevenths ? one.figure : one.numeral) }}
          </text>
          <text class="chord" :x="place(i).x" :y="place(i).y + 15">{{ nameChord(one.chord.symbol) }}</text>
        </g>
        <text class="middle" :x="SIZE / 2" :y="SIZE / 2 - 4">each pulls to</text>
        <text class="middle" :x="SIZE / 2" :y="SIZE / 2 + 14">the next, clockwise</text>
      </svg>
    </div>
  </div>
</template>

<style scoped>
.circle-view {
  display: grid;
  grid-template-columns: minmax(0, 460px) minmax(0, 1fr);
  gap: var(--space-5);
}
.told {
  display: flex;
  flex-direction: column;
  gap: var(--space-1);
  font-size: var(--size-2);
}
.told .btn {
  min-height: 24px;
  padding: 0;
}
.ring {
  width: 100%;
  max-width: 300px;
}
.ring .line {
  fill: none;
  stroke: var(--line-strong);
}
.spot {
  cursor: pointer;
  outline: none;
}
.spot circle {
  fill: var(--sheet);
  stroke: var(--line-strong);
  stroke-width: 1.5;
}
.spot:hover circle {
  fill: var(--wash-crown);
}
.spot.own circle {
  fill: var(--crown);
}
.spot:focus-visible circle {
  stroke: var(--ring);
  stroke-width: 4;
}
.ring text {
  fill: var(--ink);
  text-anchor: middle;
  font-size: var(--size-2);
  font-weight: 700;
  font-family: var(--text);
}
.ring .chord {
  font-size: var(--size-1);
  font-weight: 400;
}
.ring .middle {
  fill: var(--ink3);
  font-size: var(--size-1);
  font-weight: 400;
}
.ring .own text {
  fill: var(--sheet);
}
@media (max-width: 779px) {
  .circle-view {
    grid-template-columns: minmax(0, 1fr);
  }
}
@media (pointer: coarse) {
  .told .btn {
    min-height: 44px;
  }
}
</style>
