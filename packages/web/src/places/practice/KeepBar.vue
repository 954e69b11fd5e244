<script setup lang="ts">
/** Keeps the take, takes the last one back, and goes on to the next card. */
import { BButton } from 'bootstrap-vue-next';

defineProps<{
  says: string;
  trouble: string;
  mayTakeBack: boolean;
  complete: boolean;
  /** This card is the last. */
  last: boolean;
}>();
const emit = defineEmits<{ keep: []; takeBack: []; next: [] }>();
</script>

<template>
  <section class="keep-sheet">
    <div class="kept">
      <p class="note" role="status">{{ says }}</p>
      <BButton v-if="mayTakeBack" variant="link" size="sm" @click="emit('takeBack')"
        >Take the last one back</BButton
      >
      <p v-if="trouble" class="refusal" role="alert">{{ trouble }}</p>
    </div>
    <div class="acts">
      <BButton variant="outline-secondary" @click="emit('next')">{{
        last ? 'Done for today' : 'Next card'
      }}</BButton><BButton class="pri" variant="dark" :aria-disabled="!complete" @click="emit('keep')"
        >Keep this take</BButton
      >
    </div>
  </section>
</template>

<style scoped>
.keep-sheet {
  display: flex;
  justify-content: space-between;
  gap: var(--space-2);
  align-items: center;
  padding: var(--space-2) var(--space-4);
  background: var(--sheet);
  border-top: 1px solid var(--line-strong);
}
.kept {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--space-1) var(--space-3);
  min-width: 0;
}
.acts {
  display: flex;
  gap: var(--space-2);
  flex: none;
}
.acts .btn {
  min-height: 48px;
  font-size: var(--size-3);
}
@media (max-width: 699px) {
  .keep-sheet {
    position: sticky;
    bottom: 0;
    z-index: 5;
    padding: var(--space-2);
  }
}
</style>
