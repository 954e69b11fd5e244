<script setup lang="ts">
/** A tone that was sung: it is heard, then whoever sang it, or listened, says whether that was it. */
import { BButton } from 'bootstrap-vue-next';
import { SUNG_ANSWERS } from './quiz';

defineProps<{
  /** Nothing is sung before the key was heard. */
  mayHear: boolean;
  /** Nothing is said before the tone was heard. */
  maySay: boolean;
}>();
const emit = defineEmits<{ hear: []; say: [given: string] }>();
</script>

<template>
  <div class="sung" role="group" aria-label="What you sang">
    <BButton variant="outline-secondary" :disabled="!mayHear" @click="emit('hear')">I sang: hear it</BButton>
    <BButton
      v-for="(said, n) in SUNG_ANSWERS"
      :key="said"
      variant="outline-secondary"
      :disabled="!maySay"
      @click="emit('say', said)"
      ><kbd aria-hidden="true">{{ n + 1 }}</kbd> {{ said }}</BButton
    >
  </div>
</template>

<style scoped>
.sung {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
}
.sung .btn {
  min-height: 48px;
  font-size: var(--size-4);
}
.sung kbd {
  background: none;
  color: var(--ink2);
  font-size: var(--size-1);
}
@media (pointer: coarse) {
  .sung kbd {
    display: none;
  }
}
</style>
