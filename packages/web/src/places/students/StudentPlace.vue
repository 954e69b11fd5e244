<script setup lang="ts">
/** One student: the hand and what was noted, what is held and how it came, lessons, homework, and what comes next. */
import { routes } from '@finch/contract';
import { useQueryClient } from '@tanstack/vue-query';
import { BButton, BTab, BTabs } from 'bootstrap-vue-next';
import { v7 as uuid } from 'uuid';
import { computed, ref, useTemplateRef, watch } from 'vue';
import { useRouter } from 'vue-router';
import { useKeys } from '../../app/keys';
import PatternDefs from '../../instruments/PatternDefs.vue';
import { call } from '../../session/api';
import { useBench } from '../../session/bench';
import { useNotices } from '../../session/notices';
import { readAnew, useProposal, useStudent, useSyllabus } from '../../session/queries';
import { useSeat } from '../../session/seat';
import { sayError } from '../../words';
import HandSheet from './HandSheet.vue';
import PainSheet from './PainSheet.vue';
import PersonDialog from './PersonDialog.vue';
import StudentHome from './StudentHome.vue';
import StudentLessons from './StudentLessons.vue';
import StudentNote from './StudentNote.vue';
import StudentProposal from './StudentProposal.vue';
import StudentReviews from './StudentReviews.vue';
import StudentWeeks from './StudentWeeks.vue';
import StudentWishes from './StudentWishes.vue';

const props = defineProps<{ studentId: string }>();
const seat = useSeat();
const bench = useBench();
const router = useRouter();
const client = useQueryClient();
const notices = useNotices();
const { data: student, error, refetch } = useStudent(() => props.studentId);
const { data: syllabus } = useSyllabus();
const mayWrite = computed(() => seat.teaches);
const minutes = computed(() => student.value?.nextLesson?.minutes ?? 45);
const { data: proposal, error: noProposal } = useProposal(
  () => (mayWrite.value ? props.studentId : null),
  minutes,
);
watch(
  () => props.studentId,
  (id) => {
    if (bench.studentId !== id) bench.put(id, null);
  },
  { immediate: true },
);
const names = computed(() => new Map((syllabus.value?.skills ?? []).map((skill) => [skill.id, skill.name])));
const met = computed(() => (student.value?.skills ?? []).filter((skill) => skill.chance !== null));
const due = computed(() =>
  met.value
    .filter((skill) => skill.marks.due || skill.marks.slipping)
    .sort((a, b) => (a.dueAt ?? 0) - (b.dueAt ?? 0)),
);
const coming = computed(() =>
  met.value
    .filter((skill) => !skill.marks.due && !skill.marks.slipping && (skill.dueAt ?? 0) > seat.now())
    .sort((a, b) => (a.dueAt ?? 0) - (b.dueAt ?? 0)),
);
const tab = ref(0);
const LESSONS = 2;
const person = ref(false);
const hand = useTemplateRef<InstanceType<typeof HandSheet>>('hand');
const lessons = useTemplateRef<InstanceType<typeof StudentLessons>>('lessons');

const going = ref(false);
async function attempt(work: () => Promise<void>) {
  if (going.value) return;
  going.value = true;
  try {
    await work();
  } catch (problem) {
    notices.trouble(sayError(problem));
  } finally {
    going.value = false;
  }
}
/** The next lesson, or one booked for now when none is ahead. */
async function lessonId(): Promise<string> {
  const next = student.value?.nextLesson;
  if (next) return next.id;
  const made = await call(routes.bookLesson, {
    body: {
      id: uuid(),
      studentId: props.studentId,
      startsAt: new Date(seat.now()).toISOString(),
      minutes: minutes.value,
    },
  });
  notices.tell('No lesson was ahead, so one is booked for now.');
  await readAnew(client, 'student');
  return made.id;
}
const go = (name: 'plan' | 'lesson') =>
  attempt(async () => {
    // Until the page has read its student it cannot know whether a lesson is ahead.
    if (!student.value) return;
    const id = await lessonId();
    bench.put(props.studentId, id);
    await router.push({ name, params: { lessonId: id }, query: name === 'lesson' ? { start: 'now' } : {} });
  });
/** Playing may begin again, or one hand alone may play. */
const clear = (oneHand?: 'left' | 'right' | 'none') =>
  attempt(async () => {
    await seat.keep(
      props.studentId,
      { kind: 'clearance', at: new Date(seat.now()).toISOString(), ...(oneHand ? { oneHand } : {}) },
      oneHand === undefined
        ? 'cleared to play'
        : oneHand === 'none'
          ? 'no hand may play'
          : `the ${oneHand} hand may play alone`,
    );
    await seat.flush();
    await refetch();
  });
