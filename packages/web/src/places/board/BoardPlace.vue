<script setup lang="ts">
/** Who comes when and with what plan; who holds what; who needs the teacher. */
import { BButton, BFormSelect } from 'bootstrap-vue-next';
import { ref } from 'vue';
import { RouterLink } from 'vue-router';
import PatternDefs from '../../instruments/PatternDefs.vue';
import { useSeat } from '../../session/seat';
import { sayError } from '../../words';
import AskedList from './AskedList.vue';
import CarePanel from './CarePanel.vue';
import FirstDayRest from './FirstDayRest.vue';
import FirstSteps from './FirstSteps.vue';
import HeatMap from './HeatMap.vue';
import { ORDER_WORDS, ROW_ORDERS } from './row-order';
import TodayList from './TodayList.vue';
import { useBoardDesk } from './use-board-desk';

const desk = useBoardDesk();
const {
  data,
  error,
  refetch,
  lessons,
  picked,
  row,
  zone,
  nextIndex,
  current,
  order,
  students,
  heading,
  plansOwed,
  open,
  openStudent,
} = desk;
const seat = useSeat();
const allSkills = ref(false);
</script>

<template>
  <FirstSteps v-if="data && data.students.length === 0" />
  <div v-else class="board-place">
    <PatternDefs />
    <section class="sheet today" aria-labelledby="today">
      <div class="spread">
        <h1 id="today" class="h2like" tabindex="-1">{{ heading }}</h1>
        <span class="small">{{ seat.studio?.name }}</span>
      </div>
      <div v-if="error && !data" class="refusal" role="alert">
        {{ sayError(error) }}
        <BButton size="sm" variant="outline-secondary" @click="refetch()">Try again</BButton>
      </div>
      <p v-else-if="data && lessons.length === 0" class="empty">
        No lessons ahead. <RouterLink :to="{ name: 'week' }">Book one in the week</RouterLink>.
      </p>
      <TodayList
        v-if="lessons.length"
        :lessons="lessons"
        :picked="picked"
        :row="row"
        :next-index="nextIndex"
        :zone="zone"
        :now="seat.now()"
        @pick="(i) => (picked = i)"
        @open="open"
      />
      <div v-if="data" class="evening">
        <h2>This evening</h2>
        <p class="spread">
          <span class="note">Write-ups owed</span> <b>{{ data.writeUpsOwed }}</b>
        </p>
        <p class="spread">
          <span class="note">Plans not kept yet</span>
          <b>{{ plansOwed }}</b>
        </p>
      </div>
    </section>
    <FirstDayRest v-if="data" :board="data" />
    <section class="sheet heat" :class="{ folded: !allSkills }" aria-label="Who holds what">
      <BButton class="all-skills" variant="outline-secondary" @click="allSkills = !allSkills">{{
        allSkills ? 'Hide all skills' : 'All skills, everybody'
      }}</BButton>
      <HeatMap
        v-if="data"
        class="map"
        :strands="data.strands"
        :students="students"
        :picked="current?.studentId ?? null"
        @open="openStudent"
      >
        <label class="order small"
          >Order
          <BFormSelect
            v-model="order"
            size="sm"
            :options="ROW_ORDERS.map((value) => ({ value, text: ORDER_WORDS[value] }))"
        /></label>
      </HeatMap>
      <p v-else-if="!error" class="empty" role="status">Reading what each student holds…</p>
    </section>
    <div v-if="data" class="needs">
      <AskedList :board="data" @open="openStudent" />
      <CarePanel class="care" :board="data" @open="openStudent" />
    </div>
    <section v-else class="sheet care needs" aria-hidden="true" />
  </div>
</template>

<style scoped>
.board-place {
  display: grid;
  grid-template-columns: 344px minmax(0, 1fr);
  grid-template-rows: minmax(0, 1fr) auto auto;
  gap: var(--space-2);
}
.today {
  grid-row: 1 / 4;
  display: flex;
  flex-direction: column;
  padding: var(--space-3) 0;
}
.today > .spread,
.today > .empty,
.evening {
  padding: 0 var(--space-3);
}
.today > .refusal {
  margin: var(--space-2) var(--space-3);
}
.evening {
  border-top: 2px solid var(--ink);
  margin: var(--space-2) var(--space-3) 0;
  padding: var(--space-2) 0 0;
}
.heat {
  grid-column: 2;
  grid-row: 1;
  padding-bottom: 0;
  display: flex;
  flex-direction: column;
  min-height: 0;
}
.needs {
  grid-column: 2;
  grid-row: 2;
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
.care {
  min-height: 168px;
}
.all-skills {
  display: none;
}
.order {
  display: flex;
  align-items: center;
  gap: var(--space-2);
  white-space: nowrap;
}
@media (max-width: 1199px), (max-height: 599px) {
  .board-place {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: none;
  }
  .today,
  .heat,
  .needs {
    grid-row: auto;
    grid-column: 1;
  }
  .needs {
    order: 1;
  }
  .heat {
    order: 2;
    padding-bottom: var(--space-3);
  }
}
@media (max-width: 779px) {
  .all-skills {
    display: inline-flex;
    align-self: flex-start;
  }
  .folded .map {
    display: none;
  }
}
</style>
