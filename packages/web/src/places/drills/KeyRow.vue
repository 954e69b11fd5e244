<script setup lang="ts">
/** The drill on each of the twelve roots with its effort for this hand; one that cannot be made says why. */
import { noteText, pitchClassOf, type NoteName } from '@finch/core/theory';
import ShimMark from '../../instruments/ShimMark.vue';
import { chordText, sayProblem } from '../../words';
import type { KeyedDrill } from '../../workers/bench-jobs';

defineProps<{
  keyed: readonly KeyedDrill[];
  /** Pitch class of the root it is on. */
  root: number | null;
  limit: number | null;
  /** Whose hand: "Bram’s". */
  who: string;
}>();
const emit = defineEmits<{ take: [root: NoteName] }>();
</script>

<template>
  <div class="rekey">
    <div class="spread">
      <h3>Re-key</h3>
      <span class="small">effort for {{ who }} hand; the tick is its limit</span>
    </div>
    <ul>
      <li v-for="one in keyed" :key="noteText(one.root)">
        <button
          type="button"
          :disabled="!one.recipe"
          :aria-current="pitchClassOf(one.root) === root ? 'true' : undefined"
          :title="one.problem ? sayProblem(one.problem) : undefined"
          @click="emit('take', one.root)"
        >
          <ShimMark v-if="one.effort !== null" :effort="one.effort" :limit="limit" :width="46" :height="34" />
          <span v-else class="none">–</span>
          <span
            ><b class="display">{{ chordText(noteText(one.root)) }}</b
            ><small v-if="one.effort !== null">{{ Math.round(one.effort) }}</small
            ><span v-else class="visually-hidden">cannot be made here</span></span
          >
        </button>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.rekey {
  border-top: 1px solid var(--line);
  padding-top: var(--space-1);
}
h3 {
  font-size: var(--size-3);
}
ul {
  display: grid;
  grid-template-columns: repeat(12, minmax(0, 1fr));
}
button {
  width: 100%;
  background: none;
  border: 2px solid transparent;
  border-radius: 3px;
  color: var(--ink);
  display: flex;
  flex-direction: column;
  align-items: center;
  padding: var(--space-1) 0;
}
span {
  white-space: nowrap;
}
b {
  font-size: var(--size-4);
  margin-right: var(--space-1);
}
[aria-current] {
  background: var(--wash-crown);
  border-color: var(--crown);
}
button:disabled {
  color: var(--ink3);
}
.none {
  height: 26px;
}
@media (max-width: 820px) {
  ul {
    grid-template-columns: repeat(6, minmax(0, 1fr));
  }
}
</style>
