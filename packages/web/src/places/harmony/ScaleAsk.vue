<script setup lang="ts">
/** What is asked of a scale: which, how it is laid, with which fingers, and how it is heard. */
import { BButton, BFormSelect } from 'bootstrap-vue-next';
import type { BoardShow } from '@finch/core/scales';
import { scaleKinds } from '@finch/core/theory';
import type { Instrument } from '@finch/core/fretboard';
import SegmentPick from '../../instruments/SegmentPick.vue';
import { chordText } from '../../words';
import { modeText } from '../../words/harmony-words';
import { WAYS } from './laid-scale';
import type { ScaleShown } from './use-scale-shown';

const props = defineProps<{ shown: ScaleShown; instrument: Instrument }>();
const emit = defineEmits<{ print: [] }>();
const { tonic, kind, way, position, string, stretch, wholeSteps, show, drone, groups, laid } = props.shown;
const SHOWS: readonly { id: BoardShow; name: string }[] = [
  { id: 'degrees', name: 'Intervals' },
  { id: 'notes', name: 'Notes' },
  { id: 'fingers', name: 'Fingers' },
];
const TONICS = 'C C# Db D D# Eb E F F# Gb G G# Ab A A# Bb B Cb'.split(' ');
</script>

<template>
  <div class="ask">
    <BFormSelect
      v-model="tonic"
      class="narrow"
      aria-label="Tonic of the scale"
      :options="TONICS.map((one) => ({ value: one, text: chordText(one) }))"
    />
    <BFormSelect
      v-model="kind"
      class="kind"
      aria-label="Scale"
      :options="scaleKinds.map((one) => ({ value: one, text: modeText(one) }))"
    />
    <BFormSelect
      v-model="way"
      class="kind"
      aria-label="How it is laid"
      :options="WAYS.map((one) => ({ value: one.id, text: one.name }))"
    />
    <label v-if="way === 'position' || way === 'three' || way === 'two' || way === 'arpeggios'" class="small"
      >{{ way === 'position' || way === 'arpeggios' ? 'Position' : 'From fret' }}
      <input
        v-model.number="position"
        class="form-control number"
        type="number"
        min="0"
        :max="instrument.frets - instrument.capo - 3"
    /></label>
    <label v-if="way === 'string'" class="small"
      >String
      <input
        v-model.number="string"
        class="form-control number"
        type="number"
        min="1"
        :max="instrument.openPitches.length"
    /></label>
    <BFormSelect
      v-if="way === 'position' || way === 'forms'"
      v-model="stretch"
      class="kind"
      aria-label="How a stretch is taken"
      :options="[
        { value: 'index back', text: 'index goes back' },
        { value: 'little finger up', text: 'little finger goes up' },
      ]"
    />
    <BFormSelect
      v-if="way === 'three'"
      v-model="wholeSteps"
      class="narrow"
      aria-label="Fingers of two whole steps"
      :options="['1 2 4', '1 3 4']"
    />
    <SegmentPick v-model="show" label="What stands in the notes" :options="SHOWS" />
    <label class="small tick"><input v-model="drone" type="checkbox" /> Drone</label>
    <BFormSelect
      v-model="groups"
      class="groups"
      aria-label="How it is heard"
      :options="[
        { value: 0, text: 'heard up and down' },
        { value: 3, text: 'in groups of 3' },
        { value: 4, text: 'in groups of 4' },
      ]"
    />
    <BButton variant="outline-secondary" :disabled="!laid.length" @click="emit('print')">Print…</BButton>
  </div>
</template>

<style scoped>
.ask,
.ask label {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
  align-items: center;
}
.narrow {
  width: 84px;
}
.kind {
  width: 172px;
}
.groups {
  width: 166px;
}
.number {
  width: 68px;
}
.ask .tick {
  gap: var(--space-1);
  min-height: 32px;
}
@media (pointer: coarse) {
  .ask :is(select, input.number, .tick, .btn) {
    min-height: 44px;
  }
}
</style>
