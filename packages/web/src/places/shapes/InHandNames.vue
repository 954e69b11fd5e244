<script setup lang="ts">
/** Every plausible name of the grip in hand; the key and a bass played by someone else put others first. */
import type { Instrument } from '@finch/core/fretboard';
import { nameGrip, type GradedGrip } from '@finch/core/shapes';
import { majorKeys, makeKey, readNote } from '@finch/core/theory';
import { BFormSelect } from 'bootstrap-vue-next';
import { computed, ref } from 'vue';
import { chordText, say } from '../../words';
import BecauseMark from '../../instruments/BecauseMark.vue';
import ChordName from '../../instruments/ChordName.vue';

const props = defineProps<{ grip: GradedGrip; instrument: Instrument }>();
const key = ref<string | null>(null);
const bass = ref<string | null>(null);
const keyOptions = [
  { value: null, text: 'no key' },
  ...majorKeys().map((one) => ({ value: one.name, text: chordText(one.name) })),
];
const bassOptions = [
  { value: null, text: 'the grip itself' },
  ...'C Db D Eb E F F# G Ab A Bb B'.split(' ').map((note) => ({ value: note, text: chordText(note) })),
];
const names = computed(() => {
  const made = key.value ? makeKey(key.value) : null;
  const named = nameGrip(props.grip.frets, props.instrument, {
    ...(made?.ok ? { key: made.value } : {}),
    ...(bass.value ? { bass: readNote(bass.value)?.note } : {}),
  });
  return named.ok ? named.value : [];
});
</script>

<template>
  <div class="names">
    <div class="pair">
      <label>In the key of<BFormSelect v-model="key" size="sm" :options="keyOptions" /></label>
      <label>Lowest note played by<BFormSelect v-model="bass" size="sm" :options="bassOptions" /></label>
    </div>
    <p v-if="!names.length" class="empty">No chord we know has just these notes.</p>
    <ol>
      <li v-for="(one, i) in names.slice(0, 8)" :key="one.chord.symbol">
        <ChordName :symbol="one.chord.symbol" class="name" />
        <BecauseMark>{{ one.why.map(say).join(', ') }}</BecauseMark>
        <span class="small">{{ i === 0 ? 'likeliest' : '' }}</span>
      </li>
    </ol>
  </div>
</template>

<style scoped>
.names {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: var(--space-2);
  font-size: var(--size-1);
  color: var(--ink2);
}
li {
  display: grid;
  grid-template-columns: 110px minmax(0, 1fr) 64px;
  gap: var(--space-2);
  align-items: baseline;
  border-top: 1px solid var(--line);
  padding: 1px 0;
  font-size: var(--size-2);
  line-height: 1.25;
}
.name {
  font-size: var(--size-4);
}
</style>
