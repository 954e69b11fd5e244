<script setup lang="ts">
/** Chords called by number, large: the one to play, the next when it is due, and what those before were. */
import type { CalledNow } from '@finch/core/drills';
import { computed } from 'vue';
import { chordText, nameChord } from '../words';
import { numberText } from '../words/drill-words';

const props = defineProps<{ called: CalledNow }>();
/** So many of those before are named, the latest last. */
const NAMED = 8;
const past = computed(() => props.called.past.slice(-NAMED));
</script>

<template>
  <div class="numbers">
    <p class="now display" role="status">
      <template v-if="called.now"
        >{{ numberText(called.now.number) }} <small>in {{ chordText(called.now.key) }}</small></template
      >
      <template v-else>That was the last one</template>
    </p>
    <p class="next">
      <template v-if="called.next"
        >then <b>{{ numberText(called.next.number) }}</b>{{
          called.next.key === called.now?.key ? '' : ` in ${chordText(called.next.key)}`
        }}</template
      >
    </p>
    <ol class="past" aria-label="Named afterwards">
      <li v-for="(one, i) in past" :key="i">
        {{ numberText(one.number) }} <b>{{ nameChord(one.chord) }}</b>
      </li>
    </ol>
  </div>
</template>

<style scoped>
.numbers {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  align-items: baseline;
  gap: var(--space-2) var(--space-4);
}
.now {
  margin: 0;
  font-size: var(--size-stage-large);
  line-height: 1.1;
}
.now small {
  font-size: var(--size-5);
  color: var(--ink2);
}
/* The room of the next number stays when none is due, so that nothing moves on the beat. */
.next {
  margin: 0;
  min-width: 8ch;
  font-size: var(--size-6);
  color: var(--ink2);
}
.past {
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-1) var(--space-4);
  min-height: 1.6em;
  margin: 0;
  padding: 0;
  list-style: none;
  font-size: var(--size-3);
  color: var(--ink2);
}
.past b {
  color: var(--ink);
}
</style>
