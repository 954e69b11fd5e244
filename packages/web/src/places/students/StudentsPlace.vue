<script setup lang="ts">
/** Everyone the studio teaches, found by name or group; those put away below. */
import { BButton, BFormInput, BFormSelect } from 'bootstrap-vue-next';
import { computed, ref, useTemplateRef } from 'vue';
import { RouterLink, useRouter } from 'vue-router';
import { forwardBack, useKeys } from '../../app/keys';
import { useWalk } from '../../app/walk';
import AddStudent from '../../furniture/AddStudent.vue';
import { daysAgo, sayError, whenText } from '../../words';
import { useBench } from '../../session/bench';
import { useBoard } from '../../session/queries';
import StrandBar from './StrandBar.vue';

const { data, error, isPending, refetch } = useBoard();
const router = useRouter();
const bench = useBench();
const find = ref('');
const group = ref('all');
const findBox = useTemplateRef<HTMLElement>('findBox');
const groups = computed(() => [
  { value: 'all', text: 'Everyone' },
  ...[...new Set((data.value?.students ?? []).flatMap((student) => student.groups))].map((one) => ({
    value: one,
    text: one,
  })),
]);
const shown = computed(() =>
  (data.value?.students ?? [])
    .filter((student) => student.name.toLowerCase().includes(find.value.trim().toLowerCase()))
    .filter((student) => group.value === 'all' || student.groups.includes(group.value))
    .sort((a, b) => a.name.localeCompare(b.name)),
);
const { picked, step, row } = useWalk(() => shown.value.length);
function open(i: number) {
  const student = shown.value[i];
  if (!student) return;
  bench.put(student.id, null);
  void router.push({ name: 'student', params: { studentId: student.id } });
}
const opened = (id: string) => void router.push({ name: 'student', params: { studentId: id } });
const next = (iso: string | null) => (iso ? whenText(iso, data.value?.timeZone ?? 'UTC') : 'none booked');
const adding = useTemplateRef<InstanceType<typeof AddStudent>>('adding');
useKeys('students', {
  student: forwardBack(step),
  open: () => open(picked.value),
  add: () => adding.value?.focus(),
  find: () => findBox.value?.querySelector('input')?.focus(),
});
</script>

<template>
  <section class="sheet people">
    <div class="people-head">
      <h1 class="h2like">
        Students <span class="small">{{ data ? `${shown.length} of ${data.students.length}` : '' }}</span>
      </h1>
      <div ref="findBox">
        <BFormInput v-model="find" placeholder="find by name" aria-label="Find by name" />
      </div>
      <BFormSelect v-model="group" :options="groups" aria-label="Group" />
      <AddStudent ref="adding" class="adding" @added="opened" />
    </div>
    <p v-if="error" class="refusal">
      {{ sayError(error) }}
      <BButton size="sm" variant="outline-secondary" @click="refetch()">Try again</BButton>
    </p>
    <p v-else-if="isPending" class="empty" role="status">Reading the students…</p>
    <p v-else-if="!data?.students.length" class="empty">Nobody is here yet. Add the first student above.</p>
    <p v-else-if="!shown.length" class="empty">
      Nobody of that name here. Clear the search, or add them above.
    </p>
    <div v-else class="scroll people-scroll" tabindex="0" aria-label="List of students">
      <table class="as-list">
        <thead>
          <tr>
            <th scope="col">Name</th>
            <th scope="col">Age</th>
            <th scope="col">Group</th>
            <th scope="col">Reach 1–4</th>
            <th scope="col">Holds</th>
            <th scope="col">Takes</th>
            <th scope="col">Last take</th>
            <th scope="col">Next lesson</th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="(student, i) in shown"
            :key="student.id"
            :ref="row(i)"
            :aria-current="i === picked ? 'true' : undefined"
            :class="{ on: i === picked }"
            @click="picked = i"
          >
            <th scope="row">
              <button type="button" class="display" @click="open(i)">{{ student.name }}</button>
              <span v-if="student.pain.status !== 'free'" class="tag over"
                >{{ student.pain.where }}: {{ student.pain.status }}</span
              >
            </th>
            <td data-label="age">{{ student.age ?? '–' }}</td>
            <td data-label="group">{{ student.groups.join(', ') || '–' }}</td>
            <td data-label="reach 1–4">
              {{ student.reachMm === null ? 'not measured' : `${student.reachMm} mm`
              }}{{ student.leftHanded ? ', left-handed' : '' }}
            </td>
            <td data-label="holds"><StrandBar :cells="student.strands" :strands="data?.strands ?? []" /></td>
            <td class="num" data-label="takes">{{ student.takes }}</td>
            <td data-label="last take">
              {{
                student.lastTakeAt === null
                  ? 'none yet'
                  : (['today', 'yesterday'][daysAgo(student.lastTakeAt)] ??
                    `${daysAgo(student.lastTakeAt)} days ago`)
              }}
            </td>
            <td data-label="next lesson">{{ next(student.next) }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <details v-if="data?.archived.length" class="away">
      <summary>Put away ({{ data.archived.length }})</summary>
      <ul>
        <li v-for="one in data.archived" :key="one.id">
          <RouterLink :to="{ name: 'student', params: { studentId: one.id } }">{{ one.name }}</RouterLink>
        </li>
      </ul>
    </details>
  </section>
</template>

<style scoped>
.people {
  display: flex;
  flex-direction: column;
}
.people-head {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2) var(--space-3);
  align-items: flex-end;
  margin-bottom: var(--space-2);
}
.people-head h1 {
  align-self: center;
}
.people-head .form-select {
  width: auto;
}
.adding {
  margin-left: auto;
}
.away {
  margin-top: var(--space-2);
  font-size: var(--size-2);
}
.away summary {
  min-height: 32px;
}
.away li {
  padding: var(--space-1) 0;
}
.people-scroll {
  flex: 1;
  min-height: 0;
}
.people table {
  width: 100%;
  border-collapse: collapse;
  font-size: var(--size-2);
}
.people th {
  text-align: left;
  font-weight: 400;
}
.people thead th {
  position: sticky;
  top: 0;
  background: var(--sheet);
  font-size: var(--size-1);
  color: var(--ink3);
  border-bottom: 2px solid var(--ink);
  padding: var(--space-1) var(--space-2) var(--space-1) 0;
  z-index: 1;
}
.people tbody :is(th, td) {
  border-bottom: 1px solid var(--line);
  padding: var(--space-1) var(--space-2) var(--space-1) 0;
}
.people tbody button {
  background: none;
  border: 0;
  padding: var(--space-1);
  font-size: var(--size-4);
  color: var(--ink);
  text-align: left;
  overflow-wrap: anywhere;
  min-height: 32px;
}
@media (pointer: coarse) {
  .people tbody button {
    min-height: 44px;
  }
}
.people tr.on {
  background: var(--wash-crown);
}
@media (max-width: 779px) {
  .people-head > * {
    flex: 1 1 100%;
  }
}
</style>
