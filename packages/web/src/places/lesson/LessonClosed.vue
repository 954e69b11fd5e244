<script setup lang="ts">
/** A lesson that is over, or does not take place: what it was, and a question before it is opened again. */
import type { LessonBody } from '@finch/contract';
import { minutesDone } from '@finch/core/planning';
import { BButton } from 'bootstrap-vue-next';
import { computed } from 'vue';

const props = defineProps<{ lesson: LessonBody; name: string; when: string }>();
const emit = defineEmits<{ again: []; writeUp: [] }>();
const taught = computed(() => Math.round(minutesDone(props.lesson.done?.blocks ?? [])));
</script>

<template>
  <section class="sheet closed">
    <h1 class="display" tabindex="-1">{{ name }}, {{ when }}</h1>
    <template v-if="lesson.state === 'cancelled'">
      <p>This lesson was cancelled. Bring it back on the student’s page, or book another there.</p>
    </template>
    <template v-else>
      <p>
        This lesson is {{ lesson.state === 'written' ? 'written up' : 'over' }}: {{ taught }} of
        {{ lesson.minutes }} minutes taught. Open it again? What is logged from then on is added to it.
      </p>
      <div class="acts">
        <BButton class="pri" variant="dark" @click="emit('writeUp')">{{
          lesson.state === 'written' ? 'Read the write-up' : 'Write it up'
        }}</BButton>
        <BButton variant="outline-secondary" @click="emit('again')">Open it again</BButton>
      </div>
    </template>
  </section>
</template>

<style scoped>
.closed {
  align-self: start;
  display: flex;
  flex-direction: column;
  gap: var(--space-3);
  max-width: 760px;
  height: auto;
}
h1 {
  font-size: var(--size-6);
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
}
</style>
