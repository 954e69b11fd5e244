<script setup lang="ts">
/** A drill as it is played: the neck bar by bar, tab and staff, with the bar that sounds now. */
import { instrumentFor, needsNoNeck, readsRhythm, staffFifths, type Drill } from '@finch/core/drills';
import type { DrillContext } from '@finch/core/hands';
import { beatsOf, neckFrames, ticksOf } from '@finch/core/score';
import { BButton } from 'bootstrap-vue-next';
import { computed, ref, watch } from 'vue';
import { nameChord, say } from '../../words';
import { barsAround } from '../../instruments/bars-around';
import { gripDegrees } from '../../instruments/degrees';
import ScaleBoard from '../../instruments/ScaleBoard.vue';
import NeckBoard from '../../instruments/NeckBoard.vue';
import StaffStrip from '../../instruments/StaffStrip.vue';
import TabStrip from '../../instruments/TabStrip.vue';

const props = defineProps<{
  drill: Drill;
  context: DrillContext;
  playing: boolean;
  /** Beats since the start of the score; negative while counting in. */
  elapsed: number;
}>();
const at = ref(0);
watch(
  () => props.drill.recipe,
  () => (at.value = 0),
);
const frames = computed(() => neckFrames(props.drill.score));
/** One frame for each step; a bar of the same strums is one. */
const stops = computed(() =>
  props.drill.steps.map(
    (step) => frames.value.find((frame) => frame.startTick >= step.startTick) ?? frames.value[0],
  ),
);
watch(
  () => props.elapsed,
  (beat) => {
    if (!props.playing) return;
    const now = props.drill.steps.findLastIndex((step) => step.startTick <= ticksOf(beat));
    at.value = Math.max(0, now);
  },
);
const step = computed(() => props.drill.steps[Math.min(at.value, props.drill.steps.length - 1)]);
/** The grip held, or the notes struck where none is. */
const frame = computed(
  () => step.value?.grip ?? stops.value[Math.min(at.value, stops.value.length - 1)] ?? null,
);
const instrument = computed(() => instrumentFor(props.drill, props.context.instrument));
const degrees = computed(() => {
  const { openPitches, capo } = instrument.value;
  return frame.value?.chord
    ? gripDegrees({ frets: frame.value.frets, tuning: openPitches, capo, chord: frame.value.chord })
    : undefined;
});
const around = computed(() =>
  barsAround(props.drill.score, instrument.value, beatsOf(step.value?.startTick ?? 0)),
);
const go = (by: number) => (at.value = Math.min(stops.value.length - 1, Math.max(0, at.value + by)));
defineExpose({ go });
</script>

<template>
  <div class="drill-sheet">
    <div class="spread step-line">
      <BButton
        variant="outline-secondary"
        size="sm"
        aria-label="Step before"
        :disabled="at === 0"
        @click="go(-1)"
        >←</BButton
      >
      <p class="step-words" aria-live="polite">
        <b>{{ at + 1 }} of {{ stops.length }}</b> {{ step ? say(step.ask) : '' }}
        <small>{{
          around.bars.length > 1
            ? `bars ${around.first + 1} to ${around.first + around.bars.length} below`
            : `bar ${around.first + 1} below`
        }}</small>
      </p>
      <BButton
        variant="outline-secondary"
        size="sm"
        aria-label="Next step"
        :disabled="at >= stops.length - 1"
        @click="go(1)"
        >→</BButton
      >
    </div>
    <div v-if="drill.bounds" class="board-scroll">
      <ScaleBoard
        :notes="drill.bounds.notes"
        :instrument="instrument"
        :name="step ? say(step.ask) : ''"
        :least-frets="drill.bounds.frets[1]"
        :width="900"
      />
    </div>
    <NeckBoard
      v-else-if="frame && !needsNoNeck(drill)"
      :frets="frame.frets"
      :fingers="frame.fingers"
      :degrees="degrees"
      :spoken="`${frame.chord ? `${nameChord(frame.chord)}: ` : ''}${step ? say(step.ask) : ''}`"
      :left-handed="context.instrument.leftHanded"
      :width="900"
      :height="206"
    />
    <TabStrip
      v-if="!needsNoNeck(drill)"
      :columns="around.columns"
      :strings="context.instrument.openPitches.length"
      :now="Math.floor(elapsed)"
      :playing="playing"
      :spacing="58"
      :beats="false"
    />
    <StaffStrip
      :bars="around.bars"
      :fifths="staffFifths(drill)"
      :caption="readsRhythm(drill) ? 'crosses are taps' : 'written an octave above its sound'"
    />
  </div>
</template>

<style scoped>
.drill-sheet {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
  min-width: 0;
}
.step-line {
  flex-wrap: nowrap;
  align-items: center;
}
.step-words {
  margin: 0;
  font-size: var(--size-3);
  text-align: center;
}
.step-words small {
  margin-left: var(--space-2);
  color: var(--ink2);
}
.step-words b {
  margin-right: var(--space-2);
  color: var(--ink2);
  font-weight: 400;
}
</style>
