<script setup lang="ts">
/** What each check-up heard, item by item, term by term: the newest on the right. */
import type { CheckUpBody } from '@finch/contract';
import { computed } from 'vue';
import { chordText, dayText } from '../words';

const props = defineProps<{ before: CheckUpBody['before']; timeZone: string }>();
const MOST_TERMS = 6;
const terms = computed(() => props.before.slice(-MOST_TERMS));
const rows = computed(() => {
  const names = new Map(
    terms.value.flatMap(({ heard }) => heard.map((one) => [one.skillId, one.name] as const)),
  );
  return [...names].map(([skillId, name]) => ({
    skillId,
    name,
    heard: terms.value.map(({ heard }) => heard.find((one) => one.skillId === skillId) ?? null),
  }));
});
</script>

<template>
  <p v-if="!terms.length" class="empty">No check-up yet. The first one shows next term what changed.</p>
  <table v-else class="as-list">
    <thead>
      <tr>
        <th scope="col">Item</th>
        <th v-for="term in terms" :key="term.id" scope="col">{{ dayText(term.at, timeZone) }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in rows" :key="row.skillId">
        <th scope="row">{{ chordText(row.name) }}</th>
        <td v-for="(one, i) in row.heard" :key="terms[i].id" :data-label="dayText(terms[i].at, timeZone)">
          <template v-if="one"
            ><b>{{ one.result }}</b
            ><span v-if="one.tempoBpm" class="note"> at {{ one.tempoBpm }}</span></template
          ><span v-else class="note">not asked</span>
        </td>
      </tr>
    </tbody>
  </table>
</template>
