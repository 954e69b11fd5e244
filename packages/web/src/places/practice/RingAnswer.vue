<script setup lang="ts">
/** A ring check answered string by string, with what to check first when one is not right. */
import { checkFirst, type Drill, type StringAnswer } from '@finch/core/drills';
import type { FingerLabel } from '@finch/core/grips';
import { BButton } from 'bootstrap-vue-next';
import { computed } from 'vue';
import { say } from '../../words';
import StringRow from './StringRow.vue';

const props = defineProps<{
  drill: Drill;
  take: number;
  answers: readonly (StringAnswer | null)[];
  fingers: readonly FingerLabel[];
}>();
const emit = defineEmits<{ answer: [stringIndex: number, value: StringAnswer | null]; allClean: [] }>();
const silent = (s: number) => props.drill.steps[s]?.ask.code === 'ask.silent';
const fault = computed(() => {
  const s = props.answers.findIndex((answer) => answer === 'buzz' || answer === 'dead');
  const answer = props.answers[s];
  if (!answer) return null;
  const string = props.answers.length - s;
  const finger = props.fingers[s];
  return {
    title: silent(s)
      ? `String ${string} sounds and should not. Check first:`
      : `String ${string} ${answer === 'dead' ? 'is dead' : 'buzzed'}. Check first:`,
    causes: checkFirst(silent(s), answer).map((code) =>
      say({ code, values: { string, ...(typeof finger === 'number' && finger > 0 ? { finger } : {}) } }),
    ),
  };
});
</script>

<template>
  <div class="spread">
    <h2>Take {{ take }}: how did each string ring?</h2>
    <span class="small">pluck one by one, slowly</span>
    <BButton
      v-if="answers.some((answer) => answer === null)"
      size="sm"
      variant="outline-secondary"
      @click="emit('allClean')"
      >All clean</BButton
    >
  </div>
  <StringRow
    v-for="(answer, s) in answers"
    :key="s"
    :string="answers.length - s"
    :silent="silent(s)"
    :model-value="answer"
    @update:model-value="emit('answer', s, $event)"
  />
  <div v-if="fault" class="check-first">
    <h3>{{ fault.title }}</h3>
    <ol>
      <li v-for="cause in fault.causes" :key="cause">{{ cause }}</li>
    </ol>
  </div>
</template>

<style scoped>
.check-first {
  border-top: 4px solid var(--wingbar);
  margin-top: var(--space-2);
  padding-top: var(--space-1);
}
.check-first ol {
  list-style: decimal;
  padding-left: var(--space-5);
  font-size: var(--size-2);
}
</style>
