<script setup lang="ts">
/** The last two steps of a first day, until they are done. */
import type { BoardBody } from '@finch/contract';
import { computed } from 'vue';
import { RouterLink } from 'vue-router';

const props = defineProps<{ board: BoardBody }>();
const student = computed(() => props.board.students[0]);
const unmeasured = computed(() => props.board.students.every((one) => one.reachMm === null));
const unplanned = computed(
  () =>
    props.board.students.every((one) => one.takes === 0) &&
    props.board.lessons.every((lesson) => lesson.planStanding === 'none'),
);
</script>

<template>
  <section v-if="student && (unmeasured || unplanned)" class="sheet rest" aria-label="First day">
    <h2>Still to do on the first day</h2>
    <ul>
      <li v-if="unmeasured">
        <b>3</b> Measure a hand:
        <RouterLink :to="{ name: 'student', params: { studentId: student.id } }">{{
          student.name
        }}</RouterLink>
      </li>
      <li v-if="unplanned">
        <b>4</b> Take the first plan to the bench:
        <RouterLink :to="{ name: 'student', params: { studentId: student.id } }">{{
          student.name
        }}</RouterLink>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.rest {
  grid-column: 2;
  grid-row: 3;
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-1) var(--space-5);
  align-items: center;
}
ul {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-1) var(--space-5);
  font-size: var(--size-2);
}
a {
  display: inline-block;
  padding: var(--space-1) 0;
}
@media (max-width: 1199px), (max-height: 599px) {
  .rest {
    grid-column: 1;
    grid-row: auto;
  }
}
</style>
