<script setup lang="ts">
/** What was said of a day's takes, with its band, and what came of them, on a rule of 0 to 100. */
import { computed } from 'vue';
import { whole } from '../../words';

const props = defineProps<{ said: number; low: number; high: number; came: number }>();
const WIDTH = 176;
const x = (share: number) => 6 + share * (WIDTH - 12);
const spoken = computed(
  () =>
    `said ${whole(props.said)}, between ${whole(props.low)} and ${whole(props.high)}; came ${whole(props.came)}`,
);
</script>

<template>
  <svg role="img" :aria-label="spoken" width="100%" height="40" :viewBox="`0 0 ${WIDTH} 40`">
    <path :d="`M${x(0)} 30H${x(1)}`" stroke="var(--ink3)" />
    <path
      v-for="i in 11"
      :key="i"
      :d="`M${x((i - 1) / 10)} 30v${i % 5 === 1 ? 6 : 3}`"
      stroke="var(--ink3)"
    />
    <rect :x="x(low)" :width="Math.max(1, x(high) - x(low))" y="17" height="13" fill="var(--m2)" />
    <path
      :d="`M${x(low) + 4} 17h-4v13M${x(high) - 4} 17h4v13`"
      stroke="var(--crown)"
      stroke-width="2"
      fill="none"
    />
    <path :d="`M${x(said)} 6V30`" stroke="var(--ink)" stroke-width="3" />
    <path :d="`M${x(came)} 23l6 7l-6 7l-6 -7z`" fill="var(--breast)" stroke="var(--sheet)" />
  </svg>
</template>
