<script setup lang="ts">
/** Pain was reported: nothing is played today, and what may be done instead. */
defineProps<{
  where: string | null;
  instead: boolean;
  /** Allowed to play alone. */ oneHand: string | null;
}>();
</script>

<template>
  <section class="sheet caution-sheet" role="alert">
    <h2 class="display">No playing today</h2>
    <p>
      You reported pain{{ where ? ` (${where})` : '' }}. That ends playing for the day, open strings and the
      other hand too. Listen, name notes, sing, tap a foot. Your teacher clears you to play again after two
      days without pain.
    </p>
    <p v-if="oneHand">
      <b>Your teacher allows the {{ oneHand }} hand alone, lightly. Stop at the first sign of pain.</b>
    </p>
    <p v-else-if="instead"><b>What is below needs no hand on the guitar.</b></p>
    <p>See a doctor or a hand therapist; this is no medical advice.</p>
  </section>
</template>

<style scoped>
.caution-sheet {
  font-size: var(--size-4);
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
  border: 2px solid var(--breast);
}
h2 {
  font-size: var(--size-7);
}
</style>
