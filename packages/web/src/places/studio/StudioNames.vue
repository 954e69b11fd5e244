<script setup lang="ts">
/** What the studio is called, where its clocks stand, and what those who teach here are called. The owner's to change. */
import { routes } from '@finch/contract';
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { BButton, BFormInput } from 'bootstrap-vue-next';
import { computed, ref } from 'vue';
import DraftNote from '../../furniture/DraftNote.vue';
import ZonePick from '../../furniture/ZonePick.vue';
import { useDraft } from '../../session/use-draft';
import { readAnew } from '../../session/queries';
import { call } from '../../session/api';
import { useNotices } from '../../session/notices';
import { useSeat } from '../../session/seat';
import { sayError } from '../../words';

const seat = useSeat();
const notices = useNotices();
const client = useQueryClient();
const owns = computed(() => seat.has('owner'));
const { data } = useQuery({ queryKey: ['seats'], queryFn: () => call(routes.seats) });
const teachers = computed(
  () =>
    data.value?.seats.filter((one) => one.roles.some((role) => role === 'teacher' || role === 'owner')) ?? [],
);
interface Names {
  studio: string;
  zone: string;
  /** By membership. */
  teachers: Record<string, string>;
}
const typed = ref<Names>({ studio: '', zone: '', teachers: {} });
const draft = useDraft({
  key: () => 'studio-names',
  value: typed,
  kept: () => ({
    studio: seat.studio?.name ?? '',
    zone: seat.studio?.timeZone ?? '',
    teachers: Object.fromEntries(teachers.value.map((one) => [one.membershipId, one.name])),
  }),
  open: () => data.value !== undefined,
});
const busy = ref(false);
async function keep() {
  busy.value = true;
  try {
    for (const one of teachers.value) {
      const name = typed.value.teachers[one.membershipId]?.trim();
      if (name && name !== one.name && (owns.value || one.membershipId === seat.seat?.membershipId))
        await call(routes.nameSeat, { params: { membershipId: one.membershipId }, body: { name } });
    }
    if (owns.value)
      await call(routes.nameStudio, {
        body: {
          name: typed.value.studio,
          teacher: typed.value.teachers[seat.seat?.membershipId ?? ''] ?? seat.seat?.name ?? '',
          timeZone: typed.value.zone,
        },
      });
    draft.done();
    await seat.open();
    await readAnew(client, 'seats', 'board');
    notices.tell('Names and time zone are kept.');
  } catch (problem) {
    notices.trouble(sayError(problem));
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <section class="sheet names" aria-label="Studio and teachers">
    <h2>Studio and teachers</h2>
    <DraftNote :draft="draft" />
    <form @submit.prevent="keep">
      <label>Studio<BFormInput v-model="typed.studio" maxlength="80" required :disabled="!owns" /></label>
      <label>Time zone<ZonePick v-if="data" v-model="typed.zone" :disabled="!owns" /></label>
      <label v-for="one in teachers" :key="one.membershipId"
        >{{ one.roles.join(' and ')
        }}<BFormInput
          v-model="typed.teachers[one.membershipId]"
          maxlength="80"
          required
          :disabled="!owns && one.membershipId !== seat.seat?.membershipId"
      /></label>
      <BButton type="submit" variant="outline-secondary" :disabled="busy">Keep names</BButton>
    </form>
    <p v-if="!owns" class="small">
      The studio’s name and its zone are the owner’s to change; your name is yours.
    </p>
  </section>
</template>

<style scoped>
form {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2) var(--space-3);
  align-items: flex-end;
}
label {
  font-size: var(--size-1);
  color: var(--ink2);
  flex: 0 1 220px;
}
</style>