/** The plan leans toward what is wished for: it is weighed anew. */
const wished = () => readAnew(client, 'student', 'proposal');
function book() {
  tab.value = LESSONS;
  lessons.value?.book();
}
useKeys(
  'student',
  {
    plan: () => void go('plan'),
    start: () => void go('lesson'),
    measure: () => hand.value?.edit(),
    book,
    person: () => (person.value = true),
    tab: (at) => (tab.value = at),
  },
  () => mayWrite.value && student.value !== undefined,
);
</script>

<template>
  <div class="student" :class="{ alone: !student, read: !mayWrite }">
    <PatternDefs />
    <Teleport v-if="mayWrite && student" defer to="#bench-tools">
      <BButton
        v-if="!seat.has('self-taught')"
        variant="outline-secondary"
        :to="{ name: 'family', params: { studentId: student.id } }"
        >Page for parents</BButton
      >
      <BButton
        v-if="!seat.has('self-taught')"
        variant="outline-secondary"
        :to="{ name: 'check-up', params: { studentId: student.id } }"
        >Check-up</BButton
      >
      <BButton variant="outline-secondary" @click="person = true">Name and birthday</BButton>
    </Teleport>
    <p v-if="error && !student" class="refusal" role="alert">
      {{ sayError(error) }}
      <BButton size="sm" variant="outline-secondary" @click="refetch()">Try again</BButton>
    </p>
    <p v-else-if="!student" class="empty sheet" role="status">Reading what this student holds…</p>
    <template v-else>
      <aside class="sheet scroll col-hand" tabindex="0" aria-label="Hand and notes">
        <h1 class="visually-hidden" tabindex="-1">{{ student.name }}</h1>
        <p v-if="student.archived" class="caution">Put away: on no Board and in no week.</p>
        <PainSheet
          v-if="student.pain.status !== 'free'"
          :pain="student.pain"
          :may-write="mayWrite"
          @clear="clear()"
          @one-hand="clear"
        />
        <HandSheet ref="hand" :student="student" :may-write="mayWrite" @kept="refetch()" />
        <StudentWishes :student="student" :may-write="mayWrite" :plan="proposal ?? null" @kept="wished()" />
        <StudentNote v-if="mayWrite" :student="student" :may-write="mayWrite" @kept="refetch()" />
        <p v-if="student.groups.length" class="small">Plays in {{ student.groups.join(', ') }}.</p>
      </aside>
      <section class="sheet col-mid">
        <BTabs v-model:index="tab" nav-class="quiet-tabs" content-class="tab-room">
          <BTab :title="`Skills (${met.length})`" class="room"
            ><StudentWeeks :student-id="student.id" :skills="met" :names="names"
          /></BTab>
          <BTab :title="`Reviews due (${due.length})`" class="room"
            ><StudentReviews :due="due" :coming="coming" :names="names"
          /></BTab>
          <BTab v-if="mayWrite" title="Lessons" class="room"
            ><StudentLessons ref="lessons" :student="student"
          /></BTab>
          <BTab :title="`At home (${student.home.length})`" class="room"
            ><StudentHome :student="student" :may-write="mayWrite"
          /></BTab>
        </BTabs>
      </section>
      <aside v-if="mayWrite" class="sheet col-plan" aria-label="Next lesson">
        <div class="spread">
          <h2>Proposed for next time</h2>
          <b>{{ minutes }} min</b>
        </div>
        <p v-if="noProposal" class="refusal">{{ sayError(noProposal) }}</p>
        <p v-else-if="!proposal" class="empty" role="status">Weighing what is worth the minutes…</p>
        <StudentProposal v-else :proposal="proposal" />
        <BButton class="pri" variant="dark" :disabled="going" @click="go('plan')">Take to plan bench</BButton>
      </aside>
      <PersonDialog v-if="mayWrite" v-model="person" :student="student" />
    </template>
  </div>
</template>

<style scoped>
.student {
  display: grid;
  grid-template-columns: 312px minmax(0, 1fr) 322px;
  gap: var(--space-2);
  min-height: 0;
}
.student.alone {
  display: block;
}
.student.read {
  grid-template-columns: 312px minmax(0, 1fr);
}
.student > * {
  min-height: 0;
}
.col-hand {
  display: flex;
  flex-direction: column;
  gap: var(--space-3);
}
.col-mid :deep(.tabs),
.col-mid :deep(.tab-room),
.col-mid {
  display: flex;
  flex-direction: column;
  min-height: 0;
  flex: 1;
}
.col-mid :deep(.room.active) {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
  min-height: 0;
  flex: 1;
  padding-top: var(--space-2);
}
.col-plan {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
@media (max-width: 1199px) {
  .student {
    grid-template-columns: 280px minmax(0, 1fr);
  }
  .col-plan {
    grid-column: 1 / 3;
  }
}
@media (max-width: 820px) {
  .student,
  .student.read {
    grid-template-columns: minmax(0, 1fr);
  }
  .col-plan {
    grid-column: 1;
  }
}
</style>
