<script setup lang="ts">
/** All strands of one student as a row of small bars, each as high as its number. */
import type { StrandCell } from '@finch/contract';
import { computed } from 'vue';

const props = defineProps<{
  cells: readonly StrandCell[];
  strands: readonly { id: string; name: string }[];
}>();
const spoken = computed(
  () =>
    props.cells
      .filter((cell) => cell.chance)
      .map(
        (cell) =>
          `${props.strands.find((strand) => strand.id === cell.strandId)?.name ?? cell.strandId} ${Math.round(100 * (cell.chance?.mean ?? 0))}`,
      )
      .join(', ') || 'nothing met yet',
);
</script>

<template>
  <svg class="strand-bar" width="150" height="26" role="img" :aria-label="spoken">
    <g v-for="(cell, i) in cells" :key="cell.strandId">
      <rect
        :x="i * 15"
        y="0.5"
        width="12"
        height="25"
        fill="none"
        stroke="var(--line)"
        :stroke-dasharray="cell.chance ? undefined : '2 2'"
      />
      <rect
        v-if="cell.chance"
        :x="i * 15"
        :y="25 - 24 * cell.chance.mean"
        width="12"
        :height="24 * cell.chance.mean + 0.5"
        :fill="cell.chance.mean >= 0.8 ? 'var(--m5)' : cell.chance.mean >= 0.42 ? 'var(--m4)' : 'var(--m3)'"
      />
    </g>
    <path d="M0 6H148" stroke="var(--ink)" stroke-width="0.8" stroke-dasharray="3 3" />
  </svg>
</template>
