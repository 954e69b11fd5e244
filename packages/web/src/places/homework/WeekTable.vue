<script setup lang="ts">
/** The week: drills down, days across, minutes in the cells; days off are hatched, days that are over say so. */
import { dayMinutes, type HomeWeek } from '@finch/core/planning';
import { computed } from 'vue';
import IconCheck from '~icons/bi/check-lg';
import { CATEGORY } from '../../instruments/categories';
import { BLOCK_WORDS, plural, say } from '../../words';
import { weekdayText, whenPlayed, wholeDay } from './week-words';

const props = defineProps<{
  week: HomeWeek;
  /** Days on which a skill was played, by skill. */
  played: Readonly<Record<string, readonly string[]>>;
  picked: { readonly row: number; readonly day: number };
}>();
const emit = defineEmits<{ pick: [row: number, day: number] }>();
const sums = computed(() => props.week.days.map((_, i) => dayMinutes(props.week, i)));
const most = computed(() => Math.max(...props.week.days.map(({ minutes }) => minutes)));
const wasPlayed = (skillId: string | null, day: string) =>
  skillId !== null && (props.played[skillId] ?? []).includes(day);
const spoken = (row: HomeWeek['rows'][number], i: number) => {
  const { day } = props.week.days[i];
  const lasts = row.minutes[i];
  return `${say(row.title)}, ${wholeDay(day)}: ${lasts ? plural(lasts, 'minute') : 'not played'}${
    wasPlayed(row.skillId, day) ? ', played' : ''
  }`;
};
</script>

<template>
  <div class="wide" tabindex="0" aria-label="Homework, day by day">
    <table>
      <thead>
        <tr>
          <th scope="col" class="small">{{ most }} minutes a day at most</th>
          <th v-for="{ day } in week.days" :key="day" scope="col">{{ weekdayText(day) }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(row, r) in week.rows" :key="row.id" :class="{ picked: picked.row === r }">
          <th scope="row">
            <span class="kind">
              <svg width="12" height="12" aria-hidden="true">
                <rect width="12" height="12" :fill="`url(#cat-${CATEGORY[row.kind]})`" />
              </svg>
              <span class="visually-hidden">{{ BLOCK_WORDS[row.kind] }}: </span>{{ say(row.title) }}
            </span>
            <span class="note">{{ whenPlayed(row, week.days) }}</span>
          </th>
          <td v-for="(lasts, d) in row.minutes" :key="d" :class="{ off: week.days[d].minutes === 0 }">
            <button
              :id="`cell-${r}-${d}`"
              type="button"
              class="cell"
              :class="{ none: lasts === 0 }"
              :tabindex="picked.row === r && picked.day === d ? 0 : -1"
              :aria-label="spoken(row, d)"
              :aria-pressed="picked.row === r && picked.day === d"
              @click="emit('pick', r, d)"
            >
              <svg v-if="lasts > 0" class="strip" width="100%" height="100%" aria-hidden="true">
                <rect width="100%" height="100%" :fill="`url(#cat-${CATEGORY[row.kind]})`" />
              </svg>
              <span v-if="lasts > 0" class="plaque">{{ lasts }}</span>
              <IconCheck v-if="wasPlayed(row.skillId, week.days[d].day)" class="was" aria-hidden="true" />
            </button>
          </td>
        </tr>
      </tbody>
      <tfoot>
        <tr>
          <th scope="row" class="small">the day’s minutes</th>
          <td v-for="(sum, d) in sums" :key="d" :class="{ over: sum > week.days[d].minutes }" class="sum">
            <template v-if="week.days[d].minutes > 0 || sum > 0"
              ><b>{{ sum }}</b
              ><span v-if="sum > week.days[d].minutes"> of {{ week.days[d].minutes }}</span></template
            ><span v-else class="note">off</span>
          </td>
        </tr>
      </tfoot>
    </table>
  </div>
</template>

<style scoped>
.wide {
  overflow-x: auto;
}
table {
  width: 100%;
  border-collapse: collapse;
}
thead th {
  font-size: var(--size-2);
  text-align: center;
  white-space: nowrap;
  padding: var(--space-1);
}
thead th:first-child,
tbody th,
tfoot th {
  text-align: left;
  font-weight: 400;
}
tbody tr {
  border-top: 1px solid var(--line);
}
tbody th {
  padding: var(--space-2) var(--space-2) var(--space-2) 0;
  min-width: 170px;
}
.kind {
  display: flex;
  gap: var(--space-2);
  align-items: baseline;
  font-weight: 700;
}
.kind svg {
  flex: none;
}
tbody th .note {
  display: block;
}
td {
  padding: 2px;
  text-align: center;
  min-width: 54px;
}
td.off {
  background: repeating-linear-gradient(135deg, transparent 0 5px, var(--line) 5px 6px);
}
.cell {
  position: relative;
  display: grid;
  place-items: center;
  width: 100%;
  min-height: 34px;
  border: 0;
  background: none;
  padding: 0;
  color: inherit;
}
.cell.none {
  outline: 1px dashed var(--line);
  outline-offset: -6px;
}
.cell[aria-pressed='true'] {
  box-shadow: 0 0 0 3px var(--crown);
}
.strip {
  position: absolute;
  inset: 0;
}
.plaque {
  position: relative;
  background: var(--sheet);
  border-radius: 2px;
  padding: 0 var(--space-1);
  font-weight: 700;
}
.was {
  position: absolute;
  right: 2px;
  bottom: 2px;
  background: var(--sheet);
  border-radius: 2px;
}
.sum.over {
  color: var(--breast);
}
@media (pointer: coarse) {
  .cell {
    min-height: 44px;
  }
}
</style>
