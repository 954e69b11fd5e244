<script setup lang="ts">
/** Pain that was reported: what holds until when, and the teacher's word that playing may begin again. */
import type { StudentBody } from '@finch/contract';
import { BButton } from 'bootstrap-vue-next';

defineProps<{ pain: StudentBody['pain']; mayWrite: boolean }>();
const emit = defineEmits<{ clear: [] }>();
</script>

<template>
  <div class="caution">
    <b>{{ pain.where }}, {{ pain.side }}: {{ pain.status }}</b>
    <p>
      Reported {{ pain.sinceDay }}. Until you clear it and two days were free of pain nothing is played, with
      either hand; then a week at half the minutes, without a barre. See a doctor or a hand therapist; this is
      no medical advice.
    </p>
    <BButton v-if="mayWrite && !pain.cleared" size="sm" variant="outline-secondary" @click="emit('clear')"
      >Clear to play again</BButton
    >
    <span v-else-if="pain.cleared" class="small">Cleared; playing from {{ pain.earliestDay }} on.</span>
  </div>
</template>
