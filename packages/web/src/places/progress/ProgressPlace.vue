<script setup lang="ts">
/** The studio after its lessons: what is stuck, surprising or tense, one student's story, how well predictions held, the report home. */
import { BButton, BFormSelect } from 'bootstrap-vue-next';
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue';
import { RouterLink, useRouter } from 'vue-router';
import { forwardBack, useKeys } from '../../app/keys';
import TermTable from '../../furniture/TermTable.vue';
import SegmentPick from '../../instruments/SegmentPick.vue';
import { useBench } from '../../session/bench';
import { useCheckUpBody, useProgress, useStudent } from '../../session/queries';
import { useSeat } from '../../session/seat';
import { sayError } from '../../words';
import ClassTable from './ClassTable.vue';
import HeldChart from './HeldChart.vue';
import NeedLists from './NeedLists.vue';
import ReportSheet from './ReportSheet.vue';
import StoryChart from './StoryChart.vue';

const { data: body, error, refetch } = useProgress();
const seat = useSeat();
const bench = useBench();
const router = useRouter();
const VIEWS = [
  { id: 'week', name: 'This week' },
  { id: 'every', name: 'Every skill' },
] as const;
const view = ref<(typeof VIEWS)[number]['id']>('week');
const students = computed(() =>
  [...(body.value?.held.students ?? [])].sort((a, b) => a.name.localeCompare(b.name)),
);
const studentId = ref<string | null>(bench.studentId);
/** Who needs most, unless somebody was chosen. */
watch(
  body,
  (now) => {
    if (!now || students.value.some((one) => one.studentId === studentId.value)) return;
    const [worst] = [...now.hurting, ...now.stuck.list, ...now.surprises, ...students.value];
    studentId.value = worst?.studentId ?? null;
  },
  { immediate: true },
);
const { data: student, error: noStudent, refetch: readAgain } = useStudent(studentId);
const { data: checkUps } = useCheckUpBody(studentId);
const shown = computed(() => (student.value?.id === studentId.value ? student.value : null));
// The story ends where the student was read, whenever the studio was.
const now = computed(() => (shown.value ? seat.now() : 0));
const asTable = ref(false);
const ofAll = ref<'all' | 'one'>('all');
const held = computed(() => {
  const own = students.value.find((one) => one.studentId === studentId.value)?.held;
  return ofAll.value === 'one' && own ? own : (body.value?.held.all ?? null);
});
const first = computed(() => shown.value?.name.split(' ')[0] ?? 'one student');
const whose = computed(() => [
  { id: 'all' as const, name: 'Everybody' },
  { id: 'one' as const, name: first.value },
]);
const options = computed(() => students.value.map(({ studentId: value, name: text }) => ({ value, text })));
const lists = useTemplateRef<InstanceType<typeof NeedLists>>('lists');
const story = useTemplateRef<HTMLElement>('story');
const lower = useTemplateRef<HTMLElement>('lower');

function step(by: 1 | -1) {
  const at = students.value.findIndex((one) => one.studentId === studentId.value);
  const next = students.value[at + by];
  if (next) studentId.value = next.studentId;
}
async function pick(id: string) {
  studentId.value = id;
  view.value = 'week';
  await nextTick();
  story.value?.scrollIntoView({ block: 'nearest' });
}
function open() {
  if (!studentId.value) return;
  bench.put(studentId.value, null);
  void router.push({ name: 'student', params: { studentId: studentId.value } });
}
useKeys('progress', {
  student: forwardBack(step),
  list: (at) => {
    view.value = 'week';
    void nextTick(() => lists.value?.focus(at));
  },
  open,
  table: () => (asTable.value = !asTable.value),
  every: () => (view.value = view.value === 'week' ? 'every' : 'week'),
  report: () => {
    view.value = 'week';
    void nextTick(() => lower.value?.querySelector<HTMLElement>('.report textarea')?.focus());
  },
});
</script>

<template>
  <div class="progress-place">
    <div class="top">
      <h1 class="h2like" tabindex="-1">Progress</h1>
      <SegmentPick v-model="view" label="What is shown" :options="VIEWS" />
      <RouterLink class="outbox" :to="{ name: 'outbox' }">Outbox</RouterLink>
    </div>
    <p v-if="error && !body" class="refusal" role="alert">
      {{ sayError(error) }}
      <BButton size="sm" variant="outline-secondary" @click="refetch()">Try again</BButton>
    </p>
    <p v-else-if="!body" class="empty sheet" role="status">Reading every log…</p>
    <p v-else-if="!students.length" class="empty sheet">
      Nobody is taught here yet. With the first student and the first take the story begins.
    </p>
    <ClassTable v-else-if="view === 'every'" @pick="pick" />
    <template v-else>
      <NeedLists ref="lists" :body="body" :picked="studentId" class="needs" @pick="pick" />
      <div ref="lower" class="lower">
        <section ref="story" class="sheet story" aria-labelledby="story">
          <div class="spread">
            <h2 id="story" class="display">{{ shown?.name ?? 'Whose story?' }}</h2>
            <div class="acts">
              <BFormSelect v-model="studentId" size="sm" :options="options" aria-label="Whose story" />
              <BButton
                size="sm"
                variant="outline-secondary"
                :aria-pressed="asTable"
                @click="asTable = !asTable"
                >As a table</BButton
              >
              <BButton size="sm" variant="outline-secondary" @click="open">Open</BButton>
            </div>
          </div>
          <p v-if="noStudent && !shown" class="refusal" role="alert">
            {{ sayError(noStudent) }}
            <BButton size="sm" variant="outline-secondary" @click="readAgain()">Try again</BButton>
          </p>
          <p v-else-if="!shown" class="empty" role="status">Reading the story…</p>
          <template v-else>
            <StoryChart :student="shown" :now="now" :as-table="asTable" />
            <template v-if="checkUps?.before.length">
              <h3>Check-ups</h3>
              <TermTable :before="checkUps.before" :time-zone="shown.timeZone" />
            </template>
          </template>
        </section>
        <section class="sheet held" aria-labelledby="held">
          <h2 id="held">How well predictions held</h2>
          <SegmentPick v-model="ofAll" label="Whose takes" :options="whose" />
          <HeldChart v-if="held" :held="held" />
        </section>
        <ReportSheet v-if="studentId" :student-id="studentId" :waiting="body.letters" />
      </div>
    </template>
  </div>
</template>

<style scoped>
.progress-place {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
  overflow-y: auto;
}
.top {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--space-1) var(--space-4);
}
.outbox {
  margin-left: auto;
  color: var(--crown);
  font-size: var(--size-2);
  min-height: 24px;
}
.lower {
  display: grid;
  grid-template-columns: minmax(0, 2.2fr) minmax(0, 1fr) minmax(0, 1.1fr);
  gap: var(--space-2);
  flex: 1 0 auto;
}
.story h2 {
  font-size: var(--size-5);
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-1);
  align-items: center;
}
.acts select {
  width: auto;
  max-width: 190px;
}
.held {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
  align-items: flex-start;
}
@media (max-width: 1199px) {
  .progress-place {
    overflow-y: visible;
  }
  .lower {
    grid-template-columns: minmax(0, 1fr);
  }
}
@media print {
  .top,
  .needs,
  .story,
  .held {
    display: none !important;
  }
}
@media (pointer: coarse) {
  .outbox {
    min-height: 44px;
    min-width: 44px;
    display: inline-flex;
    align-items: center;
  }
}
</style>
