<script setup lang="ts">
/** The grip kept beside and the one in hand: the change between them, or both side by side. */
import type { Frets } from '@finch/core/grips';
import type { DrillContext } from '@finch/core/hands';
import type { GradedGrip } from '@finch/core/shapes';
import type { Chord } from '@finch/core/theory';
import { BButton } from 'bootstrap-vue-next';
import SegmentPick from '../../instruments/SegmentPick.vue';
import BesideChange from './BesideChange.vue';
import BesideGrips from './BesideGrips.vue';
import type { ShapeActions } from './use-shape-actions';
import { BESIDE_PARTS, type BesidePart } from './use-shape-tabs';

const props = defineProps<{
  grip: GradedGrip;
  chord: Chord;
  drilling: DrillContext;
  actions: ShapeActions;
  leftHanded: boolean;
  show: 'fingers' | 'degrees' | 'notes';
}>();
const part = defineModel<BesidePart>('part', { required: true });
const emit = defineEmits<{ take: [symbol: string, frets: Frets] }>();
const { held, change } = props.actions;
</script>

<template>
  <p v-if="!held" class="empty">
    Keep a grip beside you, then pick another one: the change between them stands here.
    <BButton size="sm" variant="outline-secondary" @click="actions.hold">Keep this one</BButton>
  </p>
  <div v-else class="beside">
    <div class="spread">
      <SegmentPick v-model="part" label="Beside the one kept" :options="BESIDE_PARTS" />
      <BButton variant="link" size="sm" @click="actions.letGo()">Put the kept one away</BButton>
    </div>
    <p v-if="!change" class="empty">
      {{ chord.symbol === held.chord.symbol ? 'This is the one kept.' : 'The same grip.' }} Pick another grip
      or type another chord.
    </p>
    <BesideChange
      v-else-if="part === 'change'"
      :kept="held"
      :now="{ grip, chord }"
      :drilling="drilling"
      @take="(symbol, frets) => emit('take', symbol, frets)"
    />
    <BesideGrips
      v-else
      :kept="held"
      :now="{ grip, chord }"
      :drilling="drilling"
      :show="show"
      :left-handed="leftHanded"
    />
  </div>
</template>

<style scoped>
.beside {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
</style>
