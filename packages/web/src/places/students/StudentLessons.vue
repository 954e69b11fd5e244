<script setup lang="ts">
/** Lessons ahead, to move or cancel, and lessons past with what was noted. */
import type { StudentBody } from '@finch/contract';
import { BButton } from 'bootstrap-vue-next';
import { computed, ref } from 'vue';
import { RouterLink } from 'vue-router';
import BookDialog from '../../furniture/BookDialog.vue';
import { useSeat } from '../../session/seat';
import { whenText } from '../../words';

const props = defineProps<{ student: StudentBody }>();
const seat = useSeat();
type Lesson = StudentBody['lessons'][number];
const ends = (lesson: Lesson) => Date.parse(lesson.startsAt) + lesson.minutes * 60_000;
const ahead = computed(() =>
  props.student.lessons
    .filter(
      (lesson) => ends(lesson) > seat.now() && (lesson.state === 'booked' || lesson.state === 'cancelled'),
    )
    .reverse(),
);
const past = computed(() => props.student.lessons.filter((lesson) => !ahead.value.includes(lesson)));
const pastWords = (lesson: Lesson) =>
  ({
    booked: 'not taught here',
    running: 'under way',
    taught: 'write-up owed',
    written: '',
    cancelled: 'cancelled',
  })[lesson.state];
const booking = ref(false);
const chosen = ref<Lesson | null>(null);
function open(lesson: Lesson | null) {
  chosen.value = lesson;
  booking.value = true;
}
/** A week after the last one, at its time; else the next full hour. */
const from = computed(() => {
  const last = props.student.lessons.find((lesson) => lesson.state !== 'cancelled');
  const hour = Math.ceil((seat.now() + 1) / 3_600_000) * 3_600_000;
  return last ? Math.max(hour, Date.parse(last.startsAt) + 7 * 86_400_000) : hour;
});
defineExpose({ book: () => open(null) });
</script>

<template>
  <div class="acts">
    <BButton variant="outline-secondary" @click="open(null)">Book a lesson</BButton>
  </div>
  <div class="scroll both" tabindex="0" aria-label="Lessons">
    <h3>Ahead</h3>
    <p v-if="!ahead.length" class="empty">No lesson is booked.</p>
    <ul>
      <li v-for="lesson in ahead" :key="lesson.id" :class="{ off: lesson.state === 'cancelled' }">
        <span>{{ whenText(lesson.startsAt, student.timeZone) }} · {{ lesson.minutes }} min</span>
        <span v-if="lesson.state === 'cancelled'" class="tag">cancelled</span>
        <BButton size="sm" variant="outline-secondary" @click="open(lesson)">{{
          lesson.state === 'cancelled' ? 'Bring it back' : 'Move or cancel'
        }}</BButton>
      </li>
    </ul>
    <h3>Past</h3>
    <p v-if="!past.length" class="empty">No lesson yet.</p>
    <ul>
      <li v-for="lesson in past" :key="lesson.id">
        <RouterLink :to="{ name: 'write-up', params: { lessonId: lesson.id } }">{{
          whenText(lesson.startsAt, student.timeZone)
        }}</RouterLink>
        <span class="note">{{
          [`${lesson.minutesDone} of ${lesson.minutes} min`, pastWords(lesson)].filter(Boolean).join(' · ')
        }}</span>
        <p v-if="lesson.note" class="words">{{ lesson.note }}</p>
      </li>
    </ul>
  </div>
  <BookDialog
    v-model="booking"
    :people="[{ id: student.id, name: student.name }]"
    :lesson="chosen"
    :zone="student.timeZone"
    :from="from"
  />
</template>

<style scoped>
.both {
  flex: 1;
  min-height: 0;
}
h3 {
  margin-top: var(--space-2);
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
  flex: 1 1 220px;
}
.off > :first-child {
  text-decoration: line-through;
}
.words {
  flex: 1 0 100%;
  white-space: pre-line;
  overflow-wrap: anywhere;
  color: var(--ink2);
}
</style>
