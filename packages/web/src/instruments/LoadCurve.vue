<script setup lang="ts">
/** The load of the hand over a lesson, time running down, with this hand's own limit as a dashed line. */
import { handLoad, type PlanBlock } from '@finch/core/planning';
import { computed } from 'vue';

const props = defineProps<{ blocks: readonly PlanBlock[]; limit: number; minutes: number; height: number }>();
const WIDTH = 84;
const points = computed(() => handLoad(props.blocks));
const most = computed(() => Math.max(props.limit * 1.25, ...points.value.map((point) => point.load)));
const x = (load: number) => (load / most.value) * WIDTH;
const y = (minute: number) => (minute / props.minutes) * props.height;
const edge = computed(() => points.value.map((point) => `L${x(point.load)} ${y(point.minute)}`).join(''));
const peak = computed(() => points.value.reduce((top, point) => (point.load > top.load ? point : top)));
</script>

<template>
  <svg
    class="load"
    :width="WIDTH + 4"
    :height="height"
    :viewBox="`0 0 ${WIDTH + 4} ${height}`"
    role="img"
    :aria-label="`Load of the hand, highest at minute ${peak.minute}: ${peak.load.toFixed(1)}; its limit ${limit}`"
  >
    <path :d="`M0 0${edge}L0 ${y(points.length - 1)}Z`" fill="var(--m2)" stroke="none" />
    <path :d="`M0 0${edge}`" fill="none" stroke="var(--crown)" stroke-width="1.8" />
    <path :d="`M${x(limit)} 0V${height}`" stroke="var(--ink)" stroke-dasharray="6 5" stroke-width="1.6" />
  </svg>
</template>
