<script setup lang="ts">
/** A grip as a card, drawn by the core; this gives its inks the colours of the theme and its spoken form. */
import type { FingerLabel, Frets } from '@finch/core/grips';
import { drawCard, trueSigns, type CardShow, type CardSize } from '@finch/core/shapes';
import { computed } from 'vue';
import { spokenChord, spokenGrip } from '../words';
import { cardMarkup } from './card-markup';

const props = withDefaults(
  defineProps<{
    frets: Frets;
    fingers: readonly FingerLabel[];
    /** Degrees by string; marks the root and fills the interval view. */
    degrees?: readonly (string | null)[];
    notes?: readonly (string | null)[];
    chord?: string;
    size?: CardSize;
    show?: CardShow;
    leftHanded?: boolean;
    leastFrets?: number;
  }>(),
  {
    degrees: undefined,
    notes: undefined,
    chord: '',
    size: 'list',
    show: 'fingers',
    leftHanded: false,
    leastFrets: 4,
  },
);
const drawing = computed(() => drawCard(props, { ...props, signs: trueSigns }));
const spoken = computed(() => {
  const name = props.chord ? `${spokenChord(props.chord)}, ` : '';
  const rootAt = props.degrees?.findIndex((degree) => degree === '1') ?? -1;
  return `${name}${spokenGrip(props.frets, props.fingers)}${rootAt >= 0 ? `; root on string ${props.frets.length - rootAt}` : ''}`;
});
</script>

<template>
  <!-- eslint-disable vue/no-v-html -- our own strokes; every text in them is escaped -->
  <svg
    class="shape-card"
    role="img"
    :aria-label="spoken"
    :width="drawing.width"
    :height="drawing.height"
    :viewBox="`0 0 ${drawing.width} ${drawing.height}`"
    v-html="cardMarkup(drawing.marks)"
  />
</template>

<style scoped>
.shape-card {
  display: block;
  overflow: visible;
  max-width: 100%;
}
.shape-card :deep(text) {
  font-family: var(--text);
}
.shape-card :deep(.stroke-ink) {
  stroke: var(--ink);
}
.shape-card :deep(.stroke-ink2) {
  stroke: var(--ink2);
}
.shape-card :deep(.stroke-wire) {
  stroke: var(--fret);
}
.shape-card :deep(.stroke-string) {
  stroke: var(--string);
}
.shape-card :deep(.stroke-sheet) {
  stroke: var(--sheet);
}
.shape-card :deep(.fill-none) {
  fill: none;
}
.shape-card :deep(.fill-ink) {
  fill: var(--ink);
}
.shape-card :deep(.fill-ink3) {
  fill: var(--ink3);
}
.shape-card :deep(.fill-sheet) {
  fill: var(--sheet);
}
</style>
