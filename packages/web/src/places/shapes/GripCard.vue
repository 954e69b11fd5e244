<script setup lang="ts">
/** One grip of the list: how heavy it is for this hand, how it is held, what it is called. */
import { effortBand } from '@finch/core/effort';
import type { CardShow, GradedGrip } from '@finch/core/shapes';
import ShapeCard from '../../instruments/ShapeCard.vue';
import ShimMark from '../../instruments/ShimMark.vue';
import { nameOfShape } from '../../words/shape-words';

defineProps<{
  grip: GradedGrip;
  chord?: string;
  limit: number | null;
  show: CardShow;
  leftHanded: boolean;
  on: boolean;
}>();
const emit = defineEmits<{ pick: []; big: [] }>();
</script>

<template>
  <button type="button" :aria-pressed="on" :class="{ on }" @click="emit('pick')" @dblclick="emit('big')">
    <span class="card-head"
      ><ShimMark :effort="grip.effort.total" :limit="limit" /><b>{{ Math.round(grip.effort.total) }}</b
      ><span class="band">{{
        limit !== null && grip.effort.total > limit ? 'over limit' : effortBand(grip.effort.total)
      }}</span></span
    >
    <ShapeCard
      class="drawing"
      :frets="grip.frets"
      :fingers="grip.fingers"
      :degrees="grip.degrees"
      :notes="grip.notes"
      :chord="chord"
      :show="show"
      :left-handed="leftHanded"
    />
    <span class="small">{{ nameOfShape(grip) }}</span>
  </button>
</template>

<style scoped>
button {
  width: 100%;
  height: 100%;
  background: none;
  border: 3px solid transparent;
  border-right: 1px solid var(--line);
  border-radius: 3px;
  color: var(--ink);
  text-align: left;
  overflow: hidden;
  padding: var(--space-1) var(--space-2);
  display: flex;
  flex-direction: column;
  gap: var(--space-1);
}
.drawing {
  align-self: center;
}
button.on {
  background: var(--wash-crown);
  border-color: var(--crown);
}
button:focus-visible {
  outline-offset: -3px;
}
.card-head {
  display: flex;
  gap: var(--space-1);
  align-items: baseline;
}
.card-head b {
  font-size: var(--size-4);
  line-height: 1;
}
.band {
  margin-left: auto;
  font-size: var(--size-1);
  color: var(--ink2);
  white-space: nowrap;
}
</style>
