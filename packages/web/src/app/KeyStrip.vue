<script setup lang="ts">
/** The keys of the place along the lower edge, and what has not reached the server. */
import { computed } from 'vue';
import { useSeat } from '../session/seat';
import { waitingText } from '../words';
import { keyText } from './key-table';
import { answered } from './keys';

const emit = defineEmits<{ refused: [] }>();
const seat = useSeat();
const strip = computed(() => {
  // The keys of the place first, those of the house after them.
  const own = [...answered()].sort((a, b) => Number(a.place === 'house') - Number(b.place === 'house'));
  return own.flatMap(({ hints }) => hints.filter((hint) => !hint.quiet));
});
const waits = computed(() =>
  waitingText(seat.records.flatMap(({ status, event }) => (status === 'refused' ? [] : [event.kind]))),
);
const state = computed(() =>
  seat.awaySince
    ? `server away since ${seat.awaySince} · ${waits.value} kept here`
    : seat.waiting
      ? `${waits.value} on the way`
      : '',
);
</script>

<template>
  <footer class="key-strip" :class="{ says: state || seat.refused.length }">
    <ul>
      <li v-for="hint in strip" :key="hint.keys[0] + hint.does">
        <kbd>{{ keyText(hint) }}</kbd> {{ hint.does }}
      </li>
    </ul>
    <div class="status" role="status" aria-live="polite">
      <button v-if="seat.refused.length" type="button" class="state refused" @click="emit('refused')">
        {{ waitingText(seat.refused.map(({ event }) => event.kind)) }} refused: why?
      </button>
      <span v-if="state" class="state">{{ state }}</span>
    </div>
  </footer>
</template>

<style scoped>
.key-strip {
  display: flex;
  justify-content: space-between;
  gap: var(--space-3);
  min-height: 26px;
  border-top: 1px solid var(--line);
  background: var(--bench);
  padding: 0 var(--space-4);
  align-items: center;
  overflow: hidden;
}
ul {
  display: flex;
  gap: var(--space-4);
  font-size: var(--size-1);
  line-height: 22px;
  color: var(--ink2);
  white-space: nowrap;
  overflow: hidden;
}
kbd {
  display: inline-block;
  line-height: 17px;
}
.status {
  display: flex;
  gap: var(--space-2);
  white-space: nowrap;
}
.state {
  font-size: var(--size-1);
  background: var(--sheet);
  border: 0;
  border-radius: 2px;
  padding: 1px var(--space-2);
  color: var(--ink);
}
.state.refused {
  background: var(--wash-mask);
  text-decoration: underline;
}
@media (max-width: 991px), (max-height: 599px) {
  ul {
    display: none;
  }
  .key-strip {
    padding: 0 var(--space-2);
    min-height: 0;
    border-top: 0;
  }
  .key-strip.says {
    position: sticky;
    bottom: 0;
    z-index: 6;
    min-height: 26px;
  }
  .state.refused {
    min-height: 44px;
  }
}
@media print {
  .key-strip {
    display: none;
  }
}
</style>
