<script setup lang="ts">
/** What one note does: every quality on the same root in a line, and of the one picked what moves, whether it plays, and the better voicing. */
import { fretsText } from '@finch/core/grips';
import type { OneNoteChange } from '@finch/core/shapes';
import { BButton } from 'bootstrap-vue-next';
import { computed, ref, useId } from 'vue';
import { spokenChord } from '../../words';
import { movesInShort, sayMoves, sayVerdict, verdictInShort } from '../../words/one-note-words';
import ChordName from '../../instruments/ChordName.vue';
import ShapeCard from '../../instruments/ShapeCard.vue';
import { pickedChange, takesIt } from './one-note';

const props = defineProps<{ changes: readonly OneNoteChange[]; busy: boolean; leftHanded: boolean }>();
const emit = defineEmits<{ use: [symbol: string, frets: readonly (number | null)[]] }>();
const name = useId();
/** Stays while other grips are looked at: a teacher follows one quality along the neck. */
const quality = ref('');
const picked = computed(() => pickedChange(props.changes, quality.value));
</script>

<template>
  <p v-if="busy || !picked" class="empty">Moving one note at a time…</p>
  <div v-else class="one-note">
    <div class="told" aria-live="polite">
      <p>
        <b class="chord"><ChordName :symbol="picked.chord.symbol" /></b>
        {{ sayMoves(picked) }}: {{ sayVerdict(picked) }}
      </p>
      <div class="ways">
        <BButton
          v-if="picked.literal && takesIt(picked)"
          size="sm"
          variant="outline-secondary"
          @click="emit('use', picked.chord.symbol, picked.literal)"
          >Take {{ fretsText(picked.literal) }}</BButton
        >
        <button
          v-if="picked.revoiced"
          type="button"
          class="anew"
          @click="emit('use', picked.chord.symbol, picked.revoiced.frets)"
        >
          <ShapeCard
            size="thumb"
            :frets="picked.revoiced.frets"
            :fingers="picked.revoiced.fingers"
            :degrees="picked.revoiced.degrees"
            :left-handed="leftHanded"
          />
          <span
            >or voiced anew: <b>{{ fretsText(picked.revoiced.frets) }}</b>, effort
            {{ Math.round(picked.revoiced.effort.total) }}</span
          >
        </button>
      </div>
    </div>
    <fieldset class="rows">
      <legend class="visually-hidden">To which chord</legend>
      <label
        v-for="one in changes"
        :key="one.chord.symbol"
        :class="{ plays: one.verdict.code === 'move.plays' }"
      >
        <input
          type="radio"
          class="visually-hidden"
          :name="name"
          :checked="one === picked"
          :aria-label="`${spokenChord(one.chord.symbol)}: ${sayMoves(one)}, ${verdictInShort(one)}`"
          @change="quality = one.chord.quality"
        />
        <ChordName :symbol="one.chord.symbol" class="chord" />
        <span>{{ movesInShort(one) }}</span>
        <small>{{ verdictInShort(one) }}</small>
      </label>
    </fieldset>
  </div>
</template>

<style scoped>
.one-note {
  display: grid;
  gap: var(--space-2);
  font-size: var(--size-2);
  margin-bottom: var(--space-2);
}
/* The rows below never move while one after the other is picked. */
.told {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 178px;
  gap: var(--space-3);
  min-height: 100px;
}
.told p {
  line-height: 1.3;
}
.ways {
  display: grid;
  gap: var(--space-1);
  align-content: start;
}
.anew {
  display: flex;
  gap: var(--space-2);
  align-items: center;
  text-align: left;
  background: none;
  border: 1px solid transparent;
  border-radius: 3px;
  padding: 2px;
  line-height: 1.2;
}
.anew:hover {
  border-color: var(--line-strong);
}
.anew :deep(svg) {
  height: 58px;
  width: auto;
  flex: none;
}
.rows {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  column-gap: var(--space-3);
  border: 0;
  padding: 0;
  margin: 0;
  min-width: 0;
}
.rows label {
  position: relative;
  display: grid;
  grid-template-columns: 66px minmax(0, 1fr) auto;
  gap: var(--space-2);
  align-items: baseline;
  padding: 1px var(--space-1);
  border-top: 1px solid var(--line);
  cursor: pointer;
  color: var(--ink2);
}
.rows label:hover {
  background: var(--inset);
}
.rows label.plays {
  color: var(--ink);
  font-weight: 600;
}
.rows label:has(:checked) {
  background: var(--wash-crown);
}
.rows label:has(:focus-visible) {
  outline: 3px solid var(--ring);
  outline-offset: -2px;
}
.rows small {
  font-size: var(--size-1);
}
.rows .chord,
.told .chord {
  font-size: var(--size-3);
}
@media (pointer: coarse) {
  .rows label {
    min-height: 44px;
    align-items: center;
  }
}
@media (max-width: 600px) {
  .told,
  .rows {
    grid-template-columns: minmax(0, 1fr);
  }
  /* What is told of a row far down stays in sight of it. */
  .told {
    position: sticky;
    top: 0;
    z-index: 1;
    padding: var(--space-2) 0;
    background: var(--sheet);
  }
}
</style>
