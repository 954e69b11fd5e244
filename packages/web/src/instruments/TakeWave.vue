<script setup lang="ts">
/** A take as the string answers: straight is clean, a wave nearly, dots not yet. */
import type { TakeResult } from '@finch/core/drills';

withDefaults(defineProps<{ result: TakeResult; wide?: boolean }>(), { wide: false });
</script>

<template>
  <svg class="wave" :width="wide ? 84 : 62" height="18" viewBox="0 0 62 18" role="img" :aria-label="result">
    <path v-if="result === 'clean'" d="M0 9H62" stroke="var(--ink)" stroke-width="4" />
    <path
      v-else-if="result === 'nearly'"
      d="M0 9c3-8 6-8 9 0s6 8 9 0 6-8 9 0 6 8 9 0 6-8 9 0 6 8 9 0 4-6 8-4"
      stroke="var(--breast)"
      stroke-width="3"
      fill="none"
    />
    <path v-else d="M2 9H62" stroke="var(--ink2)" stroke-width="5" stroke-dasharray="5 11" />
  </svg>
</template>
