<script setup lang="ts">
/** On which days of the week a student practises, and for how long; kept as it is changed. */
import { routes, type HomeworkBody } from '@finch/contract';
import { BFormInput } from 'bootstrap-vue-next';
import { ref, watch } from 'vue';
import BothVersions from '../../furniture/BothVersions.vue';
import { call } from '../../session/api';
import { useKeeping } from '../../session/keeping';

const props = defineProps<{ body: HomeworkBody }>();
const emit = defineEmits<{ kept: [] }>();
const NAMES = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];
const WHOLE = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];
const days = ref<number[]>([]);
const minutes = ref(12);
let waiting = 0;
const keeping = useKeeping<HomeworkBody>({
  name: 'Practice days',
  send: async (version) =>
    (
      await call(routes.keepPractice, {
        params: { studentId: props.body.student.id },
        body: { version, days: [...days.value], minutes: minutes.value },
      })
    ).version,
  newest: () => call(routes.homework, { params: { studentId: props.body.student.id } }),
  versionOf: (theirs) => theirs.student.version,
  inWords: ({ practice }) =>
    `${practice.days.map((day) => NAMES[day - 1]).join(', ') || 'no day'}, ${practice.minutes} minutes`,
  show: (theirs) => lay(theirs),
});
function lay({ practice, student }: HomeworkBody) {
  days.value = [...practice.days];
  minutes.value = practice.minutes;
  keeping.began(student.version);
}
watch(
  () => props.body,
  (now) => {
    // What was not kept stands until it is; so does a change that is still to be sent.
    if (!keeping.trouble.value && !waiting) lay(now);
  },
  { immediate: true },
);
let last: Promise<unknown> = Promise.resolve();
function keep() {
  waiting += 1;
  last = last.then(async () => {
    const kept = await keeping.keep();
    waiting -= 1;
    if (kept) emit('kept');
  });
}
function toggle(day: number) {
  days.value = days.value.includes(day)
    ? days.value.filter((one) => one !== day)
    : [...days.value, day].sort((a, b) => a - b);
  keep();
}
function setMinutes(value: string | number | null) {
  const typed = Number(value);
  if (!Number.isInteger(typed) || typed < 5 || typed > 180) return;
  minutes.value = typed;
  keep();
}
</script>

<template>
  <section aria-labelledby="practises">
    <h2 id="practises">Practises</h2>
    <div class="days" role="group" aria-label="Days of the week">
      <button
        v-for="(name, i) in NAMES"
        :key="name"
        type="button"
        :aria-label="WHOLE[i]"
        :aria-pressed="days.includes(i + 1)"
        @click="toggle(i + 1)"
      >
        {{ name }}
      </button>
    </div>
    <label
      >Minutes a day<BFormInput
        :model-value="minutes"
        type="number"
        size="sm"
        min="5"
        max="180"
        @change="setMinutes(($event.target as HTMLInputElement).value)"
    /></label>
    <BothVersions :keeping="keeping" />
  </section>
</template>

<style scoped>
section {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
.days {
  display: grid;
  grid-template-columns: repeat(7, minmax(0, 1fr));
  gap: 2px;
}
.days button {
  min-height: 34px;
  border: 1px solid var(--line);
  background: var(--sheet);
  color: var(--ink2);
  font-size: var(--size-2);
  padding: 0;
}
.days button[aria-pressed='true'] {
  background: var(--ink);
  color: var(--sheet);
  font-weight: 700;
}
label {
  display: grid;
  grid-template-columns: 1fr 84px;
  align-items: center;
  font-size: var(--size-2);
}
@media (pointer: coarse) {
  .days button {
    min-height: 44px;
  }
}
</style>
