<script setup lang="ts">
/** The studio's schools: each switch for the studio, for its teacher, for the student on the bench. */
import { routes, type SchoolScope, type SomeSchools } from '@finch/contract';
import { SCHOOL_CHOICES, type SchoolSwitch } from '@finch/core/shapes';
import { BButton, BFormSelect } from 'bootstrap-vue-next';
import { computed, ref } from 'vue';
import { sayError } from '../../words';
import { call } from '../../session/api';
import { useBench } from '../../session/bench';
import { useSeat } from '../../session/seat';
import { useSchools } from '../../session/schools';
import { useTaught } from '../../session/taught';
import StudioNames from './StudioNames.vue';
import { SWITCHES, SWITCH_WORDS } from './school-words';

const seat = useSeat();
const bench = useBench();
const { data, error, refetch } = useSchools(() => bench.studentId);
const { student, refresh } = useTaught(() => bench.studentId);
const said = ref('');
const trouble = ref('');
const layers = computed(() => {
  const body = data.value;
  if (!body) return [];
  return [
    { scope: 'studio' as const, name: 'Studio', layer: body.studio },
    ...(body.teacher
      ? [{ scope: 'teacher' as const, name: student.value ? 'Teacher' : 'You', layer: body.teacher }]
      : []),
    ...(body.student
      ? [
          {
            scope: 'student' as const,
            name: student.value?.name.split(' ')[0] ?? 'Student',
            layer: body.student,
          },
        ]
      : []),
  ];
});
/** Where this layer says nothing: whose word holds instead. */
function unsaid(scope: SchoolScope): string {
  const layer = layers.value[layers.value.findIndex((one) => one.scope === scope) - 1];
  if (!layer) return 'the usual way';
  return `as ${layer.scope === 'studio' ? 'the studio' : layer.name === 'You' ? 'you' : 'the teacher'}`;
}
const options = (scope: SchoolScope, name: SchoolSwitch) => [
  { value: '', text: unsaid(scope) },
  ...SCHOOL_CHOICES[name].map((choice) => ({ value: choice, text: SWITCH_WORDS[name].choices[choice] })),
];
/** One after the other: each choice is written over the version the one before it left. */
let last: Promise<void> = Promise.resolve();
const choose = (scope: SchoolScope, name: SchoolSwitch, value: string) =>
  (last = last.then(() => write(scope, name, value)));
async function write(scope: SchoolScope, name: SchoolSwitch, value: string) {
  const found = layers.value.find((one) => one.scope === scope);
  if (!found) return;
  trouble.value = '';
  const { [name]: _, ...others } = found.layer.says;
  const says = (value ? { ...others, [name]: value } : others) as SomeSchools;
  try {
    await call(routes.keepSchools, {
      params: { scope, subjectId: found.layer.subjectId },
      body: { version: found.layer.version, says },
    });
    said.value = `${SWITCH_WORDS[name].name}: kept for ${found.name}; it holds on every screen now.`;
  } catch (problem) {
    trouble.value = `${sayError(problem)} The table shows what holds now.`;
  }
  await refresh();
}
</script>

<template>
  <div class="studio">
    <StudioNames v-if="!seat.has('self-taught')" />
    <section class="sheet scroll schools" aria-label="Schools" tabindex="0">
      <div class="spread">
        <h1 class="h2like" tabindex="-1">Schools</h1>
        <p class="note">
          Good teachers differ. What is set here changes what is proposed, fingered and printed; no record
          changes.
        </p>
      </div>
      <p v-if="error" class="refusal">
        {{ sayError(error) }}
        <BButton size="sm" variant="outline-secondary" @click="refetch()">Try again</BButton>
      </p>
      <p v-else-if="!data" class="empty" role="status">Looking up what holds…</p>
      <table v-else class="as-list">
        <thead>
          <tr>
            <th scope="col">Matter</th>
            <th v-for="one in layers" :key="one.scope" scope="col">{{ one.name }}</th>
            <th scope="col">Holds</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="name in SWITCHES" :key="name">
            <th scope="row">
              {{ SWITCH_WORDS[name].name }}<small>{{ SWITCH_WORDS[name].about }}</small>
            </th>
            <td v-for="one in layers" :key="one.scope" :data-label="one.name">
              <BFormSelect
                size="sm"
                :aria-label="`${SWITCH_WORDS[name].name}, ${one.name}`"
                :options="options(one.scope, name)"
                :disabled="!one.layer.mayChange"
                :model-value="one.layer.says[name] ?? ''"
                @update:model-value="(value) => choose(one.scope, name, String(value))"
              />
            </td>
            <td class="holds" data-label="holds">{{ SWITCH_WORDS[name].choices[data.holds[name]] }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="data && !data.student" class="small">
        Put a student on the bench to settle a matter for that student alone.
      </p>
      <p v-if="data && !data.studio.mayChange" class="small">
        The studio’s own column is the owner’s to change.
      </p>
      <p v-if="said" class="note" role="status">{{ said }}</p>
      <p v-if="trouble" class="refusal" role="alert">{{ trouble }}</p>
    </section>
  </div>
</template>

<style scoped>
.studio {
  display: grid;
  gap: var(--space-2);
  grid-template-rows: auto minmax(0, 1fr);
}
.studio > * {
  min-height: 0;
}
.schools {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
.schools table {
  width: 100%;
  font-size: var(--size-2);
}
.schools th,
.schools td {
  padding: var(--space-1) var(--space-3) var(--space-1) 0;
  text-align: left;
  vertical-align: middle;
}
.schools tbody tr {
  border-top: 1px solid var(--line);
}
.schools tbody th small {
  display: block;
  font-weight: 400;
  color: var(--ink2);
}
.schools .holds {
  font-weight: 700;
}
</style>
