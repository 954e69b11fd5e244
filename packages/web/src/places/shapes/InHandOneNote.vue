<script setup lang="ts">
/** What one note does: each quality on the same root, the note that moves, whether it plays, and the better voicing. */
import { fretsText } from '@finch/core/grips';
import type { GradedGrip, OneNoteChange } from '@finch/core/shapes';
import { BButton } from 'bootstrap-vue-next';
import { sayMoves, sayVerdict } from '../../words';
import ChordName from '../../instruments/ChordName.vue';
import ShapeCard from '../../instruments/ShapeCard.vue';

defineProps<{ grip: GradedGrip; changes: readonly OneNoteChange[]; busy: boolean; leftHanded: boolean }>();
const emit = defineEmits<{ use: [symbol: string, frets: readonly (number | null)[]] }>();
</script>

<template>
  <p v-if="busy" class="empty">Moving one note at a time…</p>
  <ul v-else class="one-note" aria-label="One note moved">
    <li v-for="one in changes" :key="one.chord.symbol">
      <ChordName :symbol="one.chord.symbol" class="name" />
      <p class="note">
        <b>{{ sayMoves(one) }}</b>: {{ sayVerdict(one) }}
      </p>
      <BButton
        v-if="one.literal && ['move.plays', 'move.weak', 'move.no-root'].includes(one.verdict.code)"
        size="sm"
        variant="outline-secondary"
        @click="emit('use', one.chord.symbol, one.literal)"
        >{{ fretsText(one.literal) }}</BButton
      >
      <span v-else class="small">not this way</span>
      <button
        v-if="one.revoiced"
        type="button"
        class="thumb"
        :aria-label="`Voiced anew: ${fretsText(one.revoiced.frets)}`"
        :title="`Voiced anew: ${fretsText(one.revoiced.frets)}, effort ${Math.round(one.revoiced.effort.total)}`"
        @click="emit('use', one.chord.symbol, one.revoiced.frets)"
      >
        <ShapeCard
          size="thumb"
          :frets="one.revoiced.frets"
          :fingers="one.revoiced.fingers"
          :degrees="one.revoiced.degrees"
          :left-handed="leftHanded"
        />
      </button>
    </li>
  </ul>
</template>

<style scoped>
.one-note li {
  display: grid;
  grid-template-columns: 74px minmax(0, 1fr) auto 52px;
  gap: var(--space-2);
  align-items: center;
  border-top: 1px solid var(--line);
  padding: 1px 0;
  font-size: var(--size-2);
}
.name {
  font-size: var(--size-4);
}
.note {
  line-height: 1.22;
}
.thumb {
  background: none;
  border: 1px solid transparent;
  border-radius: 3px;
  padding: 0;
}
.thumb :deep(svg) {
  display: block;
  height: 38px;
  width: auto;
  margin: auto;
}
@media (pointer: coarse) {
  .thumb :deep(svg) {
    height: 60px;
  }
}
.thumb:hover {
  border-color: var(--line-strong);
}
</style>
