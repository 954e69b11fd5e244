<script setup lang="ts">
/** A grip as a card, drawn by the core; this gives its inks the colours of the theme and its spoken form. */
import type { FingerLabel, Frets } from '@finch/core/grips';
import { drawCard, trueSigns, type CardShow, type CardSize } from '@finch/core/shapes';
import { computed } from 'vue';
import { spokenChord } from '../words';
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
  const frets = props.frets.map((fret) => (fret === null ? 'mute' : fret === 0 ? 'open' : fret)).join(', ');
  const rootAt = props.degrees?.findIndex((degree) => degree === '1') ?? -1;
  return `${name}frets ${frets}${rootAt >= 0 ? `; root on string ${props.frets.length - rootAt}` : ''}`;
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

<style>
.shape-card {
  display: block;
  overflow: visible;
  max-width: 100%;
}
.shape-card text {
  font-family: var(--text);
}
.shape-card .stroke-ink {
  stroke: var(--ink);
}
.shape-card .stroke-ink2 {
  stroke: var(--ink2);
}
.shape-card .stroke-wire {
  stroke: var(--fret);
}
.shape-card .stroke-string {
  stroke: var(--string);
}
.shape-card .stroke-sheet {
  stroke: var(--sheet);
}
.shape-card .fill-none {
  fill: none;
}
.shape-card .fill-ink {
  fill: var(--ink);
}
.shape-card .fill-ink3 {
  fill: var(--ink3);
}
.shape-card .fill-sheet {
  fill: var(--sheet);
}
</style>
