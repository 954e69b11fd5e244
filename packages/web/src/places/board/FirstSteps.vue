<script setup lang="ts">
/** A studio with nothing in it: the first steps, of which only two are needed to teach today. */
import { routes } from '@finch/contract';
import { BButton, BFormInput } from 'bootstrap-vue-next';
import { computed, ref, useTemplateRef } from 'vue';
import { RouterLink, useRouter } from 'vue-router';
import { useKeys } from '../../app/keys';
import AddStudent from '../../furniture/AddStudent.vue';
import ZonePick from '../../furniture/ZonePick.vue';
import { sayError } from '../../words';
import NeckBoard from '../../instruments/NeckBoard.vue';
import { call } from '../../session/api';
import { useSeat } from '../../session/seat';

const seat = useSeat();
const router = useRouter();
const named = computed(() => (seat.studio?.name ?? '') !== '');
const studio = ref(seat.studio?.name ?? '');
const teacher = ref(seat.seat?.name === 'Teacher' ? '' : (seat.seat?.name ?? ''));
const zone = ref(Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC');
const trouble = ref('');

async function attempt(work: () => Promise<void>) {
  trouble.value = '';
  try {
    await work();
  } catch (error) {
    trouble.value = sayError(error);
  }
}
const keepName = () =>
  attempt(async () =>
    seat.take(
      await call(routes.nameStudio, {
        body: { name: studio.value, teacher: teacher.value, timeZone: zone.value },
      }),
    ),
  );
const adding = useTemplateRef<InstanceType<typeof AddStudent>>('adding');
const opened = (id: string) => void router.push({ name: 'student', params: { studentId: id } });
useKeys('firstDay', { add: () => adding.value?.focus() });
const bare = [0, 0, 0, 0, 0, 0] as const;
</script>

<template>
  <div class="first sheet scroll">
    <div class="spread row-line head">
      <h1 class="display">The bench is clear</h1>
      <span class="note">only the first two are needed to teach today</span>
    </div>
    <p v-if="trouble" class="refusal" role="alert">{{ trouble }}</p>
    <section class="step" :class="{ on: !named }">
      <b>1</b>
      <div>
        <h2>Name the studio</h2>
        <form v-if="!named" class="fields" @submit.prevent="keepName">
          <label>Studio<BFormInput v-model="studio" maxlength="80" required /></label>
          <label>Your name<BFormInput v-model="teacher" maxlength="80" required /></label>
          <label>Time zone<ZonePick v-model="zone" /></label>
          <BButton type="submit" class="pri" variant="dark">Keep the name</BButton>
        </form>
        <p v-else class="note">
          {{ seat.studio?.name }} · {{ seat.studio?.timeZone }} · <span class="tag ready">done</span>
        </p>
      </div>
    </section>
    <section class="step" :class="{ on: named }">
      <b>2</b>
      <div>
        <h2>Put the first student on the bench</h2>
        <p class="note">
          A name is enough; the birthday sets a child’s limits, the time of playing the first tempi.
        </p>
        <AddStudent ref="adding" :pri="named" @added="opened" />
      </div>
    </section>
    <section class="step">
      <b>3</b>
      <div>
        <h2>Measure the hand</h2>
        <p class="note">
          On the student’s page: as wide as stays easy between fingers 1 and 4. Until then a middle hand is
          assumed, and said to be.
        </p>
      </div>
    </section>
    <section class="step">
      <b>4</b>
      <div>
        <h2>Take the first plan to the bench</h2>
        <p class="note">Proposed from the syllabus and the hand; five takes make it less of a guess.</p>
      </div>
    </section>
    <NeckBoard :frets="bare" :fingers="bare" spoken="An empty neck" :height="150" />
    <p class="note">No shapes in use yet. <RouterLink to="/shapes">Type a chord in Shapes</RouterLink>.</p>
  </div>
</template>

<style scoped>
.first {
  max-width: 900px;
  margin: 0 auto;
}
.first .head {
  padding-bottom: var(--space-2);
}
.first h1 {
  font-size: var(--size-6);
}
.step {
  display: grid;
  grid-template-columns: 34px 1fr;
  padding: var(--space-3) var(--space-2);
  border-bottom: 1px solid var(--line);
}
.step > b {
  font-size: var(--size-5);
  color: var(--ink2);
}
.step.on {
  background: var(--wash-crown);
}
.fields {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3);
  align-items: flex-end;
  margin-top: var(--space-2);
}
.fields label {
  font-size: var(--size-1);
  color: var(--ink2);
}
</style>
