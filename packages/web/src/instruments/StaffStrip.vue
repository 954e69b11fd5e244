<script setup lang="ts">
/**
 * Bars on a staff, written an octave above what a guitar sounds (the small 8 under the clef). The core engraves it; the
 * engraver is large, so no view pays for it before it shows a staff.
 */
import type { StaffDrawing } from '@finch/core/engraving';
import type { StaffBar } from '@finch/core/score';
import { pitchText } from '@finch/core/theory';
import { computed, onMounted, ref, shallowRef, watch } from 'vue';
import { afterPaint } from '../app/stages';
import { degreeText, plural } from '../words';
import { cardMarkup } from './card-markup';

const props = withDefaults(
  defineProps<{
    bars: readonly StaffBar[];
    /** Bar now sounding, from 0; null when silent. */
    now?: number | null;
    /** Without its names in the spoken form: a reading task. */
    plain?: boolean;
    caption?: string;
    /** Sharps of the signature, flats below zero; null writes every sign before its note. */
    fifths?: number | null;
  }>(),
  { now: null, plain: false, caption: '', fifths: null },
);
const drawing = shallowRef<StaffDrawing | null>(null);
const trouble = ref('');
const LINES =
  'below the staff, first line, first space, second line, second space, third line, third space, fourth line, fourth space, fifth line, above the staff'.split(
    ', ',
  );
const spoken = computed(() => {
  const notes = props.bars.flatMap((bar) =>
    bar.events.flatMap((event) => event.notes.map((note) => note.written)),
  );
  // Crosses have no pitch: how many taps stand in each bar.
  if (props.bars.every((bar) => bar.events.every((event) => event.muffled || event.notes.length === 0)))
    return `Rhythm: ${props.bars
      .map((bar) => plural(bar.events.filter((event) => event.muffled && !event.tied).length, 'tap'))
      .join(', then ')}`;
  if (!props.plain)
    return `Staff, ${props.bars.length} bars: ${notes
      .slice(0, 24)
      .map((note) => degreeText(pitchText(note)))
      .join(', ')}`;
  const steps = notes.map((note) => note.octave * 7 + 'CDEFGAB'.indexOf(note.note.letter) - (4 * 7 + 1));
  const words = steps.map((step) => LINES[Math.min(LINES.length - 1, Math.max(0, step))]);
  const signs = notes.map((note) =>
    note.note.accidental > 0 ? ' sharp' : note.note.accidental < 0 ? ' flat' : '',
  );
  return `Staff, treble clef: ${words.map((word, i) => word + signs[i]).join(', ')}`;
});
const markup = computed(() => (drawing.value ? cardMarkup(drawing.value.marks) : ''));
let turn = 0;
async function draw() {
  const mine = ++turn;
  try {
    const { engrave } = await import('@finch/core/engraving');
    // The heaviest of the drawings comes a frame after the others.
    await new Promise<void>((resolve) => afterPaint(resolve));
    if (mine !== turn) return;
    drawing.value = engrave(props.bars, { fifths: props.fifths ?? 0 });
    trouble.value = '';
  } catch (problem) {
    trouble.value = `The staff could not be drawn: ${(problem as Error).message}. The tab says the same.`;
  }
}
onMounted(draw);
watch(() => [props.bars, props.fifths], draw);
</script>

<template>
  <div class="staff-strip" role="group" aria-label="Staff" tabindex="0">
    <div class="staff-drawing" role="img" :aria-label="spoken">
      <!-- eslint-disable vue/no-v-html -- our own marks, every text in them escaped -->
      <svg
        v-if="drawing"
        aria-hidden="true"
        :width="drawing.width"
        :height="drawing.height"
        :viewBox="`0 ${drawing.top} ${drawing.width} ${drawing.height}`"
        v-html="markup"
      />
      <!-- eslint-enable vue/no-v-html -->
    </div>
    <p v-if="trouble || caption" class="small staff-caption">{{ trouble || caption }}</p>
  </div>
</template>

<style scoped>
.staff-strip {
  overflow-x: auto;
  max-width: 100%;
}
.staff-caption {
  margin: calc(-1 * var(--space-4)) 0 0;
  text-align: right;
}
.staff-drawing {
  min-height: 142px;
}
.staff-drawing svg {
  display: block;
}
.staff-drawing :deep(.fill-ink) {
  fill: var(--ink);
}
.staff-drawing :deep(.stroke-ink) {
  stroke: var(--ink);
}
.staff-drawing :deep(.fill-none) {
  fill: none;
}
</style>
