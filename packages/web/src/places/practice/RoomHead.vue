<script setup lang="ts">
/** Whose room it is, how far along the cards are, and the way out. */
import { BButton } from 'bootstrap-vue-next';
import IconLeave from '~icons/bi/box-arrow-right';
import FinchMark from '../../app/FinchMark.vue';

defineProps<{ name: string | null; says: string }>();
const emit = defineEmits<{ leave: [] }>();
</script>

<template>
  <header class="room-head">
    <FinchMark />
    <h1 class="display">{{ name ? `${name}’s practice room` : 'Practice room' }}</h1>
    <span class="small">{{ says }}</span><BButton variant="outline-light" size="sm" @click="emit('leave')"
      ><IconLeave aria-hidden="true" /> Leave</BButton
    >
  </header>
</template>

<style scoped>
.room-head {
  background: var(--wing);
  color: var(--wing-ink);
  display: flex;
  align-items: center;
  gap: var(--space-3);
  padding: var(--space-2) var(--space-4);
  min-height: 52px;
}
h1 {
  font-size: var(--size-4);
}
.small {
  margin-left: auto;
  color: var(--wing-label);
  font-size: var(--size-3);
}
@media (max-width: 699px) {
  .small {
    display: none;
  }
  .room-head .btn {
    margin-left: auto;
  }
}
</style>
