<script setup lang="ts">
/** What may be done at any moment of a lesson, and the way on. */
import { BButton } from 'bootstrap-vue-next';
import { say } from '../../words';
import type { LessonBench } from './use-lesson-bench';

const props = defineProps<{ bench: LessonBench }>();
const emit = defineEmits<{ note: []; bring: [] }>();
const { run, next, finishing, trouble, handingOut } = props.bench;
const { block, begun, at } = run;
</script>

<template>
  <section class="sheet foot">
    <BButton variant="outline-secondary" @click="emit('note')">Note</BButton>
    <BButton variant="outline-secondary" :disabled="!block?.recipe || handingOut" @click="bench.toHome"
      >To homework</BButton
    >
    <BButton variant="outline-secondary" @click="emit('bring')">Brought something else</BButton>
    <span v-if="trouble" class="refusal" role="alert">{{ trouble }}</span>
    <BButton v-if="!begun" class="pri" variant="dark" @click="run.begin()">Start lesson</BButton>
    <BButton v-else class="pri" variant="dark" @click="bench.go(() => at + 1)">{{
      finishing
        ? 'Waiting for the server; press to stay here'
        : next
          ? `Next: ${say(next.title)}, ${next.minutes} min`
          : 'Finish, write up'
    }}</BButton>
  </section>
</template>

<style scoped>
.foot {
  display: flex;
  gap: var(--space-2);
  align-items: center;
  padding: var(--space-2) var(--space-3);
}
.btn {
  font-size: var(--size-6);
  min-height: 58px;
  padding-inline: var(--space-4);
}
.pri {
  margin-left: auto;
  max-width: 46%;
  overflow: hidden;
  text-overflow: ellipsis;
  display: block;
}
@media (max-width: 1199px) {
  .foot {
    flex-wrap: wrap;
  }
  .btn {
    font-size: var(--size-5);
  }
  .pri {
    max-width: 100%;
    flex: 1 1 100%;
    white-space: normal;
  }
}
@media (max-width: 600px) {
  .btn {
    font-size: var(--size-4);
    min-height: 48px;
    flex: 1 1 auto;
  }
}
</style>
