<script setup lang="ts">
/** The day's lessons in their order; the one picked shows what can be done with it. */
import type { BoardLesson } from '@finch/contract';
import { BButton } from 'bootstrap-vue-next';
import IconPlay from '~icons/bi/play';
import type { Walk } from '../../app/walk';
import { timeText } from '../../words';
import { isOver, tagOf } from './lesson-tags';

const props = defineProps<{
  lessons: readonly BoardLesson[];
  picked: number;
  /** Holds each row, so that the one picked comes into sight. */
  row: Walk['row'];
  nextIndex: number;
  zone: string;
  now: number;
}>();
const emit = defineEmits<{
  pick: [i: number];
  open: [name: 'plan' | 'lesson' | 'write-up' | 'student', i: number];
}>();
const tag = (i: number) => tagOf(props.lessons[i], i === props.nextIndex, props.now, props.zone);
function about(lesson: BoardLesson): string {
  if (lesson.state !== 'booked') return `${lesson.minutesDone} of ${lesson.minutes} minutes taught`;
  return lesson.planComing ? 'Its plan is being made…' : (lesson.focus ?? 'Review and use');
}
</script>

<template>
  <ol class="lessons scroll">
    <li
      v-for="(lesson, i) in lessons"
      :key="lesson.id"
      :ref="row(i)"
      :class="{ picked: i === picked, done: isOver(lesson) }"
      :aria-current="i === picked ? 'true' : undefined"
      @click="emit('pick', i)"
    >
      <span class="time mono">{{ timeText(lesson.startsAt, zone) }}</span>
      <div class="body">
        <div class="line">
          <button type="button" class="person display" @click="emit('open', 'student', i)">
            {{ lesson.name }}
          </button>
          <span class="tag" :class="tag(i).look">{{ tag(i).text }}</span>
        </div>
        <p class="note">{{ about(lesson) }}</p>
        <p v-if="lesson.pain.status !== 'free'" class="note pain">
          {{ lesson.pain.where }}: {{ lesson.pain.status }}
        </p>
        <div v-if="i === picked" class="acts">
          <BButton v-if="!isOver(lesson)" class="start" variant="light" @click="emit('open', 'lesson', i)"
            ><IconPlay aria-hidden="true" />
            {{ lesson.state === 'running' ? 'Go on' : 'Start lesson' }}</BButton
          >
          <BButton v-else class="start" variant="light" @click="emit('open', 'write-up', i)">{{
            lesson.state === 'written' ? 'Read the write-up' : 'Write up'
          }}</BButton>
          <BButton variant="outline-light" @click="emit('open', 'plan', i)">Open plan</BButton>
        </div>
      </div>
    </li>
  </ol>
</template>

<style scoped>
.lessons {
  flex: 1;
  min-height: 0;
  margin-top: var(--space-2);
}
li {
  display: grid;
  grid-template-columns: 58px minmax(0, 1fr);
  padding: var(--space-2) var(--space-3);
  border-bottom: 1px solid var(--line);
}
.time {
  font-weight: 600;
  font-size: var(--size-3);
  color: var(--ink2);
}
.line {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  justify-content: space-between;
  gap: 2px var(--space-3);
}
.person {
  background: none;
  border: 0;
  padding: 0;
  font-size: var(--size-4);
  color: var(--ink);
  text-align: left;
  min-width: 0;
  min-height: 24px;
  line-height: 1.25;
  overflow-wrap: anywhere;
}
.done .person {
  color: var(--ink3);
}
.pain {
  color: var(--breast);
}
.picked {
  background: #16202a;
  box-shadow: inset 0 -6px 0 var(--wingbar);
  padding-bottom: var(--space-4);
  --ring: var(--wingbar);
}
.picked :is(.person, .time, .note) {
  color: #f7f9f5;
}
.picked .person {
  font-size: var(--size-5);
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
  margin-top: var(--space-2);
}
.start {
  --bs-btn-bg: #f7f9f5;
  --bs-btn-color: #16202a;
}
@media (pointer: coarse) {
  .person {
    min-height: 44px;
  }
}
</style>
