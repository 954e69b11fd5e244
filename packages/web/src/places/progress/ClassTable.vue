<script setup lang="ts">
/** Every skill by every student, in the order of what needs the teacher; a cell opens the student's story. */
import { BButton } from 'bootstrap-vue-next';
import { computed, ref } from 'vue';
import SegmentPick from '../../instruments/SegmentPick.vue';
import { useClass, useSyllabus } from '../../session/queries';
import { plural, sayError, whole } from '../../words';
import { classOrder, type ClassCell } from './class-order';

const emit = defineEmits<{ pick: [studentId: string] }>();
const { data, error, refetch } = useClass();
const { data: syllabus } = useSyllabus();
const ONLY = [
  { id: 'needs', name: 'What needs me' },
  { id: 'met', name: 'Met by anybody' },
  { id: 'every', name: 'All' },
] as const;
const only = ref<(typeof ONLY)[number]['id']>('needs');
const order = computed(() => (data.value ? classOrder(data.value, only.value) : null));
const names = computed(() => new Map((syllabus.value?.skills ?? []).map(({ id, name }) => [id, name])));
const STEPS = [0.2, 0.42, 0.62, 0.8];
const step = ({ chance }: ClassCell) =>
  chance === null ? '' : `m${STEPS.filter((limit) => chance >= limit).length + 1}`;
const SIGNS = { stuck: '‖', slipping: '<', due: '•' } as const;
const first = (name: string) => name.split(' ')[0];
const spoken = (cell: ClassCell) =>
  cell.chance === null ? 'not met' : `${whole(cell.chance)}${cell.mark ? `, ${cell.mark}` : ''}`;
</script>

<template>
  <section class="sheet class" aria-labelledby="every-skill">
    <div class="spread">
      <h2 id="every-skill">
        Every skill
        <span v-if="order" class="small"
          >{{ plural(order.rows.length, 'skill') }} by {{ plural(order.students.length, 'student') }}</span
        >
      </h2>
      <SegmentPick v-model="only" label="Which skills" :options="ONLY" />
    </div>
    <p class="small">
      ‖ stuck · &lt; slipping · • due · number: chance of a clean take. Who needs most stands first.
    </p>
    <p v-if="error && !data" class="refusal" role="alert">
      {{ sayError(error) }}
      <BButton size="sm" variant="outline-secondary" @click="refetch()">Try again</BButton>
    </p>
    <p v-else-if="!order" class="empty" role="status">Reading every log…</p>
    <p v-else-if="!order.rows.length" class="empty">
      {{ only === 'needs' ? 'Nothing is stuck, slipping or due.' : 'Nothing was met yet.' }}
    </p>
    <div v-else class="wide">
      <table>
        <thead>
          <tr>
            <th scope="col">Skill</th>
            <th v-for="one in order.students" :key="one.id" scope="col">
              <button type="button" :aria-label="`The story of ${one.name}`" @click="emit('pick', one.id)">
                <span>{{ first(one.name) }}</span>
              </button>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in order.rows" :key="row.skillId">
            <th scope="row">{{ names.get(row.skillId) ?? row.skillId }}</th>
            <td
              v-for="(cell, i) in row.cells"
              :key="order.students[i].id"
              :class="step(cell)"
              :title="`${order.students[i].name}, ${names.get(row.skillId) ?? row.skillId}: ${spoken(cell)}`"
            >
              <template v-if="cell.chance !== null"
                ><span v-if="cell.mark" class="mark" aria-hidden="true">{{ SIGNS[cell.mark] }}</span
                ><span class="visually-hidden">{{ cell.mark }}</span
                >{{ whole(cell.chance) }}</template
              ><span v-else class="visually-hidden">not met</span>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>

<style scoped>
.class {
  display: flex;
  flex-direction: column;
  gap: var(--space-1);
}
.wide {
  overflow: auto;
}
table {
  border-collapse: separate;
  border-spacing: 1px;
  font-size: var(--size-1);
}
thead th {
  vertical-align: bottom;
  height: 92px;
  padding: 0;
}
thead button {
  background: none;
  border: 0;
  padding: 0;
  width: 36px;
  height: 92px;
  color: var(--ink);
  display: flex;
  align-items: flex-end;
  justify-content: center;
}
thead span {
  writing-mode: vertical-rl;
  rotate: 180deg;
  font-weight: 400;
  white-space: nowrap;
}
tbody th,
thead th:first-child {
  position: sticky;
  left: 0;
  background: var(--sheet);
  text-align: left;
  font-weight: 400;
  min-width: 210px;
  max-width: 210px;
  line-height: 1.2;
  z-index: 1;
}
td {
  position: relative;
  min-width: 36px;
  height: 24px;
  text-align: right;
  padding: 0 var(--space-1) 0 0;
  font-variant-numeric: tabular-nums;
  color: var(--m-dark);
}
.mark {
  position: absolute;
  left: 1px;
  top: 1px;
  width: 12px;
  line-height: 13px;
  text-align: center;
  font-size: 11px;
  font-weight: 700;
  background: var(--wingbar);
  color: var(--on-wingbar);
}
.m1 {
  background: var(--m1);
}
.m2 {
  background: var(--m2);
}
.m3 {
  background: var(--m3);
}
.m4 {
  background: var(--m4);
  color: var(--m-light);
}
.m5 {
  background: var(--m5);
  color: var(--m-light);
}
[data-bs-theme='dark'] .m3 {
  color: #ffffff;
}
@media (pointer: coarse) {
  thead button {
    width: 44px;
  }
}
@media (max-width: 600px) {
  tbody th,
  thead th:first-child {
    min-width: 128px;
    max-width: 128px;
  }
}
@media (min-width: 1200px) {
  .class {
    flex: 1;
    min-height: 0;
  }
  thead th {
    position: sticky;
    top: 0;
    background: var(--sheet);
    z-index: 2;
  }
  thead th:first-child {
    z-index: 3;
  }
}
</style>
