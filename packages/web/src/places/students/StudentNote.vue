<script setup lang="ts">
/** The teacher's note on a student, kept when the field is left; a newer one meanwhile is offered beside it. */
import { routes, type StudentBody } from '@finch/contract';
import { BFormTextarea } from 'bootstrap-vue-next';
import { ref, watch } from 'vue';
import BothVersions from '../../furniture/BothVersions.vue';
import { call } from '../../session/api';
import { useDrafts } from '../../session/drafts';
import { useKeeping } from '../../session/keeping';

const props = defineProps<{ student: StudentBody; mayWrite: boolean }>();
const emit = defineEmits<{ kept: [] }>();
const note = ref('');
/** The note the edit began from. */
let seen = '';
const keeping = useKeeping<StudentBody>({
  name: 'Note',
  send: async (version) => {
    const mine = note.value;
    const { version: next } = await call(routes.keepNote, {
      params: { studentId: props.student.id },
      body: { version, note: mine },
    });
    seen = mine;
    drafts.drop(draft());
    return next;
  },
  newest: () => call(routes.student, { params: { studentId: props.student.id } }),
  versionOf: (theirs) => theirs.version,
  inWords: (theirs) => theirs.note || 'no note',
  show: (theirs) => (seen = note.value = theirs.note),
});
const drafts = useDrafts();
const draft = () => `note:${props.student.id}`;
let studentId = '';
watch(
  () => props.student,
  (now) => {
    const other = now.id !== studentId;
    studentId = now.id;
    // Something else of the student may be newer while the note under the pencil is not: then the edit goes on
    // from the newer version. A newer note under an unkept one is left for the refusal to offer.
    if (other || note.value === seen) {
      seen = note.value = now.note;
      const typed = other ? drafts.read<string>(draft()) : null;
      if (typed) note.value = typed.value;
    } else if (now.note !== seen) return;
    keeping.began(now.version);
  },
  { immediate: true },
);
watch(note, (now) => (now === seen ? drafts.drop(draft()) : drafts.write(draft(), now)));
async function keep() {
  if (note.value !== seen && (await keeping.keep())) emit('kept');
}
</script>

<template>
  <div class="notes">
    <label for="note"><h2>Notes</h2></label
    ><BFormTextarea id="note" v-model="note" :disabled="!mayWrite" rows="4" maxlength="2000" @blur="keep" />
    <BothVersions :keeping="keeping" @taken="emit('kept')" @kept="emit('kept')" />
  </div>
</template>

<style scoped>
textarea {
  font-size: var(--size-2);
}
</style>
