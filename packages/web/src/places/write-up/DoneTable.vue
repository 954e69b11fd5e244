<script setup lang="ts">
/** Block by block: planned, done, takes, and what became of the promise. Only the minutes done are typed. */
import type { PlanBlock } from '@finch/core/planning';
import { BFormInput } from 'bootstrap-vue-next';
import { say } from '../../words';
import { CATEGORY } from '../../instruments/categories';
import { verdictOf, type Row, type Verdict } from './write-up-rows';

const props = defineProps<{ rows: readonly Row[]; planned: readonly PlanBlock[] }>();
const emit = defineEmits<{ minutes: [i: number, typed: unknown] }>();
const plannedFor = (row: Row) => props.planned.find((block) => block.id === row.blockId)?.minutes;
const takesOf = ({ takes: { clean, nearly, notYet } }: Row) =>
  clean + nearly + notYet === 0
    ? 'no take'
    : [clean && `${clean} clean`, nearly && `${nearly} nearly`, notYet && `${notYet} not yet`]
        .filter(Boolean)
        .join(', ');
const WORDS: Readonly<Record<Verdict, { text: string; look: string }>> = {
  brought: { text: 'brought', look: '' },
  besides: { text: 'not in the plan', look: '' },
  left: { text: 'left for next time', look: 'over' },
  'in part': { text: 'in part', look: '' },
  covered: { text: 'covered', look: 'ready' },
};
const verdict = (row: Row) => WORDS[verdictOf(row, plannedFor(row))];
</script>

<template>
  <table class="as-list">
    <thead>
      <tr>
        <th scope="col">block</th>
        <th scope="col">planned</th>
        <th scope="col">done</th>
        <th scope="col">takes</th>
        <th scope="col">promised against covered</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="(row, i) in rows" :key="row.blockId">
        <th scope="row">
          <svg width="16" height="13" aria-hidden="true">
            <rect width="16" height="13" :fill="`url(#cat-${CATEGORY[row.kind]})`" />
          </svg>
          {{ say(row.title) }}
        </th>
        <td data-label="planned">{{ plannedFor(row) ?? '–' }}</td>
        <td data-label="done, minutes">
          <BFormInput
            :model-value="row.minutes"
            type="number"
            min="0"
            max="240"
            step="1"
            size="sm"
            :aria-label="`Minutes done: ${say(row.title)}`"
            @update:model-value="(typed) => emit('minutes', i, typed)"
          />
        </td>
        <td data-label="takes">{{ takesOf(row) }}</td>
        <td data-label="promised against covered">
          <span class="tag" :class="verdict(row).look">{{ verdict(row).text }}</span>
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
table {
  width: 100%;
  font-size: var(--size-2);
  border-collapse: collapse;
  margin-top: var(--space-2);
}
th {
  text-align: left;
  font-weight: 400;
}
thead th {
  font-size: var(--size-1);
  color: var(--ink3);
  border-bottom: 2px solid var(--ink);
  padding: 2px var(--space-2) var(--space-1) 0;
}
tbody :is(th, td) {
  border-bottom: 1px solid var(--line);
  padding: var(--space-1) var(--space-2) var(--space-1) 0;
}
input[type='number'] {
  width: 76px;
  text-align: right;
  font-weight: 700;
}
</style>
