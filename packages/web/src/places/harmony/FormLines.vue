<script setup lang="ts">
/** Lines inside the grip in hand: the scales under it with what each adds, and turns of a style that lead into its tones. */
import { BButton, BFormSelect } from 'bootstrap-vue-next';
import type { Frets } from '@finch/core/grips';
import type { Instrument } from '@finch/core/fretboard';
import {
  aroundForm,
  LINE_STYLES,
  turnsAround,
  type LineStyle,
  type Spot,
  type Turn,
} from '@finch/core/scales';
import type { Chord } from '@finch/core/theory';
import { computed, ref } from 'vue';
import ScaleBoard from '../../instruments/ScaleBoard.vue';
import { degreeText } from '../../words';
import { modeText, noteWord } from '../../words/harmony-words';

const props = defineProps<{ chord: Chord; frets: Frets; next: Frets | null; instrument: Instrument }>();
const emit = defineEmits<{ hear: [spots: readonly Spot[]] }>();
const WIDTH = 470;
const TURNS_SHOWN = 6;
const around = computed(() => aroundForm(props.frets, props.chord, props.instrument));
const at = ref(0);
const shown = computed(() => around.value[Math.min(at.value, around.value.length - 1)]);
const style = ref<LineStyle>('folk');
const fingers = ref(false);
const turns = computed(() =>
  turnsAround(props.frets, props.chord, style.value, props.instrument, props.next ?? undefined).slice(
    0,
    TURNS_SHOWN,
  ),
);
/** The five are filled, what fills them outlined, what is changed underlined. */
const board = computed(() =>
  (shown.value?.notes ?? []).map((one) => ({
    ...one,
    look:
      one.role === 'five'
        ? ('filled' as const)
        : one.role === 'fills'
          ? ('outlined' as const)
          : ('care' as const),
  })),
);
const said = computed(() => {
  const of = (role: string) => [
    ...new Set(
      (shown.value?.notes ?? []).filter((one) => one.role === role).map((one) => noteWord(one.note)),
    ),
  ];
  const [fills, changed] = [of('fills'), of('changed')];
  return [
    'filled: the five of the pentatonic',
    fills.length ? `outlined: ${fills.join(' and ')} fill it` : '',
    changed.length ? `underlined: ${changed.join(' and ')} makes it ${shown.value?.kind ?? ''}` : '',
  ]
    .filter(Boolean)
    .join('; ');
});
const place = (spots: readonly Spot[]) =>
  spots
    .map((one) => `string ${props.instrument.openPitches.length - one.stringIndex} fret ${one.fret}`)
    .join(' with ');
const turnWords = (one: Turn) =>
  `${one.kind}, ${one.degrees[0].split(' ').map(degreeText).join(' ')} to ${one.degrees[1].split(' ').map(degreeText).join(' ')}: ${place(one.from)}, to ${place(one.to)}${one.leadsOn ? '; ends on the next grip' : ''}`;
</script>

<template>
  <div v-if="shown" class="lines">
    <h3>Lines in this grip</h3>
    <BFormSelect
      v-model="at"
      aria-label="Scale around the grip"
      :options="around.map((one, i) => ({ value: i, text: modeText(one.kind) }))"
    />
    <ScaleBoard
      :notes="board"
      :instrument="instrument"
      :name="shown.kind"
      :width="WIDTH"
      :least-frets="4"
      :show="fingers ? 'fingers' : 'degrees'"
    />
    <label class="small tick"><input v-model="fingers" type="checkbox" /> Fingers</label>
    <p class="small">{{ said }}.</p>
    <BButton size="sm" variant="outline-secondary" @click="emit('hear', shown.notes)">Hear it</BButton>
    <BFormSelect
      v-model="style"
      aria-label="Turns of a style"
      :options="LINE_STYLES.map((one) => ({ value: one, text: `turns: ${one}` }))"
    />
    <ul class="small">
      <li v-for="(one, i) in turns" :key="i">
        <button type="button" class="btn btn-link" @click="emit('hear', [...one.from, ...one.to])">
          {{ turnWords(one) }}
        </button>
      </li>
      <li v-if="turns.length === 0">None of this style lies within two frets of the grip.</li>
    </ul>
  </div>
</template>

<style scoped>
.lines {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  gap: var(--space-1);
}
.tick {
  display: flex;
  gap: var(--space-1);
  align-items: center;
  min-height: 32px;
}
.lines .btn-link {
  white-space: normal;
  text-align: left;
  min-height: 24px;
  padding: 0;
}
@media (pointer: coarse) {
  .lines :is(.btn, select, .tick) {
    min-height: 44px;
  }
}
</style>
