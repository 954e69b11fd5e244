<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { BButton } from 'bootstrap-vue-next';
import { useRouter } from 'vue-router';
import IconPlay from '~icons/bi/play';
import { useKeys } from '../../app/keys';
import { nameChord, sayError, whole } from '../../words';
import PatternDefs from '../../instruments/PatternDefs.vue';
import ShimMark from '../../instruments/ShimMark.vue';
import { useBench } from '../../session/bench';
import { useBoard } from '../../session/queries';
import { useSeat } from '../../session/seat';
import FirstSteps from './FirstSteps.vue';
import HeatMap from './HeatMap.vue';

const { data, error, isPending, refetch } = useBoard();
const router = useRouter();
const bench = useBench();
const seat = useSeat();
const picked = ref(0);
const lessons = computed(() => data.value?.lessons ?? []);
const zone = computed(() => data.value?.timeZone ?? 'UTC');
const isToday = computed(() => data.value?.day === data.value?.today);
const dayName = computed(() =>
  data.value?.day
    ? new Date(`${data.value.day}T12:00:00Z`).toLocaleDateString('en-GB', {
        weekday: 'long',
        day: 'numeric',
        month: 'long',
      })
    : '',
);
const time = (iso: string) =>
  new Date(iso).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit', timeZone: zone.value });
const endOf = (lesson: { startsAt: string; minutes: number }) =>
  Date.parse(lesson.startsAt) + lesson.minutes * 60_000;
const nextIndex = computed(() =>
  lessons.value.findIndex(
    (lesson) => endOf(lesson) > seat.now() && lesson.state !== 'taught' && lesson.state !== 'written',
  ),
);
watch(nextIndex, (at) => (picked.value = Math.max(0, at)), { immediate: true });
const current = computed(() => lessons.value[picked.value] ?? null);

const numberWords = [
  'no',
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
  'eleven',
  'twelve',
];
const heading = computed(() => {
  const n = lessons.value.length;
  return `${isToday.value ? 'Today' : dayName.value}, ${numberWords[n] ?? n} lesson${n === 1 ? '' : 's'}`;
});
function tagOf(i: number): { text: string; look: string } {
  const lesson = lessons.value[i];
  if (lesson.state === 'written') return { text: 'written up', look: '' };
  if (lesson.state === 'taught') return { text: 'owed', look: 'over' };
  if (lesson.pain.status === 'locked' || lesson.pain.status === 'stopped today')
    return { text: 'nothing is played', look: 'none' };
  if (i === nextIndex.value) {
    const minutes = Math.round((Date.parse(lesson.startsAt) - seat.now()) / 60_000);
    return {
      text: minutes < 0 ? 'now' : minutes < 100 ? `in ${minutes} min` : `at ${time(lesson.startsAt)}`,
      look: 'now',
    };
  }
  if (lesson.planStanding === 'none') return { text: 'proposed', look: '' };
  if (lesson.planStanding === 'begun') return { text: 'plan not kept yet', look: 'pick' };
  if (lesson.planStanding === 'changed') return { text: 'changed since kept', look: 'pick' };
  return lesson.planMinutes > lesson.minutes
    ? { text: `${lesson.planMinutes - lesson.minutes} min over`, look: 'over' }
    : { text: 'plan kept', look: 'ready' };
}
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
const step = (by: number) =>
  (picked.value = Math.min(Math.max(0, picked.value + by), Math.max(0, lessons.value.length - 1)));
useKeys([
  { key: 'j', does: 'next student', run: () => step(1) },
  { key: 'k', does: 'previous', run: () => step(-1) },
  { key: 'Enter', does: 'open student', run: () => open('student') },
  { key: 'p', does: 'plan', run: () => open('plan') },
  { key: 's', does: 'start lesson', run: () => open('lesson') },
  { key: 'w', does: 'write-up', run: () => open('write-up') },
]);
</script>

