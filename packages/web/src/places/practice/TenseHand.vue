<script setup lang="ts">
/** The hand tensed in the last take: stop, and the notch that asks less. */
import { BButton } from 'bootstrap-vue-next';

defineProps<{ offers: boolean }>();
const emit = defineEmits<{ ease: []; next: [] }>();
</script>

<template>
  <section class="sheet caution" role="status">
    <p>
      <b>Tense: stop, and let the arm hang for a moment.</b>
      {{
        offers
          ? 'The notch below asks less of this hand.'
          : 'There is no easier notch of this card; the next card is a rest from it.'
      }}
      Tense once more, and this card is off for today.
    </p>
    <div class="acts">
      <BButton v-if="offers" variant="outline-secondary" @click="emit('ease')">Take the easier notch</BButton>
      <BButton variant="outline-secondary" @click="emit('next')">Next card</BButton>
    </div>
  </section>
</template>

<style scoped>
.sheet {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
  font-size: var(--size-3);
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
}
.btn {
  min-height: 48px;
}
</style>
