<script setup lang="ts">
/** The path on a phone: chord under chord, and between two what the hand does and at which tempo it comes clean. */
import type { Path } from '@finch/core/changes';
import { fretsText } from '@finch/core/grips';
import { nameChord, spokenChord } from '../../words';
import { shiftWords } from '../../words/change-words';

defineProps<{ path: Path; where: readonly string[]; wantedBpm: readonly number[]; picked: number | null }>();
const emit = defineEmits<{ pick: [change: number]; open: [chord: number] }>();
</script>

<template>
  <ol class="path-list">
    <template v-for="(step, i) in path.steps" :key="i">
      <li>
        <button
          type="button"
          class="chord"
          :disabled="!step.grip"
          :aria-label="`${spokenChord(step.chord.symbol)}, ${where[i]}: open its shape`"
          @click="emit('open', i)"
        >
          <b class="display">{{ nameChord(step.chord.symbol) }}</b>
          <span class="mono">{{ step.grip ? fretsText(step.grip.frets) : 'no grip' }}</span>
          <small>{{ where[i] }}</small>
        </button>
      </li>
      <li v-if="path.changes[i]">
        <button type="button" class="change" :aria-pressed="picked === i" @click="emit('pick', i)">
          <span>{{ shiftWords(path.changes[i]!) }}</span>
          <b :class="{ under: path.changes[i]!.tempoBpm < (wantedBpm[i] ?? 0) }"
            >{{ Math.round(path.changes[i]!.tempoBpm) }} bpm{{
              path.changes[i]!.tempoBpm < (wantedBpm[i] ?? 0) ? ' ↓' : ''
            }}</b
          >
        </button>
      </li>
    </template>
  </ol>
</template>

<style scoped>
button {
  width: 100%;
  min-height: 44px;
  display: flex;
  align-items: baseline;
  gap: var(--space-3);
  background: none;
  border: 0;
  border-top: 1px solid var(--line);
  color: var(--ink);
  text-align: left;
  padding: var(--space-2);
}
.chord b {
  font-size: var(--size-5);
  min-width: 84px;
}
.chord small {
  margin-left: auto;
  color: var(--ink2);
}
.change {
  justify-content: space-between;
  background: var(--inset);
  font-size: var(--size-2);
}
.change[aria-pressed='true'] {
  background: var(--wash-crown);
}
.under {
  color: var(--breast);
}
</style>