<template>
  <FirstSteps v-if="data && data.students.length === 0" />
  <div v-else class="board">
    <PatternDefs />
    <section class="sheet today" aria-labelledby="today">
      <div class="spread">
        <h1 id="today" class="h2like">{{ heading }}</h1>
        <span class="small">{{ seat.studio?.name }}</span>
      </div>
      <div v-if="error" class="refusal">
        {{ sayError(error) }}
        <BButton size="sm" variant="outline-secondary" @click="refetch()">Try again</BButton>
      </div>
      <div v-else-if="isPending" class="empty">Reading the day…</div>
      <p v-else-if="lessons.length === 0" class="empty">
        No lessons ahead. Open a student and book one there.
      </p>
      <ol class="lessons scroll">
        <li
          v-for="(lesson, i) in lessons"
          :key="lesson.id"
          :class="{ picked: i === picked, done: lesson.state === 'taught' || lesson.state === 'written' }"
          :aria-current="i === picked ? 'true' : undefined"
          @click="picked = i"
        >
          <span class="time mono">{{ time(lesson.startsAt) }}</span>
          <div class="body">
            <div class="spread">
              <button type="button" class="person display" @click="open('student', i)">
                {{ lesson.name }}
              </button>
              <span class="tag" :class="tagOf(i).look">{{ tagOf(i).text }}</span>
            </div>
            <p class="note">
              {{
                lesson.focus ??
                (lesson.state === 'booked'
                  ? 'Review and use'
                  : `${lesson.minutesDone} of ${lesson.minutes} minutes taught`)
              }}
            </p>
            <p v-if="lesson.pain.status !== 'free'" class="note pain">
              {{ lesson.pain.where }}: {{ lesson.pain.status }}
            </p>
            <div v-if="i === picked" class="acts">
              <BButton
                v-if="lesson.state !== 'taught' && lesson.state !== 'written'"
                class="start"
                variant="light"
                @click="open('lesson', i)"
                ><IconPlay aria-hidden="true" /> Start lesson</BButton
              >
              <BButton v-else class="start" variant="light" @click="open('write-up', i)">Write up</BButton>
              <BButton class="plan" variant="outline-light" @click="open('plan', i)">Open plan</BButton>
            </div>
          </div>
        </li>
      </ol>
      <div class="evening">
        <h2>This evening</h2>
        <p class="spread">
          <span class="note">Write-ups owed</span> <b>{{ data?.writeUpsOwed ?? '–' }}</b>
        </p>
        <p class="spread">
          <span class="note">Plans not kept yet</span>
          <b>{{
            data
              ? lessons.filter((lesson) => lesson.planStanding !== 'kept' && lesson.state === 'booked').length
              : '–'
          }}</b>
        </p>
      </div>
    </section>
    <section class="sheet heat" aria-label="Who holds what">
      <HeatMap
        v-if="data"
        :strands="data.strands"
        :students="data.students"
        :picked="current?.studentId ?? null"
        @open="openStudent"
      />
      <div v-else class="empty">Reading what each student holds…</div>
    </section>
    <section class="sheet care">
      <div>
        <h2>Slipping, was clean</h2>
        <p v-if="data && !data.slipping.length" class="empty">Nothing is slipping.</p>
        <ul>
          <li v-for="one in data?.slipping.slice(0, 4)" :key="one.studentId + one.skill">
            <button type="button" @click="openStudent(one.studentId)">
              <b>{{ one.name.split(' ')[0] }}</b> {{ one.skill }}</button
            ><span class="note">{{ whole(one.was) }} to {{ whole(one.now) }}, {{ one.days }} days</span>
          </li>
        </ul>
      </div>
      <div>
        <h2>{{ data?.hurting.length ? 'Hurting' : 'Stuck' }}</h2>
        <ul v-if="data?.hurting.length">
          <li v-for="one in data.hurting" :key="one.studentId">
            <button type="button" @click="openStudent(one.studentId)">
              <b>{{ one.name.split(' ')[0] }}</b> {{ one.pain.where }}</button
            ><span class="tag over">{{ one.pain.status }}</span>
          </li>
        </ul>
        <ul>
          <li
            v-for="one in data?.stuck.slice(0, data.hurting.length ? 3 : 4)"
            :key="one.studentId + one.skill"
          >
            <button type="button" @click="openStudent(one.studentId)">
              <b>{{ one.name.split(' ')[0] }}</b> {{ one.skill }}, stuck</button
            ><span class="note">{{ whole(one.now) }} after {{ one.takes }}</span>
          </li>
        </ul>
        <p v-if="data && !data.stuck.length && !data.hurting.length" class="empty">
          Nobody is stuck, nobody hurts.
        </p>
      </div>
      <div>
        <h2>Too hard for the hand</h2>
        <p v-if="data && !data.tooHard.length" class="empty">Nothing begun is over a limit.</p>
        <ul>
          <li v-for="one in data?.tooHard.slice(0, 4)" :key="one.studentId">
            <button type="button" @click="openStudent(one.studentId)">
              <b>{{ one.name.split(' ')[0] }}</b> {{ nameChord(one.chord) }}</button
            ><span
              ><ShimMark :effort="one.effort" :limit="one.limit" /> <b>{{ Math.round(one.effort) }}</b></span
            >
          </li>
        </ul>
      </div>
    </section>
  </div>
