<script setup lang="ts">
/** Pain that was reported: what holds until when, and the teacher's word that playing may begin again. */
import type { StudentBody } from '@finch/contract';
import { BButton } from 'bootstrap-vue-next';
import { computed } from 'vue';

const props = defineProps<{ pain: StudentBody['pain']; mayWrite: boolean }>();
const emit = defineEmits<{ clear: []; oneHand: [hand: 'left' | 'right' | 'none'] }>();
/** The hand that did not hurt, where one did not. */
const other = computed(() =>
  props.pain.side === 'left' ? 'right' : props.pain.side === 'right' ? 'left' : null,
);
</script>

<template>
  <div class="caution">
    <b>{{ pain.where }}, {{ pain.side }}: {{ pain.status }}</b>
    <p>
      Reported {{ pain.sinceDay }}. Until you clear it and two days were free of pain nothing is played, with
      either hand; then a week at half the minutes, without a barre. See a doctor or a hand therapist; this is
      no medical advice.
    </p>
    <p v-if="pain.oneHand">
      You allowed the {{ pain.oneHand }} hand to play alone, lightly: open strings struck, or grips shaped in
      the air.
      <BButton v-if="mayWrite" size="sm" variant="link" @click="emit('oneHand', 'none')"
        >Take that back</BButton
      >
    </p>
    <p v-else-if="mayWrite && pain.status === 'locked' && other">
      <BButton size="sm" variant="outline-secondary" @click="emit('oneHand', other)"
        >Allow the {{ other }} hand alone</BButton
      >
      <span class="small"> Only if it is free of pain too, and nobody who treats the hand said no.</span>
    </p>
    <BButton v-if="mayWrite && !pain.cleared" size="sm" variant="outline-secondary" @click="emit('clear')"
      >Clear to play again</BButton
    >
    <span v-else-if="pain.cleared" class="small">Cleared; playing from {{ pain.earliestDay }} on.</span>
  </div>
</template>
