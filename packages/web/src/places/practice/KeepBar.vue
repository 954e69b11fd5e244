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
  gap: 10px;
  align-items: center;
  padding: 8px 16px;
  background: var(--sheet);
  border-top: 1px solid var(--line-strong);
}
.kept {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 12px;
  min-width: 0;
}
.acts {
  display: flex;
  gap: 8px;
  flex: none;
}
.acts .btn {
  min-height: 48px;
  font-size: 15.5px;
}
@media (max-width: 699px) {
  .keep-sheet {
    position: sticky;
    bottom: 0;
    z-index: 5;
    padding: 8px;
  }
}
</style>
