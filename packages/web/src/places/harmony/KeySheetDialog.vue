<script setup lang="ts">
/** Keys on paper: the one in hand, or twelve or fifteen of them; blank as homework. */
import { keysFor } from '@finch/core/paper';
import { degreeChords, makeKey } from '@finch/core/theory';
import { must } from '@finch/core';
import { computed, ref } from 'vue';
import HouseDialog from '../../furniture/HouseDialog.vue';
import SegmentPick from '../../instruments/SegmentPick.vue';
import PaperSheet from '../../paper/PaperSheet.vue';
import type { PaperJob } from '../../paper/paper-files';
import { useSeat } from '../../session/seat';
import { chordText } from '../../words';
import { sheetNames } from '../../words/harmony-words';
import type { useKeyInHand } from './use-key';

const props = defineProps<{ inHand: ReturnType<typeof useKeyInHand> }>();
const open = defineModel<boolean>({ required: true });
const seat = useSeat();
const WHICH = [
  { id: 'one', name: 'This key' },
  { id: '12', name: 'Twelve keys' },
  { id: '15', name: 'Fifteen keys' },
] as const;
const which = ref<(typeof WHICH)[number]['id']>('one');
const blank = ref(false);
const { key, sevenths, school } = props.inHand;
const job = computed<PaperJob | null>(() => {
  if (!open.value) return null;
  const names =
    which.value === 'one'
      ? [key.value.name]
      : keysFor(key.value.mode, which.value === '12' ? 12 : 15).map((one) => one.name);
  const title = which.value === 'one' ? chordText(key.value.name) : `${names.length} ${key.value.mode} keys`;
  return {
    layout: 'keys',
    title: blank.value ? `${title}, to fill in` : title,
    foot: `${seat.studio?.name ?? ''}${sevenths.value ? '. Sevenths' : '. Triads'}`,
    show: 'degrees',
    leftHanded: false,
    keys: names,
    sevenths: sevenths.value,
    blank: blank.value,
    school: school.value,
    names: sheetNames(
      names.map((name) => ({
        name,
        degrees: degreeChords(must(makeKey(name)), { sevenths: sevenths.value, school: school.value }),
      })),
    ),
  };
});
</script>

<template>
  <HouseDialog v-model="open" size="lg" title="Keys on paper">
    <PaperSheet :job="job">
      <SegmentPick v-model="which" label="Which keys" :options="WHICH" />
      <label class="note"><input v-model="sevenths" type="checkbox" /> Sevenths</label>
      <label class="note"><input v-model="blank" type="checkbox" /> Blank, to fill in at home</label>
    </PaperSheet>
  </HouseDialog>
</template>
