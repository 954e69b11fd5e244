<script setup lang="ts">
/** Notes on a neck lying down, drawn by the core; this gives its inks the colours of the theme and its spoken form. */
import type { Instrument } from '@finch/core/fretboard';
import { boardSpoken, drawBoard, type BoardNote, type BoardShow, type Spot } from '@finch/core/scales';
import { trueSigns } from '@finch/core/shapes';
import { computed } from 'vue';
import { degreeText } from '../words';
import { cardMarkup } from './card-markup';

const props = withDefaults(
  defineProps<{
    notes: readonly BoardNote[];
    instrument: Instrument;
    name: string;
    show?: BoardShow;
    rings?: readonly Spot[];
    leastFrets?: number;
    width?: number;
  }>(),
  { show: 'degrees', rings: () => [], leastFrets: 5, width: 900 },
);
const drawing = computed(() =>
  drawBoard(props.notes, props.instrument, {
    show: props.show,
    leftHanded: props.instrument.leftHanded,
    leastFrets: props.leastFrets,
    rings: props.rings,
    width: props.width,
    signs: trueSigns,
  }),
);
const spoken = computed(() => `${props.name}: ${boardSpoken(props.notes, props.instrument, degreeText)}`);
</script>

<template>
  <!-- eslint-disable vue/no-v-html -- our own strokes; every text in them is escaped -->
  <svg
    class="scale-board"
    role="img"
    :aria-label="spoken"
    :viewBox="`0 0 ${drawing.width} ${drawing.height}`"
    v-html="cardMarkup(drawing.marks)"
  />
</template>

<style scoped>
.scale-board {
  display: block;
  width: 100%;
  max-width: 1000px;
  overflow: visible;
}
.scale-board :deep(text) {
  font-family: var(--text);
}
.scale-board :deep(.stroke-ink) {
  stroke: var(--ink);
}
.scale-board :deep(.stroke-ink3) {
  stroke: var(--ink3);
}
.scale-board :deep(.stroke-wire) {
  stroke: var(--fret);
}
.scale-board :deep(.stroke-string) {
  stroke: var(--string);
}
.scale-board :deep(.stroke-sheet) {
  stroke: var(--sheet);
}
.scale-board :deep(.fill-none) {
  fill: none;
}
.scale-board :deep(.fill-ink) {
  fill: var(--ink);
}
.scale-board :deep(.fill-ink3) {
  fill: var(--ink3);
}
.scale-board :deep(.fill-sheet) {
  fill: var(--sheet);
}
.scale-board :deep(.care-line) {
  stroke: var(--breast);
}
</style>
