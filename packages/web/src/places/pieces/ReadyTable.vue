<script lang="ts">
import type { ShareForecast } from '@finch/core/mastery';

export interface ReadyLine extends ShareForecast {
  readonly id: string;
  readonly name: string;
  /** Share of changes that come clean at the written tempo today. */
  readonly today: number;
}
</script>

<script setup lang="ts">
/** How ready each of the group is: changes of a hundred clean at the written tempo today, and what the day may bring. */
import { computed } from 'vue';

const props = defineProps<{ lines: readonly ReadyLine[]; tempoBpm: number; days: number }>();
const hundred = (share: number) => Math.round(100 * share);
const ahead = computed(() => props.days > 0);
const X = { left: 6, right: 94 };
const x = (share: number) => X.left + share * (X.right - X.left);
const spoken = (one: ReadyLine) =>
  `${hundred(one.today)} in 100 today${
    ahead.value
      ? `, ${hundred(one.going)} in 100 if practice goes on, ${hundred(one.untouched)} in 100 if nothing is played`
      : ''
  }`;
</script>

<template>
  <table class="ready">
    <caption class="small">
      Changes of a hundred clean at
      {{
        tempoBpm
      }}: today{{
        ahead
          ? `, and in ${days} days if practice goes on, with its band; the ring if nothing is played`
          : ''
      }}.
    </caption>
    <thead class="visually-hidden">
      <tr>
        <th>Who</th>
        <th>Picture</th>
        <th>Today</th>
        <th v-if="ahead">On the day</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="one in lines" :key="one.id">
        <th scope="row">{{ one.name.split(' ')[0] }}</th>
        <td>
          <svg width="100" height="18" viewBox="0 0 100 18" role="img" :aria-label="spoken(one)">
            <path :d="`M${X.left} 12H${X.right}`" stroke="var(--ink3)" />
            <template v-if="ahead">
              <rect :x="x(one.low)" y="8" :width="x(one.high) - x(one.low)" height="8" fill="var(--m2)" />
              <path :d="`M${x(one.going) - 4} 2h8l-4 6z`" fill="var(--crown)" />
              <circle
                :cx="x(one.untouched)"
                cy="12"
                r="3.4"
                fill="var(--sheet)"
                stroke="var(--ink2)"
                stroke-width="1.5"
              />
            </template>
            <path :d="`M${x(one.today)} 5V17`" stroke="var(--ink)" stroke-width="3" />
          </svg>
        </td>
        <td>
          <b>{{ hundred(one.today) }}</b>
        </td>
        <td v-if="ahead">
          → <b>{{ hundred(one.going) }}</b>
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.ready {
  width: 100%;
  font-size: var(--size-2);
}
caption {
  caption-side: top;
  padding: 0 0 var(--space-1);
}
th {
  font-weight: 400;
  text-align: left;
}
td {
  text-align: right;
}
tbody tr {
  border-top: 1px solid var(--line);
}
</style>
