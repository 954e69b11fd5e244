<script setup lang="ts">
/** Who comes when and with what plan; who holds what; who needs the teacher. */
import { BButton, BFormSelect } from 'bootstrap-vue-next';
import { useLocalStorage } from '@vueuse/core';
import { computed, ref, watch } from 'vue';
import { RouterLink, useRouter } from 'vue-router';
import { forwardBack, useKeys } from '../../app/keys';
import { useWalk } from '../../app/walk';
import PatternDefs from '../../instruments/PatternDefs.vue';
import { useBench } from '../../session/bench';
import { useBoard } from '../../session/queries';
import { useSeat } from '../../session/seat';
import { countText, dayText, sayError } from '../../words';
import CarePanel from './CarePanel.vue';
import FirstDayRest from './FirstDayRest.vue';
import FirstSteps from './FirstSteps.vue';
import HeatMap from './HeatMap.vue';
import { isOver } from './lesson-tags';
import { inOrder, ORDER_WORDS, ROW_ORDERS, type RowOrder } from './row-order';
import TodayList from './TodayList.vue';

const { data, error, refetch } = useBoard();
const router = useRouter();
const bench = useBench();
const seat = useSeat();
const lessons = computed(() => data.value?.lessons ?? []);
const { picked, step, row } = useWalk(() => lessons.value.length);
const zone = computed(() => data.value?.timeZone ?? 'UTC');
const nextIndex = computed(() =>
  lessons.value.findIndex(
    (lesson) => Date.parse(lesson.startsAt) + lesson.minutes * 60_000 > seat.now() && !isOver(lesson),
  ),
);
watch(nextIndex, (at) => (picked.value = Math.max(0, at)), { immediate: true });
const current = computed(() => lessons.value[picked.value] ?? null);
const order = useLocalStorage<RowOrder>('finch-board-order', 'needs');
const students = computed(() => inOrder(data.value?.students ?? [], order.value));
const allSkills = ref(false);
/** What is known of the day and no more: while it loads, nothing is claimed. */
const heading = computed(() => {
  if (!data.value) return error.value ? 'The day could not be read' : 'Reading the day…';
  const { day, today } = data.value;
  const name = day === today || !day ? 'Today' : dayText(`${day}T12:00:00Z`, 'UTC');
  return `${name}, ${countText(lessons.value.length, 'lesson')}`;
});
function open(name: 'plan' | 'lesson' | 'write-up' | 'student', i = picked.value) {
  const lesson = lessons.value[i];
  if (!lesson) return;
  bench.put(lesson.studentId, lesson.id);
  void router.push(
    name === 'student'
      ? { name, params: { studentId: lesson.studentId } }
      : { name, params: { lessonId: lesson.id }, query: name === 'lesson' ? { start: 'now' } : {} },
  );
}
function openStudent(id: string) {
  bench.put(id, lessons.value.find((lesson) => lesson.studentId === id)?.id ?? null);
  void router.push({ name: 'student', params: { studentId: id } });
}
useKeys(
  'board',
  {
    lesson: forwardBack(step),
    student: () => open('student'),
    plan: () => open('plan'),
    start: () => open('lesson'),
    writeUp: () => open('write-up'),
  },
  () => lessons.value.length > 0,
);
</script>

<template>
  <FirstSteps v-if="data && data.students.length === 0" />
  <div v-else class="board-place">
    <PatternDefs />
    <section class="sheet today" aria-labelledby="today">
      <div class="spread">
        <h1 id="today" class="h2like" tabindex="-1">{{ heading }}</h1>
        <span class="small">{{ seat.studio?.name }}</span>
      </div>
      <div v-if="error && !data" class="refusal" role="alert">
        {{ sayError(error) }}
        <BButton size="sm" variant="outline-secondary" @click="refetch()">Try again</BButton>
      </div>
      <p v-else-if="data && lessons.length === 0" class="empty">
        No lessons ahead. <RouterLink :to="{ name: 'week' }">Book one in the week</RouterLink>.
      </p>
      <TodayList
        v-if="lessons.length"
        :lessons="lessons"
        :picked="picked"
        :row="row"
        :next-index="nextIndex"
        :zone="zone"
        :now="seat.now()"
        @pick="(i) => (picked = i)"
        @open="open"
      />
      <div v-if="data" class="evening">
        <h2>This evening</h2>
        <p class="spread">
          <span class="note">Write-ups owed</span> <b>{{ data.writeUpsOwed }}</b>
        </p>
        <p class="spread">
          <span class="note">Plans not kept yet</span>
          <b>{{
            lessons.filter((lesson) => lesson.planStanding !== 'kept' && lesson.state === 'booked').length
          }}</b>
        </p>
      </div>
    </section>
    <FirstDayRest v-if="data" :board="data" />
    <section class="sheet heat" :class="{ folded: !allSkills }" aria-label="Who holds what">
      <BButton class="all-skills" variant="outline-secondary" @click="allSkills = !allSkills">{{
        allSkills ? 'Hide all skills' : 'All skills, everybody'
      }}</BButton>
      <HeatMap
        v-if="data"
        class="map"
        :strands="data.strands"
        :students="students"
        :picked="current?.studentId ?? null"
        @open="openStudent"
      >
        <label class="order small"
          >Order
          <BFormSelect
            v-model="order"
            size="sm"
            :options="ROW_ORDERS.map((value) => ({ value, text: ORDER_WORDS[value] }))"
        /></label>
      </HeatMap>
      <p v-else-if="!error" class="empty" role="status">Reading what each student holds…</p>
    </section>
    <CarePanel v-if="data" class="care" :board="data" @open="openStudent" />
    <section v-else class="sheet care" aria-hidden="true" />
  </div>
</template>

<style scoped>
.board-place {
  display: grid;
  grid-template-columns: 344px minmax(0, 1fr);
  grid-template-rows: minmax(0, 1fr) auto auto;
  gap: var(--space-2);
}
.today {
  grid-row: 1 / 4;
  display: flex;
  flex-direction: column;
  padding: var(--space-3) 0;
}
.today > .spread,
.today > .empty,
.evening {
  padding: 0 var(--space-3);
}
.today > .refusal {
  margin: var(--space-2) var(--space-3);
}
.evening {
  border-top: 2px solid var(--ink);
  margin: var(--space-2) var(--space-3) 0;
  padding: var(--space-2) 0 0;
}
.heat {
  grid-column: 2;
  grid-row: 1;
  padding-bottom: 0;
  display: flex;
  flex-direction: column;
  min-height: 0;
}
.care {
  grid-column: 2;
  grid-row: 2;
  min-height: 168px;
}
.all-skills {
  display: none;
}
.order {
  display: flex;
  align-items: center;
  gap: var(--space-2);
  white-space: nowrap;
}
@media (max-width: 1199px), (max-height: 599px) {
  .board-place {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: none;
  }
  .today,
  .heat,
  .care {
    grid-row: auto;
    grid-column: 1;
  }
  .care {
    order: 1;
  }
  .heat {
    order: 2;
    padding-bottom: var(--space-3);
  }
}
@media (max-width: 779px) {
  .all-skills {
    display: inline-flex;
    align-self: flex-start;
  }
  .folded .map {
    display: none;
  }
}
</style>
