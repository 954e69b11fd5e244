<script setup lang="ts">
/** Who the student is: name and birthday; put away and brought back; entered twice; erased for good. */
import { routes, type StudentBody } from '@finch/contract';
import { useQueryClient } from '@tanstack/vue-query';
import { BButton, BFormInput, BFormSelect } from 'bootstrap-vue-next';
import { computed, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import HouseDialog from '../../furniture/HouseDialog.vue';
import BothVersions from '../../furniture/BothVersions.vue';
import { call, Refused } from '../../session/api';
import { useBench } from '../../session/bench';
import { useDrafts } from '../../session/drafts';
import { useKeeping } from '../../session/keeping';
import { useNotices } from '../../session/notices';
import { readAnew, useBoard } from '../../session/queries';
import { useSeat } from '../../session/seat';
import { sayError } from '../../words';

const props = defineProps<{ student: StudentBody }>();
const open = defineModel<boolean>({ required: true });
const seat = useSeat();
const bench = useBench();
const router = useRouter();
const client = useQueryClient();
const notices = useNotices();
const drafts = useDrafts();
const { data: board } = useBoard();
const name = ref('');
const bornOn = ref('');
const another = ref(false);
const asksTwice = ref(false);
const double = ref('');
const sure = ref(false);
const typedName = ref('');
const trouble = ref('');
const draft = computed(() => `person:${props.student.id}`);
const others = computed(() =>
  [...(board.value?.students ?? []), ...(board.value?.archived ?? [])]
    .filter((one) => one.id !== props.student.id)
    .map((one) => ({ value: one.id, text: one.name })),
);
function lay(student: StudentBody) {
  name.value = student.name;
  bornOn.value = student.bornOn ?? '';
}
watch(
  open,
  (now) => {
    if (!now) return;
    lay(props.student);
    const kept = drafts.read<{ name: string; bornOn: string }>(draft.value);
    if (kept) ({ name: name.value, bornOn: bornOn.value } = kept.value);
    asksTwice.value = another.value = sure.value = false;
    typedName.value = double.value = trouble.value = '';
    keeping.began(props.student.version);
  },
  { flush: 'post' },
);
watch([name, bornOn], ([to, born]) => {
  another.value = asksTwice.value = false;
  if (open.value && (to !== props.student.name || born !== (props.student.bornOn ?? '')))
    drafts.write(draft.value, { name: to, bornOn: born });
});
const send = (version: number, archived: boolean) =>
  call(routes.keepStudent, {
    params: { studentId: props.student.id },
    body: { version, name: name.value, bornOn: bornOn.value || null, archived, another: another.value },
  });
const refresh = () => readAnew(client, 'student', 'board', 'progress', 'class');
const keeping = useKeeping<StudentBody>({
  name: 'Name and birthday',
  send: async (version) => {
    try {
      return (await send(version, props.student.archived)).version;
    } catch (problem) {
      asksTwice.value = problem instanceof Refused && problem.problem.code === 'student.twice';
      throw problem;
    }
  },
  newest: () => call(routes.student, { params: { studentId: props.student.id } }),
  versionOf: (theirs) => theirs.version,
  inWords: (theirs) => `${theirs.name}, ${theirs.bornOn ?? 'no birthday'}`,
  show: lay,
});
async function done() {
  drafts.drop(draft.value);
  await refresh();
  open.value = false;
}
async function keep() {
  if (await keeping.keep()) await done();
}
function keepAnother() {
  another.value = true;
  void keep();
}
async function attempt(work: () => Promise<void>) {
  trouble.value = '';
  try {
    await work();
    await refresh();
  } catch (problem) {
    trouble.value = sayError(problem);
  }
}
const archive = (archived: boolean) =>
  attempt(async () => {
    lay(props.student);
    another.value = true;
    const { version } = await send(props.student.version, archived);
    open.value = false;
    notices.tell(archived ? `${props.student.name} is put away.` : `${props.student.name} is back.`, [
      { label: 'Undo', undo: true, run: () => attempt(async () => void (await send(version, !archived))) },
    ]);
  });
const merge = () =>
  attempt(async () => {
    await call(routes.mergeStudent, {
      params: { studentId: props.student.id },
      body: { version: props.student.version, double: double.value },
    });
    const other = others.value.find((one) => one.value === double.value)?.text ?? '';
    open.value = false;
    notices.tell(`Everything of ${other} is with ${props.student.name} now.`);
  });
const erase = () =>
  attempt(async () => {
    await call(routes.eraseStudent, {
      params: { studentId: props.student.id },
      body: { name: typedName.value },
    });
    open.value = false;
    bench.clear();
    notices.tell(`Everything of ${props.student.name} is erased.`);
    await router.push({ name: 'students' });
  });
</script>

<template>
  <HouseDialog v-model="open" :title="student.name">
    <form class="fields" @submit.prevent="keep">
      <label>Name<BFormInput v-model="name" maxlength="80" required /></label>
      <label>Born on; a birthday sets a child’s limits<BFormInput v-model="bornOn" type="date" /></label>
      <BothVersions :keeping="keeping" @kept="done" @taken="done" />
      <div class="acts">
        <BButton v-if="asksTwice" variant="outline-secondary" @click="keepAnother"
          >Yes, another person</BButton
        >
        <BButton type="submit" class="pri" variant="dark" :disabled="keeping.busy.value">Keep</BButton>
      </div>
    </form>
    <p v-if="trouble" class="refusal" role="alert">{{ trouble }}</p>
    <section v-if="seat.has('teacher', 'owner')" class="more">
      <h3>Put away</h3>
      <p class="note">
        {{
          student.archived ? 'Put away: on no Board and in no week.' : 'Off the Board and out of the week.'
        }}
        Everything is kept and comes back.
      </p>
      <BButton size="sm" variant="outline-secondary" @click="archive(!student.archived)">{{
        student.archived ? 'Bring back' : 'Put away'
      }}</BButton>
      <h3>Entered twice</h3>
      <div class="acts">
        <BFormSelect
          v-model="double"
          :options="[{ value: '', text: 'who is the same person?' }, ...others]"
          aria-label="The double"
        />
        <BButton size="sm" variant="outline-secondary" :disabled="!double" @click="merge"
          >Take everything over</BButton
        >
      </div>
      <template v-if="seat.has('owner')">
        <h3>Erase</h3>
        <p class="note">
          Takes, lessons, notes, hand and homework are gone for good. Type the name, then press twice.
        </p>
        <div class="acts">
          <BFormInput v-model="typedName" :placeholder="student.name" aria-label="Name, to erase" />
          <BButton
            size="sm"
            variant="outline-secondary"
            :disabled="typedName.trim().toLowerCase() !== student.name.trim().toLowerCase()"
            @click="sure ? erase() : (sure = true)"
            >{{ sure ? 'Erase for good' : 'Erase' }}</BButton
          >
        </div>
      </template>
    </section>
  </HouseDialog>
</template>

<style scoped>
.fields {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
label {
  font-size: var(--size-1);
  color: var(--ink2);
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
}
.acts > .form-control,
.acts > .form-select {
  flex: 1 1 200px;
  width: auto;
}
.more {
  margin-top: var(--space-4);
  border-top: 1px solid var(--line);
}
.more h3 {
  margin: var(--space-3) 0 var(--space-1);
}
</style>
