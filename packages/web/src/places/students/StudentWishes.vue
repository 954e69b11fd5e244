<script setup lang="ts">
/** What the student wishes for: a way in, a style, single skills. The plan leans toward it; kept as it is ticked. */
import { routes, type StudentBody } from '@finch/contract';
import { BButton, BFormCheckbox } from 'bootstrap-vue-next';
import { computed, ref, watch } from 'vue';
import BothVersions from '../../furniture/BothVersions.vue';
import HouseDialog from '../../furniture/HouseDialog.vue';
import { call } from '../../session/api';
import { useKeeping } from '../../session/keeping';
import { useSyllabus } from '../../session/queries';
import { offered, toggled, wishesOf } from './wishes';

const props = defineProps<{ student: StudentBody; mayWrite: boolean }>();
const emit = defineEmits<{ kept: [] }>();
const open = ref(false);
const { data: syllabus } = useSyllabus();
const goals = ref<readonly string[]>([]);
const mine = computed(() =>
  syllabus.value ? wishesOf({ goals: goals.value, skills: props.student.skills }, syllabus.value) : [],
);
const groups = computed(() => {
  const all = syllabus.value;
  if (!all) return [];
  const courses = new Set(all.courses.map(({ id }) => id));
  return [
    { title: 'Ways in', wishes: offered('way in', props.student.skills, all) },
    { title: 'Styles', wishes: offered('style', props.student.skills, all) },
    { title: 'Single skills', wishes: mine.value.filter(({ id }) => !courses.has(id)) },
  ].filter(({ wishes }) => wishes.length);
});
/** Ticks that are on their way. */
let waiting = 0;
const keeping = useKeeping<StudentBody>({
  name: 'What is wished for',
  send: async (version) =>
    (
      await call(routes.keepGoals, {
        params: { studentId: props.student.id },
        body: { version, goals: [...goals.value] },
      })
    ).version,
  newest: () => call(routes.student, { params: { studentId: props.student.id } }),
  versionOf: (theirs) => theirs.version,
  inWords: (theirs) =>
    syllabus.value
      ? wishesOf(theirs, syllabus.value)
          .map(({ name }) => name)
          .join(', ') || 'nothing'
      : '',
  show: (theirs) => (goals.value = theirs.goals),
});
watch(
  () => props.student,
  (now) => {
    // What was not kept stands until it is, beside what somebody else kept; so does a tick that is still to be sent.
    if (keeping.trouble.value || waiting) return;
    goals.value = now.goals;
    keeping.began(now.version);
  },
  { immediate: true },
);
// One after the other: a second tick waits for the version that the first one makes.
let before: Promise<unknown> = Promise.resolve();
function toggle(id: string) {
  goals.value = toggled(goals.value, id);
  waiting += 1;
  before = before.then(async () => {
    const kept = await keeping.keep();
    waiting -= 1;
    if (kept) emit('kept');
  });
}
</script>

<template>
  <section class="wishes" aria-labelledby="wishes">
    <div class="spread">
      <h2 id="wishes">Wished for</h2>
      <BButton v-if="mayWrite" size="sm" variant="outline-secondary" @click="open = true">Choose</BButton>
    </div>
    <p v-if="!mine.length" class="note">Nothing yet. A way in or a style makes the plan lean toward it.</p>
    <ul v-else>
      <li v-for="wish in mine" :key="wish.id">
        <span>{{ wish.name }}</span>
        <span class="note">{{ wish.held }} of {{ wish.of }} held</span>
      </li>
    </ul>
    <HouseDialog v-model="open" :title="`What ${student.name} wishes for`" scrollable>
      <p class="note">
        What is ticked weighs more when the next lesson is planned. It is kept as it is ticked.
      </p>
      <BothVersions :keeping="keeping" />
      <fieldset v-for="group in groups" :key="group.title">
        <legend>{{ group.title }}</legend>
        <BFormCheckbox
          v-for="wish in group.wishes"
          :key="wish.id"
          :model-value="goals.includes(wish.id)"
          @update:model-value="toggle(wish.id)"
        >
          <b>{{ wish.name }}</b> <span class="note">{{ wish.held }} of {{ wish.of }} held</span>
          <span v-if="wish.sentence" class="sentence">{{ wish.sentence }}</span>
        </BFormCheckbox>
      </fieldset>
    </HouseDialog>
  </section>
</template>

<style scoped>
.wishes,
fieldset {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
.wishes p,
.wishes ul {
  margin: 0;
}
li {
  display: flex;
  justify-content: space-between;
  gap: var(--space-3);
  border-top: 1px solid var(--line);
  padding: var(--space-1) 0;
  font-size: var(--size-2);
}
li .note {
  white-space: nowrap;
}
legend {
  font-size: var(--size-3);
  font-weight: 700;
  margin: var(--space-3) 0 var(--space-1);
}
.sentence {
  display: block;
  font-size: var(--size-2);
}
</style>
