<script setup lang="ts">
/** A new student: a name is enough, a birthday and how long they have played may follow; somebody of that name is asked about first. */
import { routes } from '@finch/contract';
import { useQueryClient } from '@tanstack/vue-query';
import { BButton, BFormInput, BFormSelect } from 'bootstrap-vue-next';
import { v7 as uuid } from 'uuid';
import { ref, useTemplateRef, watch } from 'vue';
import { readAnew } from '../session/queries';
import { call, Refused } from '../session/api';
import { useBench } from '../session/bench';
import { useDrafts } from '../session/drafts';
import { sayError } from '../words';
import { playedChoices, playedMonths } from '../words/played-words';

defineProps<{ pri?: boolean }>();
const emit = defineEmits<{ added: [id: string] }>();
const bench = useBench();
const client = useQueryClient();
const drafts = useDrafts();
const KEY = 'new-student';
const kept = drafts.read<{ name: string; born: string; played?: string }>(KEY)?.value;
const name = ref(kept?.name ?? '');
const born = ref(kept?.born ?? '');
const played = ref(kept?.played ?? '');
const trouble = ref('');
const asksTwice = ref(false);
const busy = ref(false);
/** Made before the first press, so that a second one is the same student. */
let id = uuid();
watch([name, born, played], ([now, day, months]) => {
  asksTwice.value = false;
  trouble.value = '';
  if (now || day || months) drafts.write(KEY, { name: now, born: day, played: months });
  else drafts.drop(KEY);
});
async function add(another = false) {
  if (busy.value) return;
  busy.value = true;
  trouble.value = '';
  try {
    const made = await call(routes.addStudent, {
      body: {
        id,
        name: name.value,
        bornOn: born.value || null,
        playedMonths: playedMonths(played.value),
        another,
      },
    });
    id = uuid();
    name.value = born.value = played.value = '';
    drafts.drop(KEY);
    bench.put(made.id, null);
    // Before the Board is read anew: a first student takes the steps of the first day, and this form, off the screen.
    emit('added', made.id);
    void readAnew(client, 'board', 'progress', 'class');
  } catch (problem) {
    asksTwice.value = problem instanceof Refused && problem.problem.code === 'student.twice';
    trouble.value = sayError(problem);
  } finally {
    busy.value = false;
  }
}
const form = useTemplateRef<HTMLFormElement>('form');
defineExpose({ focus: () => form.value?.querySelector('input')?.focus() });
</script>

<template>
  <form ref="form" class="add" @submit.prevent="add()">
    <label class="grow">Name<BFormInput v-model="name" maxlength="80" required /></label>
    <label>Born on<BFormInput v-model="born" type="date" /></label>
    <label>Has played for<BFormSelect v-model="played" :options="playedChoices()" /></label>
    <BButton type="submit" :class="{ pri }" :variant="pri ? 'dark' : 'outline-secondary'" :disabled="busy"
      >Add a student</BButton
    >
    <p v-if="trouble" class="refusal" role="alert">
      {{ trouble }}
      <BButton v-if="asksTwice" size="sm" variant="outline-secondary" @click="add(true)"
        >Yes, another person</BButton
      >
    </p>
  </form>
</template>

<style scoped>
.add {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2) var(--space-3);
  align-items: flex-end;
}
label {
  font-size: var(--size-1);
  color: var(--ink2);
}
.grow {
  flex: 1 1 180px;
}
.refusal {
  flex: 1 0 100%;
}
@media (min-width: 1200px) {
  .add {
    min-width: 620px;
  }
}
</style>
