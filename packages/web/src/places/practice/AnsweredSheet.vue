<script setup lang="ts">
/** What the teacher answered, above the card it was asked from. */
import { BButton } from 'bootstrap-vue-next';
import { chordText } from '../../words';
import type { Asked } from './use-asking';

defineProps<{ answered: readonly Asked[]; title: string }>();
const emit = defineEmits<{ putAway: [id: string] }>();
</script>

<template>
  <section class="sheet" aria-label="Answers from your teacher" aria-live="polite">
    <div v-for="one in answered" :key="one.id" class="one">
      <p>
        <span class="note">{{
          chordText(one.about.title) === title ? 'You asked:' : `Of ${chordText(one.about.title)} you asked:`
        }}</span>
        <span class="words">{{ one.text }}</span>
      </p>
      <p class="back">
        <b>Your teacher:</b> <span class="words">{{ one.answer?.text }}</span>
      </p>
      <BButton variant="link" size="sm" @click="emit('putAway', one.id)">Put it away</BButton>
    </div>
  </section>
</template>

<style scoped>
.sheet {
  font-size: var(--size-3);
}
.note {
  margin-right: var(--space-1);
}
.one {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: var(--space-1) var(--space-3);
}
.one + .one {
  border-top: 1px solid var(--line);
  margin-top: var(--space-2);
  padding-top: var(--space-2);
}
.words {
  white-space: pre-line;
  overflow-wrap: anywhere;
}
.back {
  border-left: 3px solid var(--line-strong);
  padding-left: var(--space-2);
  flex: 1 1 260px;
}
</style>
