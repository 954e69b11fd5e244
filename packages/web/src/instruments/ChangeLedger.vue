<script setup lang="ts">
/** The change in words, finger by finger. */
import type { FingerMove } from '@finch/core/changes';

defineProps<{ moves: readonly FingerMove[]; brief?: boolean }>();
const where = (move: FingerMove) => {
  if (move.does === 'stays') return 'stays';
  if (move.does === 'adjusts') return 'stays and opens its barre';
  if (move.does === 'lifts off') return 'lifts off';
  if (move.does === 'slides') return `slides to fret ${move.to?.fret}`;
  return `${move.does === 'lands' ? 'lands on' : 'lifts over to'} string ${move.to?.string}`;
};
</script>

<template>
  <ul class="ledger">
    <li v-for="move in moves" :key="String(move.finger)">
      <b>{{ move.finger }}</b> {{ where(move) }}
    </li>
  </ul>
</template>