</template>

<style>
.board {
  display: grid;
  grid-template-columns: 344px minmax(0, 1fr);
  grid-template-rows: minmax(0, 1fr) auto;
  gap: 8px;
}
.today {
  grid-row: 1 / 3;
  display: flex;
  flex-direction: column;
  padding: 12px 0 12px;
}
.today > .spread,
.today > .empty,
.evening {
  padding: 0 14px;
}
.lessons {
  flex: 1;
  min-height: 0;
  margin-top: 8px;
}
.lessons li {
  display: grid;
  grid-template-columns: 58px minmax(0, 1fr);
  padding: 10px 14px;
  border-bottom: 1px solid var(--line);
}
.lessons .time {
  font-weight: 600;
  font-size: 15.5px;
  color: var(--ink2);
}
.lessons .person {
  background: none;
  border: 0;
  padding: 0;
  font-size: 19px;
  color: var(--ink);
  text-align: left;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  min-width: 0;
  line-height: 1.25;
}
.lessons .done .person {
  color: var(--ink3);
}
.lessons .pain {
  color: var(--breast);
}
.lessons .picked {
  background: #16202a;
  box-shadow: inset 0 -6px 0 var(--wingbar);
  padding-bottom: 18px;
}
.lessons .picked :is(.person, .time, .note) {
  color: #f7f9f5;
}
.lessons .picked .person {
  font-size: 26px;
}
.lessons .picked :focus-visible {
  outline-color: var(--wingbar);
}
.lessons .acts {
  display: flex;
  gap: 8px;
  margin-top: 10px;
}
.lessons .start {
  --bs-btn-bg: #f7f9f5;
  --bs-btn-color: #16202a;
}
.evening {
  border-top: 2px solid var(--ink);
  margin: 8px 14px 0;
  padding: 8px 0 0;
}
.heat {
  padding-bottom: 0;
  display: flex;
  flex-direction: column;
  min-height: 0;
}
.care {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 22px;
  min-height: 150px;
}
.care li {
  display: flex;
  justify-content: space-between;
  gap: 8px;
  align-items: baseline;
  padding: 4px 0;
  border-top: 1px solid var(--line);
}
.care ul {
  margin-top: 4px;
}
.care ul + ul {
  margin-top: 0;
}
.care button {
  background: none;
  border: 0;
  padding: 0;
  color: var(--ink);
  font-size: 14px;
  text-align: left;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.care .note {
  white-space: nowrap;
}
@media (max-width: 991px) {
  .board {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: auto;
    overflow-y: auto;
  }
  .today {
    grid-row: auto;
  }
  .care {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
