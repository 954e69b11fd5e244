<script setup lang="ts">
/** Why a skill's number is what it is: one sentence, what to try, what it is made of, and the takes that made it. */
import { BButton } from 'bootstrap-vue-next';
import { computed } from 'vue';
import HouseDialog from '../../furniture/HouseDialog.vue';
import { useWhy } from '../../session/queries';
import { plural, say, sayError, shortDate, whole } from '../../words';
import { apartText, movedText, partsOf, resultText, SOURCE_TEXT } from './why-parts';

const props = defineProps<{ studentId: string; skillId: string | null; name: string }>();
const open = defineModel<boolean>({ required: true });
const {
  data: why,
  error,
  refetch,
} = useWhy(
  () => props.studentId,
  () => (open.value ? props.skillId : null),
);
const parts = computed(() => (why.value ? partsOf(why.value) : []));
</script>

<template>
  <HouseDialog v-model="open" :title="name" size="lg" scrollable>
    <p v-if="error && !why" class="refusal" role="alert">
      {{ sayError(error) }}
      <BButton size="sm" variant="outline-secondary" @click="refetch()">Try again</BButton>
    </p>
    <p v-else-if="!why" class="empty" role="status">Reading its takes…</p>
    <div v-else class="why">
      <p class="story">
        <b v-if="why.now !== null" class="big">{{ whole(why.now) }}</b>{{ say(why.story) }}
      </p>
      <p v-if="why.advice" class="advice">{{ say(why.advice) }}</p>
      <ul v-if="parts.length" class="parts" aria-label="What the number is made of">
        <li v-for="part in parts" :key="part.text">
          <b>{{ part.points }}</b> {{ part.text }}
        </li>
      </ul>
      <template v-if="why.apart.length">
        <h3>Beside the number</h3>
        <ul class="parts">
          <li v-for="one in why.apart" :key="one.kind">{{ apartText(one) }}</li>
        </ul>
      </template>
      <template v-if="why.takes.length">
        <h3>
          {{ plural(why.counted, 'take')
          }}<span v-if="why.counted > why.takes.length" class="note">, the last {{ why.takes.length }}</span>
        </h3>
        <table>
          <thead>
            <tr>
              <th>Day</th>
              <th>Drill</th>
              <th class="num">Tempo</th>
              <th>Result</th>
              <th class="num">Number</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="take in why.takes" :key="take.id">
              <td class="day">{{ shortDate(take.at) }}</td>
              <td>
                {{ take.family
                }}<span v-if="SOURCE_TEXT[take.source]" class="note">, {{ SOURCE_TEXT[take.source] }}</span>
              </td>
              <td class="num">{{ take.tempoBpm ?? 'free' }}</td>
              <td :class="{ missed: take.result !== 'clean' }">{{ resultText(take) }}</td>
              <td class="num">{{ movedText(take) }}</td>
            </tr>
          </tbody>
        </table>
      </template>
    </div>
  </HouseDialog>
</template>

<style scoped>
.why {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
.why p {
  margin: 0;
}
.story {
  font-size: var(--size-4);
}
.big {
  font-size: var(--size-6);
  margin-right: var(--space-3);
}
.advice {
  border-left: 4px solid var(--wingbar);
  padding-left: var(--space-2);
}
.parts {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-1) var(--space-4);
  color: var(--ink2);
  font-size: var(--size-2);
}
table {
  width: 100%;
  font-size: var(--size-2);
}
th,
td {
  text-align: left;
  padding: var(--space-1);
  border-top: 1px solid var(--line);
  vertical-align: top;
}
th {
  color: var(--ink2);
  font-weight: 400;
}
.num {
  text-align: right;
  font-variant-numeric: tabular-nums;
  white-space: nowrap;
}
.day {
  white-space: nowrap;
}
.missed {
  font-weight: 700;
}
</style>
