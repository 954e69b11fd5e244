<script setup lang="ts">
/** After the last card: what was played, and where to go from here. */
import { BButton } from 'bootstrap-vue-next';
import { plural } from '../../words';

defineProps<{ played: number; minutes: number; of: number }>();
const emit = defineEmits<{ again: []; leave: [] }>();
</script>

<template>
  <section class="sheet end" tabindex="-1">
    <h2 class="display">That was the last card</h2>
    <p>
      {{ plural(played, 'card') }} played, {{ minutes }} of {{ of }} minutes. Takes are kept; your teacher
      sees them.
    </p>
    <div class="acts">
      <BButton variant="outline-secondary" @click="emit('again')">From the first card again</BButton>
      <BButton class="pri" variant="dark" @click="emit('leave')">Leave</BButton>
    </div>
  </section>
</template>

<style scoped>
.end {
  display: flex;
  flex-direction: column;
  gap: var(--space-3);
}
h2 {
  font-size: var(--size-7);
}
.acts {
  display: flex;
  gap: var(--space-2);
}
.acts .btn {
  min-height: 48px;
  font-size: var(--size-3);
}
</style>
