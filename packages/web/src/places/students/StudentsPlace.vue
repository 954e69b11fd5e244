<script setup lang="ts">
import { routes } from '@finch/contract';
import { useQueryClient } from '@tanstack/vue-query';
import { BButton, BFormInput, BFormSelect } from 'bootstrap-vue-next';
import { v7 as uuid } from 'uuid';
import { computed, ref, useTemplateRef } from 'vue';
import { useRouter } from 'vue-router';
import { useKeys } from '../../app/keys';
import { daysAgo, sayError } from '../../words';
import { call } from '../../session/api';
import { useBench } from '../../session/bench';
import { useBoard } from '../../session/queries';
import StrandBar from './StrandBar.vue';

const { data, error, isPending, refetch } = useBoard();
const router = useRouter();
const bench = useBench();
const client = useQueryClient();
const find = ref('');
const group = ref('all');
const picked = ref(0);
const name = ref('');
const trouble = ref('');
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
function open(i: number) {
  const student = shown.value[i];
  if (!student) return;
  bench.put(student.id, null);
  void router.push({ name: 'student', params: { studentId: student.id } });
}
async function add() {
  trouble.value = '';
  try {
    const { id } = await call(routes.addStudent, { body: { id: uuid(), name: name.value, bornOn: null } });
    name.value = '';
    await client.invalidateQueries({ queryKey: ['board'] });
    bench.put(id, null);
    await router.push({ name: 'student', params: { studentId: id } });
  } catch (problem) {
    trouble.value = sayError(problem);
  }
}
const next = (iso: string | null) =>
  iso
    ? new Date(iso).toLocaleString('en-GB', {
        weekday: 'short',
        day: 'numeric',
        month: 'short',
        hour: '2-digit',
        minute: '2-digit',
        timeZone: data.value?.timeZone,
      })
    : 'none booked';
useKeys([
  { key: 'j', does: 'next', run: () => (picked.value = Math.min(picked.value + 1, shown.value.length - 1)) },
  { key: 'k', does: 'previous', run: () => (picked.value = Math.max(picked.value - 1, 0)) },
  { key: 'Enter', does: 'open student', run: () => open(picked.value) },
  { key: '/', does: 'find', run: () => findBox.value?.querySelector('input')?.focus() },
]);
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
      <form class="add" @submit.prevent="add">
        <BFormInput
          v-model="name"
          placeholder="name of a new student"
          aria-label="Name of a new student"
          maxlength="80"
          required
        /><BButton type="submit" variant="outline-secondary">Add</BButton>
      </form>
    </div>
    <p v-if="trouble" class="refusal" role="alert">{{ trouble }}</p>
    <p v-if="error" class="refusal">
      {{ sayError(error) }}
      <BButton size="sm" variant="outline-secondary" @click="refetch()">Try again</BButton>
    </p>
    <p v-else-if="isPending" class="empty">Reading the students…</p>
    <p v-else-if="!shown.length" class="empty">
      Nobody of that name here. Clear the search, or add them above.
    </p>
    <div v-else class="scroll people-scroll" tabindex="0" aria-label="List of students">
      <table>
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
            :class="{ on: i === picked }"
            @click="picked = i"
          >
            <th scope="row">
              <button type="button" class="display" @click="open(i)">{{ student.name }}</button>
              <span v-if="student.pain.status !== 'free'" class="tag over"
                >{{ student.pain.where }}: {{ student.pain.status }}</span
              >
            </th>
            <td>{{ student.age ?? '–' }}</td>
            <td>{{ student.groups.join(', ') || '–' }}</td>
            <td>
              {{ student.reachMm === null ? 'not measured' : `${student.reachMm} mm`
              }}{{ student.leftHanded ? ', left-handed' : '' }}
            </td>
            <td><StrandBar :cells="student.strands" :strands="data?.strands ?? []" /></td>
            <td class="num">{{ student.takes }}</td>
            <td>
              {{
                student.lastTakeAt === null
                  ? 'none yet'
                  : (['today', 'yesterday'][daysAgo(student.lastTakeAt)] ??
                    `${daysAgo(student.lastTakeAt)} days ago`)
              }}
            </td>
            <td>{{ next(student.next) }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>

<style>
.people {
  display: flex;
  flex-direction: column;
}
.people-head {
  display: grid;
  grid-template-columns: 1fr 220px 160px auto;
  gap: 12px;
  align-items: center;
  margin-bottom: 10px;
}
.people .add {
  display: flex;
  gap: 8px;
}
.people-scroll {
  flex: 1;
  min-height: 0;
}
.people table {
  width: 100%;
  border-collapse: collapse;
  font-size: 14px;
}
.people th {
  text-align: left;
  font-weight: 400;
}
.people thead th {
  position: sticky;
  top: 0;
  background: var(--sheet);
  font-size: 12.5px;
  color: var(--ink3);
  border-bottom: 2px solid var(--ink);
  padding: 4px 8px 4px 0;
  z-index: 1;
}
.people tbody :is(th, td) {
  border-bottom: 1px solid var(--line);
  padding: 6px 8px 6px 0;
}
.people tbody button {
  background: none;
  border: 0;
  padding: 4px;
  font-size: 19px;
  color: var(--ink);
}
.people tr.on {
  background: var(--wash-crown);
}
@media (max-width: 991px) {
  .people-head {
    grid-template-columns: 1fr 1fr;
  }
  .people-scroll {
    overflow-x: auto;
  }
}
</style>
