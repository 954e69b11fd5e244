<script setup lang="ts">
/** Nobody on the bench: the day's lessons, each with the one action of the place that asks. */
import type { BoardLesson } from '@finch/contract';
import { BButton } from 'bootstrap-vue-next';
import { computed } from 'vue';
import { RouterLink, useRouter } from 'vue-router';
import { forwardBack, useKeys } from '../app/keys';
import { useWalk } from '../app/walk';
import { useBench } from '../session/bench';
import { useBoard } from '../session/queries';
import { useSeat } from '../session/seat';
import { sayError } from '../words';

const props = defineProps<{ place: 'plan' | 'lesson' | 'write-up' | 'homework' }>();
const seat = useSeat();
const bench = useBench();
const router = useRouter();
const mayRead = computed(() => seat.has('teacher', 'owner'));
const { data, error, isPending, refetch } = useBoard();
const ACTIONS = {
  plan: 'Open proposal',
  lesson: 'Start lesson',
  'write-up': 'Write up',
  homework: 'Homework',
} as const;
const TITLES = {
  plan: 'Whose lesson is planned?',
  lesson: 'Whose lesson begins?',
  'write-up': 'Which lesson is written up?',
  homework: 'Whose week is it?',
} as const;
const over = (lesson: BoardLesson) => lesson.state === 'taught' || lesson.state === 'written';
/** What this place can do something with, the usual case first. */
const lessons = computed(() => {
  const all = (data.value?.lessons ?? []).filter((lesson) => lesson.state !== 'cancelled');
  if (props.place === 'write-up')
    return all
      .filter((lesson) => lesson.state !== 'booked')
      .sort((a, b) => Number(a.state === 'written') - Number(b.state === 'written'));
  return props.place === 'homework' ? all : all.filter((lesson) => !over(lesson));
});
const { picked, step, row } = useWalk(() => lessons.value.length);
const time = (iso: string) =>
  new Date(iso).toLocaleTimeString('en-GB', {
    hour: '2-digit',
    minute: '2-digit',
    timeZone: data.value?.timeZone ?? 'UTC',
  });
const stateWords = (lesson: BoardLesson) =>
  lesson.state === 'booked'
    ? { none: 'proposed', begun: 'plan not kept yet', kept: 'plan kept', changed: 'changed since kept' }[
        lesson.planStanding
      ]
    : { running: 'under way', taught: 'write-up owed', written: 'written up', cancelled: '' }[lesson.state];
function open(lesson: BoardLesson | undefined) {
  if (!lesson) return;
  bench.put(lesson.studentId, lesson.id);
  void router.push({
    name: props.place,
    params: props.place === 'homework' ? { studentId: lesson.studentId } : { lessonId: lesson.id },
    query: props.place === 'lesson' ? { start: 'now' } : {},
  });
}
useKeys('todaysLessons', {
  lesson: forwardBack(step),
  open: () => open(lessons.value[picked.value]),
});
</script>

<template>
  <section class="sheet day">
    <h1 class="h2like" tabindex="-1">{{ TITLES[place] }}</h1>
    <p v-if="!mayRead" class="empty">
      No lesson of yours is open. Book one on <RouterLink to="/">your own page</RouterLink>.
    </p>
    <p v-else-if="error && !data" class="refusal" role="alert">
      {{ sayError(error) }}
      <BButton size="sm" variant="outline-secondary" @click="refetch()">Try again</BButton>
    </p>
    <p v-else-if="isPending" class="empty" role="status">Reading the day’s lessons…</p>
    <p v-else-if="!lessons.length" class="empty">
      {{
        place === 'write-up'
          ? 'No lesson of this day waits for its write-up. Older ones stand on each student’s page.'
          : 'No lesson is left for this day. Open a student to book one.'
      }}
      <RouterLink :to="{ name: 'students' }">Students</RouterLink>
    </p>
    <ol v-else>
      <li
        v-for="(lesson, i) in lessons"
        :key="lesson.id"
        :ref="row(i)"
        :aria-current="i === picked ? 'true' : undefined"
      >
        <span class="mono time">{{ time(lesson.startsAt) }}</span>
        <span class="who">
          <b class="display">{{ lesson.name }}</b>
          <span class="note">{{ lesson.minutes }} minutes · {{ stateWords(lesson) }}</span>
        </span>
        <BButton variant="outline-secondary" @click="open(lesson)">{{
          lesson.state === 'written' && place === 'write-up' ? 'Read it' : ACTIONS[place]
        }}</BButton>
      </li>
    </ol>
  </section>
</template>

<style scoped>
.day {
  width: min(820px, 100%);
  margin: 0 auto;
  grid-column: 1 / -1;
  height: auto;
  align-self: start;
}
h1 {
  margin-bottom: var(--space-2);
}
li {
  display: grid;
  grid-template-columns: 58px minmax(0, 1fr) auto;
  gap: var(--space-3);
  align-items: center;
  border-top: 1px solid var(--line);
  padding: var(--space-2) var(--space-2);
}
li[aria-current] {
  background: var(--wash-crown);
}
.time {
  font-weight: 600;
  color: var(--ink2);
}
.who {
  display: flex;
  flex-direction: column;
  min-width: 0;
}
.who b {
  font-size: var(--size-4);
  overflow-wrap: anywhere;
}
@media (max-width: 400px) {
  li {
    grid-template-columns: auto minmax(0, 1fr);
  }
  li .btn {
    grid-column: 2;
    justify-self: start;
  }
}
</style>
