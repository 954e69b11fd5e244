<script setup lang="ts">
import { routes, type Seat } from '@finch/contract';
import { useQuery } from '@tanstack/vue-query';
import { BButton } from 'bootstrap-vue-next';
import { computed, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import FinchMark from '../../app/FinchMark.vue';
import { homeOf } from '../../app/home';
import { useKeys } from '../../app/keys';
import { sayError } from '../../words';
import { call } from '../../session/api';
import { useBench } from '../../session/bench';
import { useSeat } from '../../session/seat';

const seat = useSeat();
const bench = useBench();
const router = useRouter();
const route = useRoute();
const { data, error, refetch } = useQuery({ queryKey: ['seats'], queryFn: () => call(routes.seats) });
const seats = computed(() => data.value?.seats ?? []);
const trouble = ref('');
const what: Record<string, string> = {
  teacher: 'the day’s lessons, plans, shapes for every hand',
  owner: 'everything a teacher sees, and the studio’s name',
  student: 'the Practice room alone: today’s short list',
  guardian: 'one child’s week; reads only',
  'self-taught': 'teacher and student in one; left-handed',
};

async function sit(one: Seat) {
  trouble.value = '';
  try {
    await seat.sitDown(one.membershipId);
    bench.clear();
    if (one.roles.includes('self-taught') && one.studentId) bench.put(one.studentId, null);
    const then = typeof route.query.then === 'string' ? route.query.then : null;
    await router.push(then ?? homeOf(one.roles, one.studentId));
  } catch (problem) {
    trouble.value = sayError(problem);
  }
}
useKeys('sit', { sit: (at) => void (seats.value[at] && sit(seats.value[at])) });
// A studio with one seat has nobody else to be.
watch(seats, (all) => {
  if (all.length === 1 && !seat.seat && !seat.studio?.demo) void sit(all[0]);
});
</script>

<template>
  <div class="sit">
    <section class="sheet">
      <h1 class="display"><FinchMark /> Zealous Finch</h1>
      <p v-if="seat.studio?.demo" class="note">
        {{ seat.studio.name }}, pit band of a travelling puppet theatre that winters on an invented island.
        Sit down as:
      </p>
      <p v-else class="note">Sit down as:</p>
      <p v-if="error" class="refusal">
        {{ sayError(error) }}
        <BButton size="sm" variant="outline-secondary" @click="refetch()">Try again</BButton>
      </p>
      <p v-if="trouble" class="refusal" role="alert">{{ trouble }}</p>
      <ul class="seats">
        <li v-for="(one, i) in seats" :key="one.membershipId">
          <kbd>{{ i + 1 }}</kbd>
          <div>
            <div>
              <span class="display person">{{ one.name }}</span> <span class="small">{{ one.about }}</span>
            </div>
            <div class="note">{{ what[one.roles[0]] }}</div>
          </div>
          <BButton variant="outline-secondary" :class="{ pri: i === 0 }" @click="sit(one)"
            >Sit down<span class="visually-hidden"> as {{ one.name }}</span></BButton
          >
        </li>
      </ul>
      <p v-if="seat.studio?.demo" class="small">
        Made up: 24 students from 8 to 71 and fourteen weeks, played by simulated players. No password; this
        server answers on this computer alone. Nothing here is medical advice.
      </p>
    </section>
  </div>
</template>

<style scoped>
.sit {
  display: grid;
  place-items: start center;
  overflow-y: auto;
  padding-top: 5vh;
  height: 100%;
}
.sit .sheet {
  width: min(620px, 100%);
  padding: var(--space-5) var(--space-5);
}
.sit h1 {
  font-size: var(--size-7);
  margin-bottom: var(--space-2);
}
.sit .seats {
  margin: var(--space-3) 0;
  border-top: 1px solid var(--line);
}
.sit .seats li {
  display: grid;
  grid-template-columns: auto 1fr auto;
  gap: var(--space-4);
  align-items: center;
  padding: var(--space-3) 0;
  border-bottom: 1px solid var(--line);
}
.sit .person {
  font-size: var(--size-5);
}
</style>
