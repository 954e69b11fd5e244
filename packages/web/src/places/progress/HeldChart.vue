<script setup lang="ts">
/** How well predictions held: what was said of takes against the share of them that came clean, class by class. */
import type { HeldBody } from '@finch/contract';
import { scaleLinear, scaleSqrt } from 'd3-scale';
import { computed } from 'vue';
import { plural, whole } from '../../words';
import { lossText, offText } from './progress-words';

const props = defineProps<{ held: HeldBody }>();
const SIZE = 244;
const EDGE = 30;
const x = scaleLinear([0, 1], [EDGE, SIZE - 8]);
const y = scaleLinear([0, 1], [SIZE - EDGE, 8]);
const wide = computed(() =>
  scaleSqrt([0, Math.max(1, ...props.held.classes.map(({ takes }) => takes))], [3, 20]),
);
</script>

<template>
  <figure>
    <p v-if="!held.takes" class="empty">No take yet, so nothing was foretold.</p>
    <template v-else>
      <svg
        role="img"
        :aria-label="`${plural(held.takes, 'take')} foretold. ${offText(held) || 'Every class held.'}`"
        width="100%"
        :viewBox="`0 0 ${SIZE} ${SIZE}`"
      >
        <path :d="`M${x(0)} ${y(1)}V${y(0)}H${x(1)}`" stroke="var(--ink3)" fill="none" />
        <template v-for="mark in [0, 0.5, 1]" :key="mark">
          <path :d="`M${x(0)} ${y(mark)}h-4M${x(mark)} ${y(0)}v4`" stroke="var(--ink3)" />
          <text :x="x(0) - 7" :y="y(mark) + 4" text-anchor="end">{{ whole(mark) }}</text>
          <text :x="x(mark)" :y="y(0) + 17" text-anchor="middle">{{ whole(mark) }}</text>
        </template>
        <text :x="x(0) + 8" :y="y(1) + 6">came clean</text>
        <text :x="x(1)" :y="SIZE" text-anchor="end">said, of 100</text>
        <path :d="`M${x(0)} ${y(0)}L${x(1)} ${y(1)}`" stroke="var(--ink)" stroke-dasharray="5 4" />
        <g v-for="one in held.classes" :key="one.said">
          <path
            :d="`M${x(one.said) - 4} ${y(one.low)}h8m-4 0V${y(one.high)}m-4 0h8`"
            stroke="var(--crown)"
            stroke-width="2"
            fill="none"
          />
          <rect
            :x="x(one.said) - wide(one.takes) / 2"
            :y="y(one.came) - 2.5"
            :width="wide(one.takes)"
            height="5"
            :fill="one.off ? 'var(--breast)' : 'var(--ink)'"
          />
        </g>
      </svg>
      <figcaption>
        <p>
          {{ plural(held.takes, 'take') }} foretold. <b v-if="offText(held)">{{ offText(held) }}</b>
        </p>
        <p class="small">Jaws: 80 % range. Wider mark, more takes. {{ lossText(held) }}</p>
      </figcaption>
    </template>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
}
svg {
  display: block;
  max-width: 300px;
  overflow: visible;
}
text {
  font-size: var(--size-1);
  fill: var(--ink2);
}
figcaption p {
  margin: var(--space-1) 0 0;
  font-size: var(--size-2);
}
b {
  color: var(--breast);
}
</style>
