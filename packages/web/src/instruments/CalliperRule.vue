<script setup lang="ts">
/** Mastery on a rule of 0 to 100: jaws span the 80 % interval, the needle is the estimate, the pennant points to the value in 14 days without practice. */
import { computed } from 'vue';

const props = withDefaults(
  defineProps<{
    mean: number;
    low: number;
    high: number;
    outlook?: number | null;
    width?: number;
    label?: string;
  }>(),
  { outlook: null, width: 220, label: '' },
);
const x = (share: number) => 4 + share * (props.width - 8);
const spoken = computed(
  () =>
    `${props.label} ${Math.round(100 * props.mean)} of 100, between ${Math.round(100 * props.low)} and ${Math.round(100 * props.high)}${props.outlook === null ? '' : `, ${Math.round(100 * props.outlook)} in 14 days without practice`}`,
);
</script>

<template>
  <svg
    class="calliper"
    role="img"
    :aria-label="spoken"
    :width="width"
    height="46"
    :viewBox="`0 0 ${width} 46`"
  >
    <path :d="`M${x(0)} 31H${x(1)}`" stroke="var(--ink3)" />
    <path
      v-for="i in 11"
      :key="i"
      :d="`M${x((i - 1) / 10)} 31v${i % 5 === 1 ? 6 : 3}`"
      stroke="var(--ink3)"
    />
    <rect :x="x(low)" :width="Math.max(1, x(high) - x(low))" y="19" height="12" fill="var(--m2)" />
    <path
      :d="`M${x(low) + 4} 19h-4v12M${x(high) - 4} 19h4v12`"
      stroke="var(--crown)"
      stroke-width="2"
      fill="none"
    />
    <path :d="`M${x(mean)} 6V31`" stroke="var(--ink)" stroke-width="3" />
    <template v-if="outlook !== null && Math.abs(outlook - mean) > 0.01">
      <path
        :d="`M${x(mean)} 7H${x(outlook)}`"
        stroke="var(--ink3)"
        stroke-dasharray="1.5 2.5"
        stroke-width="1.6"
      />
      <path :d="`M${x(outlook) + 4} 3l-4 4 4 4`" stroke="var(--ink3)" fill="none" stroke-width="1.4" />
    </template>
    <path :d="`M${x(0.8)} 38l-4.5 7h9z`" fill="var(--ink)" />
  </svg>
</template>

<style scoped>
.calliper {
  display: block;
  overflow: visible;
}
</style>
