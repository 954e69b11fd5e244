<script setup lang="ts">
/** The change in words, finger by finger. */
import type { FingerMove } from '@finch/core/changes';
import { fretsMoved, stringsMoved } from '../words';

defineProps<{ moves: readonly FingerMove[]; brief?: boolean }>();
/** Thickest string of the finger after less before: a barre laid reaches a thicker one. */
const adjusts = (by: number) =>
  by > 0
    ? 'stays and lays a barre'
    : by < 0
      ? 'stays and opens its barre'
      : 'stays, its barre longer or shorter';
const where = (move: FingerMove) => {
  if (move.does === 'stays') return 'stays';
  if (move.does === 'adjusts') return adjusts((move.to?.string ?? 0) - (move.from?.string ?? 0));
  if (move.does === 'lifts off') return 'lifts off';
  if (move.does === 'slides' && move.from && move.to)
    return `slides to fret ${move.to.fret}, ${fretsMoved(move.to.fret - move.from.fret)}`;
  if (move.does === 'lifts over' && move.from && move.to && move.from.string !== move.to.string)
    return `lifts over to string ${move.to.string}, ${stringsMoved(move.from.string, move.to.string)}`;
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
