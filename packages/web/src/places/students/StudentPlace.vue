<script setup lang="ts">
import { routes } from '@finch/contract';
import { useQueryClient } from '@tanstack/vue-query';
import { BButton } from 'bootstrap-vue-next';
import { v7 as uuid } from 'uuid';
import { computed, ref, useTemplateRef, watch } from 'vue';
import { useRouter } from 'vue-router';
import { useKeys } from '../../app/keys';
import { say, sayError, shortDate, whole } from '../../words';
import BecauseMark from '../../instruments/BecauseMark.vue';
import CalliperRule from '../../instruments/CalliperRule.vue';
import PatternDefs from '../../instruments/PatternDefs.vue';
import PurflingBar from '../../instruments/PurflingBar.vue';
import { call } from '../../session/api';
import { useBench } from '../../session/bench';
import { useProposal, useStudent, useSyllabus } from '../../session/queries';
import { useSeat } from '../../session/seat';
import { CATEGORY } from '../../instruments/categories';
import HandSheet from './HandSheet.vue';
import HistoryChart from './HistoryChart.vue';
import StudentNote from './StudentNote.vue';

const props = defineProps<{ studentId: string }>();
const seat = useSeat();
const bench = useBench();
const router = useRouter();
const client = useQueryClient();
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

const skillNames = computed(
  () => new Map((syllabus.value?.skills ?? []).map((skill) => [skill.id, skill.name])),
);
const met = computed(() => (student.value?.skills ?? []).filter((skill) => skill.chance !== null));
const WEEKS_MS = 98 * 86_400_000;
const now = computed(() => seat.now());
const from = computed(() =>
  Math.max(
    now.value - WEEKS_MS,
    Math.min(now.value - 7 * 86_400_000, ...met.value.map((skill) => skill.history[0]?.at ?? now.value)),
  ),
);
const shownSkills = computed(() =>
  [...met.value].sort((a, b) => rank(b) - rank(a) || (b.lastAt ?? 0) - (a.lastAt ?? 0)),
);
const rank = (skill: (typeof met.value)[number]) =>
  (skill.marks.slipping ? 4 : 0) + (skill.marks.stuck ? 3 : 0) + (skill.marks.due ? 1 : 0);
const all = ref(false);
const due = computed(() =>
  met.value
    .filter((skill) => skill.marks.due || skill.marks.slipping)
    .sort((a, b) => (a.dueAt ?? 0) - (b.dueAt ?? 0)),
);
const comingUp = computed(() =>
  met.value
    .filter((skill) => !skill.marks.due && (skill.dueAt ?? 0) > now.value)
    .sort((a, b) => (a.dueAt ?? 0) - (b.dueAt ?? 0))
    .slice(0, Math.max(0, 5 - due.value.length)),
);
const strips = computed(() =>
  (proposal.value?.blocks ?? []).map((block) => ({
    name: say(block.title),
    value: block.minutes,
    category: CATEGORY[block.kind],
  })),
);
const markWord = (skill: (typeof met.value)[number]) =>
  skill.marks.slipping
    ? `slipping: was ${whole(skill.peak?.mean ?? 0)} on ${shortDate(skill.peak?.at ?? 0)}`
    : skill.marks.stuck
      ? `stuck after ${skill.attempts} takes`
      : skill.attempts < 5
        ? `a guess: ${skill.attempts} takes`
        : `recall ${whole(skill.recall ?? 0)}`;
const trouble = ref('');
const hand = useTemplateRef<InstanceType<typeof HandSheet>>('hand');

