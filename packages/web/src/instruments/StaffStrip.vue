<script setup lang="ts">
/**
 * Bars on a staff, written an octave above what a guitar sounds (the small 8 under the clef). The engraving is
 * VexFlow's with its own music font, loaded when first needed; what stands on the staff comes from the core.
 */
import type { StaffBar } from '@finch/core/score';
import { pitchText } from '@finch/core/theory';
import { computed, onMounted, ref, useTemplateRef, watch } from 'vue';
import { degreeText } from '../words';
import { loadStaff } from './staff-engraver';

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
const at = useTemplateRef<HTMLElement>('at');
const trouble = ref('');
const LINES =
  'below the staff, first line, first space, second line, second space, third line, third space, fourth line, fourth space, fifth line, above the staff'.split(
    ', ',
  );
const spoken = computed(() => {
  const notes = props.bars.flatMap((bar) =>
    bar.events.flatMap((event) => event.notes.map((note) => note.written)),
  );
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
let turn = 0;
async function draw() {
  if (!at.value) return;
  const mine = ++turn;
  try {
    const engrave = await loadStaff();
    // The heaviest of the drawings comes a frame after the others.
    await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)));
    if (at.value && mine === turn)
      await engrave(at.value, props.bars, props.fifths ?? 0, () => mine === turn);
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
    <div ref="at" class="staff-drawing" role="img" :aria-label="spoken" />
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
  position: relative;
  min-height: 142px;
  color: var(--ink);
}
/* The engraver gives stems and ledger lines inks of its own; the theme's ink holds for all. */
.staff-drawing :deep([stroke]:not([stroke='none'])) {
  stroke: currentColor;
}
.staff-drawing :deep([fill]:not([fill='none'])) {
  fill: currentColor;
}
</style>
