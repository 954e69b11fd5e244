<script setup lang="ts">
/** A small grip to take: its picture, its name, and a word about it. */
import type { GradedGrip } from '@finch/core/shapes';
import ShapeCard from '../../instruments/ShapeCard.vue';

defineProps<{ grip: GradedGrip | null | undefined; name: string; leftHanded: boolean }>();
const emit = defineEmits<{ use: [] }>();
</script>

<template>
  <button type="button" class="thumb" :disabled="!grip" @click="emit('use')">
    <ShapeCard
      v-if="grip"
      size="thumb"
      :frets="grip.frets"
      :fingers="grip.fingers"
      :degrees="grip.degrees"
      :left-handed="leftHanded"
    />
    <span v-else class="none">out of this hand’s reach</span>
    <b>{{ name }}</b>
    <small><slot /></small>
  </button>
</template>

<style scoped>
.thumb {
  background: none;
  border: 1px solid var(--line);
  border-radius: 3px;
  color: var(--ink);
  display: flex;
  flex-direction: column;
  align-items: center;
  padding: 2px 0;
  width: 98px;
  font-size: var(--size-2);
  line-height: 1.15;
}
.thumb:hover:enabled {
  border-color: var(--crown);
}
.none {
  height: 80px;
  display: grid;
  place-items: center;
  font-size: var(--size-1);
  color: var(--ink2);
}
small {
  font-size: var(--size-1);
  color: var(--ink2);
}
</style>