async function attempt(work: () => Promise<void>) {
  trouble.value = '';
  try {
    await work();
  } catch (problem) {
    trouble.value = sayError(problem);
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
  await client.invalidateQueries({ queryKey: ['student', props.studentId] });
  return made.id;
}
const go = (name: 'plan' | 'lesson' | 'write-up') =>
  attempt(async () => {
    // Until the page has read its student it cannot know whether a lesson is ahead.
    if (!student.value) return;
    const id = await lessonId();
    bench.put(props.studentId, id);
    await router.push({ name, params: { lessonId: id }, query: name === 'lesson' ? { start: 'now' } : {} });
  });
const clear = () =>
  attempt(async () => {
    await seat.keep(
      props.studentId,
      { kind: 'clearance', at: new Date(seat.now()).toISOString() },
      'cleared to play',
    );
    await seat.flush();
    await refetch();
  });
useKeys([
  { key: 'p', does: 'plan next lesson', run: () => mayWrite.value && void go('plan') },
  { key: 's', does: 'start lesson', run: () => mayWrite.value && void go('lesson') },
  { key: 'm', does: 'measure the hand', run: () => mayWrite.value && hand.value?.edit() },
]);
</script>

<template>
  <div class="student">
    <PatternDefs />
    <p v-if="error" class="refusal">
      {{ sayError(error) }}
      <BButton size="sm" variant="outline-secondary" @click="refetch()">Try again</BButton>
    </p>
    <p v-else-if="!student" class="empty sheet">Reading what this student holds…</p>
    <template v-else>
      <aside class="sheet scroll col-hand" tabindex="0" aria-label="Hand and notes">
        <div v-if="student.pain.status !== 'free'" class="caution">
          <b>{{ student.pain.where }}, {{ student.pain.side }}: {{ student.pain.status }}</b>
          <p>
            Reported {{ student.pain.sinceDay }}. Until you clear it and two days were free of pain nothing is
            played, with either hand; then a week at half the minutes, without a barre. See a doctor or a hand
            therapist; this is no medical advice.
          </p>
          <BButton
            v-if="mayWrite && !student.pain.cleared"
            size="sm"
            variant="outline-secondary"
            @click="clear"
            >Clear to play again</BButton
          >
          <span v-else-if="student.pain.cleared" class="small"
            >Cleared; playing from {{ student.pain.earliestDay }} on.</span
          >
        </div>
        <HandSheet ref="hand" :student="student" :may-write="mayWrite" @kept="refetch()" />
        <StudentNote :student="student" :may-write="mayWrite" @kept="refetch()" />
        <p v-if="student.groups.length" class="small">Plays in {{ student.groups.join(', ') }}.</p>
      </aside>
      <div class="col-mid">
        <section class="sheet weeks">
          <div class="spread">
            <h1 class="h2like">{{ all ? `All ${met.length} skills met` : 'Fourteen weeks' }}</h1>
            <span class="small"
              >band: 80 % sure · dashes: clean, 80 · dots: if left alone
              <BButton variant="link" size="sm" @click="all = !all">{{
                all ? 'fewer' : `all ${met.length}`
              }}</BButton></span
            >
          </div>
          <p v-if="!met.length" class="empty">
            Nothing met yet. The first take draws the first line; five make it less of a guess.
          </p>
          <ul class="scroll" tabindex="0" aria-label="Skills over time">
            <li v-for="skill in all ? shownSkills : shownSkills.slice(0, 5)" :key="skill.skillId">
              <div>
                <b>{{ skillNames.get(skill.skillId) ?? skill.skillId }}</b>
                <div class="small">{{ markWord(skill) }}</div>
              </div>
              <HistoryChart
                :name="skillNames.get(skill.skillId) ?? skill.skillId"
                :points="skill.history.filter((point) => point.at >= from)"
                :now="now"
                :from="from"
                :mean="skill.chance?.mean ?? 0"
                :outlook="skill.outlook"
                :height="58"
              />
              <div class="verdict">
                <span class="big">{{ whole(skill.chance?.mean ?? 0) }}</span><span>{{ skill.state }}</span>
              </div>
            </li>
          </ul>
        </section>
        <section class="sheet due">
          <div class="spread">
            <h2>Reviews due</h2>
            <span class="small">pennant: 14 days without practice · wedge: clean, 80</span>
          </div>
          <p v-if="!due.length && !comingUp.length" class="empty">
            Nothing due. The first take sets the first return.
          </p>
          <ul class="scroll" tabindex="0" aria-label="Reviews">
            <li v-for="skill in [...due, ...comingUp]" :key="skill.skillId">
              <b>{{ skillNames.get(skill.skillId) ?? skill.skillId }}</b>
              <CalliperRule
                v-if="skill.chance"
                :label="skillNames.get(skill.skillId) ?? ''"
                :mean="skill.chance.mean"
                :low="skill.chance.low"
                :high="skill.chance.high"
                :outlook="skill.outlook"
              />
              <span class="note">{{ markWord(skill) }}</span>
              <span class="tag" :class="{ now: skill.marks.due }">{{
                skill.marks.due ? 'Today' : shortDate(skill.dueAt ?? 0)
              }}</span>
            </li>
          </ul>
        </section>
      </div>
      <aside v-if="mayWrite" class="sheet col-plan">
        <div class="spread">
          <h2>Proposed for next time</h2>
          <b>{{ minutes }} min</b>
        </div>
        <p v-if="noProposal" class="refusal">{{ sayError(noProposal) }}</p>
        <p v-else-if="!proposal" class="empty">Weighing what is worth the minutes…</p>
        <template v-else>
          <PurflingBar :strips="strips" unit="minutes" />
          <ol class="scroll" tabindex="0" aria-label="Proposed blocks">
            <li v-for="block in proposal.blocks" :key="block.id">
              <span class="mins"
                ><b>{{ block.minutes }}</b> <small>min</small></span
              >
              <div>
                <b>{{ say(block.title) }}</b><BecauseMark>{{ say(block.because) }}</BecauseMark>
              </div>
            </li>
          </ol>
          <p v-if="proposal.leftOut[0]" class="note left">
            Left out: {{ say(proposal.leftOut[0].title) }}. {{ say(proposal.leftOut[0].because) }}
          </p>
        </template>
        <p v-if="trouble" class="refusal" role="alert">{{ trouble }}</p>
        <BButton class="pri" variant="dark" @click="go('plan')">Take to plan bench</BButton>
      </aside>
    </template>
  </div>
</template>

<style>
.student {
  display: grid;
  grid-template-columns: 312px minmax(0, 1fr) 322px;
  gap: 8px;
  min-height: 0;
}
.student > * {
  min-height: 0;
}
.col-hand {
  display: flex;
  flex-direction: column;
  gap: 14px;
}
.col-mid {
  display: grid;
  grid-template-rows: minmax(0, 3fr) minmax(0, 2fr);
  gap: 8px;
}
.weeks,
.due {
  display: flex;
  flex-direction: column;
}
.weeks ul,
.due ul {
  min-height: 0;
  flex: 1;
}
.weeks li {
  display: grid;
  grid-template-columns: 124px minmax(0, 1fr) 64px;
  gap: 8px;
  align-items: center;
  border-top: 1px solid var(--line);
  padding: 3px 0;
  font-size: 14px;
}
.weeks b {
  line-height: 1.2;
}
.verdict {
  text-align: right;
  font-size: 12.5px;
  color: var(--ink2);
  display: flex;
  flex-direction: column;
}
.verdict .big {
  font-size: 22px;
  font-weight: 700;
  color: var(--ink);
  line-height: 1.1;
}
.due li {
  display: grid;
  grid-template-columns: 132px 224px minmax(0, 1fr) auto;
  gap: 10px;
  align-items: center;
  border-top: 1px solid var(--line);
  padding: 2px 0;
  font-size: 14px;
}
.col-plan {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.col-plan ol {
  flex: 1;
  min-height: 0;
  border-top: 1px solid var(--line);
}
.col-plan li {
  display: grid;
  grid-template-columns: 58px 1fr;
  padding: 8px 0;
  border-bottom: 1px solid var(--line);
  font-size: 14px;
}
.col-plan .mins b {
  font-size: 18px;
}
@media (max-width: 1199px) {
  .student {
    grid-template-columns: 280px minmax(0, 1fr);
    overflow-y: auto;
  }
  .col-plan {
    grid-column: 1 / 3;
  }
}
@media (max-width: 820px) {
  .student {
    grid-template-columns: minmax(0, 1fr);
  }
  .col-plan {
    grid-column: 1;
  }
  .due li {
    grid-template-columns: 1fr;
  }
}
</style>
