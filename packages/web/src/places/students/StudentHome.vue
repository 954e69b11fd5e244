<script setup lang="ts">
/** What was given home and is not done with; taken back with the way back. */
import { routes, type StudentBody } from '@finch/contract';
import { BButton } from 'bootstrap-vue-next';
import { RouterLink } from 'vue-router';
import { useQueryClient } from '@tanstack/vue-query';
import { call } from '../../session/api';
import { useNotices } from '../../session/notices';
import { readAnew } from '../../session/queries';
import { sayError, shortDate } from '../../words';

const props = defineProps<{ student: StudentBody; mayWrite: boolean }>();
const notices = useNotices();
const client = useQueryClient();
async function end(card: StudentBody['home'][number], ended: boolean) {
  try {
    await call(routes.endHome, {
      params: { studentId: props.student.id, cardId: card.id },
      body: { ended },
    });
    await readAnew(client, 'student');
    notices.tell(
      ended ? `${card.title} is not at home any more.` : `${card.title} is at home again.`,
      ended ? [{ label: 'Undo', undo: true, run: () => end(card, false) }] : [],
    );
  } catch (problem) {
    notices.trouble(sayError(problem));
  }
}
</script>

<template>
  <p v-if="!student.home.length" class="empty">
    Nothing was given home. “To homework” in Drills, Shapes and Lesson puts it here and into the Practice
    room.
  </p>
  <ul class="scroll" tabindex="0" aria-label="At home">
    <li v-for="card in student.home" :key="card.id">
      <RouterLink v-if="mayWrite" :to="{ name: 'drills', query: { recipe: JSON.stringify(card.recipe) } }">{{
        card.title
      }}</RouterLink>
      <b v-else>{{ card.title }}</b>
      <span class="note">given on {{ shortDate(Date.parse(card.since)) }}</span>
      <BButton v-if="mayWrite" size="sm" variant="outline-secondary" @click="end(card, true)"
        >Take back</BButton
      >
    </li>
  </ul>
</template>

<style scoped>
ul {
  flex: 1;
  min-height: 0;
}
li {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--space-1) var(--space-3);
  border-top: 1px solid var(--line);
  padding: var(--space-1) 0;
  font-size: var(--size-2);
}
li > :first-child {
  flex: 1 1 200px;
  overflow-wrap: anywhere;
}
</style>
