<script setup lang="ts">
/** Measures and sets a hand, its guitar and its limits, as one dated record each, from today on. */
import { routes, type StudentBody } from '@finch/contract';
import { BButton, BFormCheckbox, BFormInput, BFormSelect } from 'bootstrap-vue-next';
import { namedTunings } from '@finch/core/fretboard';
import { ref, watch } from 'vue';
import HouseDialog from '../../furniture/HouseDialog.vue';
import BothVersions from '../../furniture/BothVersions.vue';
import { setupWords, sayProblem, tuningWords } from '../../words';
import { playedChoices, playedWords } from '../../words/played-words';
import { call } from '../../session/api';
import { useDrafts } from '../../session/drafts';
import { useKeeping } from '../../session/keeping';
import HandTest from './HandTest.vue';
import { fieldsOf, recordsOf, type HandFields } from './hand-fields';

const props = defineProps<{ student: StudentBody }>();
const emit = defineEmits<{ kept: [] }>();
const open = ref(false);
const fields = ref<HandFields>(fieldsOf(props.student));
const wrong = ref('');
const keeping = useKeeping<StudentBody>({
  name: 'Hand',
  send: async (version) => {
    const made = recordsOf(fields.value, props.student);
    if (!made.ok) throw new RangeError(made.problem.code);
    const kept = await call(routes.keepHand, {
      params: { studentId: props.student.id },
      body: { version, ...made.value },
    });
    return kept.version;
  },
  newest: () => call(routes.student, { params: { studentId: props.student.id } }),
  versionOf: (theirs) => theirs.version,
  inWords: ({ hand, instrument, limits, pace }) =>
    [
      `reach ${hand.value.reachMm ?? 'not measured'}${hand.value.reachMm ? ' mm' : ''}`,
      `scale ${instrument.value.scaleLengthMm} mm`,
      tuningWords(instrument.value.openPitches),
      setupWords(instrument.value.setup),
      `effort limit ${limits.value.gripEffort}`,
      `barre minutes ${limits.value.barreMinutes}`,
      `has played for ${playedWords(pace.months)}`,
    ].join(', '),
  show: (theirs) => (fields.value = fieldsOf(theirs)),
});
const drafts = useDrafts();
const draft = () => `hand:${props.student.id}`;
watch(fields, (now) => open.value && drafts.write(draft(), now), { deep: true });
function edit() {
  fields.value = drafts.read<HandFields>(draft())?.value ?? fieldsOf(props.student);
  wrong.value = '';
  keeping.began(props.student.version);
  open.value = true;
}
async function keep() {
  const made = recordsOf(fields.value, props.student);
  wrong.value = made.ok ? '' : sayProblem(made.problem);
  if (made.ok && (await keeping.keep())) done();
}
function done() {
  drafts.drop(draft());
  open.value = false;
  emit('kept');
}
defineExpose({ edit });
</script>

<template>
  <HouseDialog v-model="open" title="Measure and set" size="lg">
    <HandTest
      :scale="Number(fields.scale)"
      :frets="Number(fields.frets)"
      @use="(mm) => (fields.reach = mm)"
    />
    <p v-if="wrong" class="refusal" role="alert">{{ wrong }}</p>
    <BothVersions :keeping="keeping" @kept="done" />
    <form class="grid" @submit.prevent="keep">
      <label
        >Reach 1–4, mm (70 to 180)<BFormInput
          v-model="fields.reach"
          type="number"
          step="1"
          placeholder="not measured"
      /></label>
      <label
        >Scale, mm (480 to 700)<BFormInput v-model="fields.scale" type="number" step="1" required
      /></label>
      <label>Frets (12 to 24)<BFormInput v-model="fields.frets" type="number" step="1" required /></label>
      <label
        >Standing capo at fret (0 for none)<BFormInput v-model="fields.capo" type="number" step="1" required
      /></label>
      <label class="wide"
        >Tuning, thickest string first<BFormInput
          v-model="fields.tuning"
          list="tunings"
          required
          placeholder="standard, drop D, DADGAD, G4 C4 E4 A4"
      /></label>
      <datalist id="tunings">
        <option v-for="one in namedTunings" :key="one.name" :value="one.name" />
      </datalist>
      <label
        >Strings<BFormSelect
          v-model="fields.strings"
          :options="[
            { value: '', text: 'not noted' },
            { value: 'nylon', text: 'nylon' },
            { value: 'steel', text: 'steel' },
            { value: 'nickel', text: 'nickel' },
          ]"
      /></label>
      <label
        >String 1, mm thick (0.15 to 0.8)<BFormInput
          v-model="fields.gauge"
          type="number"
          step="any"
          :disabled="!fields.strings"
          :required="!!fields.strings"
      /></label>
      <label
        >Action at fret 12, mm (0.5 to 6)<BFormInput
          v-model="fields.action"
          type="number"
          step="any"
          :disabled="!fields.strings"
          :required="!!fields.strings"
      /></label>
      <label
        >Effort limit for one grip (10 to 100)<BFormInput
          v-model="fields.limit"
          type="number"
          step="1"
          required
      /></label>
      <label
        >Barre minutes in thirty (0 to 20)<BFormInput
          v-model="fields.barre"
          type="number"
          step="0.5"
          required
      /></label>
      <label
        >Has played for<BFormSelect v-model="fields.played" :options="playedChoices(student.pace.months)"
      /></label>
      <BFormCheckbox v-model="fields.thumb">Thumb may fret string 6</BFormCheckbox>
      <BFormCheckbox v-model="fields.left">Left-handed guitar</BFormCheckbox>
      <p class="small wide">
        Strings and action are kept with every take; no grade is computed from them yet.
      </p>
      <BButton type="submit" variant="dark" :disabled="keeping.busy.value">Keep from today on</BButton>
    </form>
  </HouseDialog>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: var(--space-3);
  margin-top: var(--space-3);
  font-size: var(--size-2);
  align-items: end;
}
.wide {
  grid-column: span 2;
}
@media (max-width: 600px) {
  .grid {
    grid-template-columns: 1fr;
  }
  .wide {
    grid-column: auto;
  }
}
</style>
