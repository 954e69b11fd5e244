<script setup lang="ts">
/** A skill of one's own: named, put in a strand, trained and told by a drill of a family. */
import { FAMILIES, firstRecipe, type DrillFamily } from '@finch/core/drills';
import { standardGuitar } from '@finch/core/fretboard';
import {
  PRACTICE_STEPS,
  skillOfDrill,
  type PracticeStep,
  type Skill,
  type Syllabus,
} from '@finch/core/syllabus';
import { BButton, BFormInput } from 'bootstrap-vue-next';
import { computed, ref } from 'vue';
import HouseDialog from '../../furniture/HouseDialog.vue';
import PickBox from '../../instruments/PickBox.vue';
import { useDraft } from '../../session/use-draft';
import { newSkillId } from './new-skill';

const props = defineProps<{ syllabus: Syllabus }>();
const emit = defineEmits<{ add: [skill: Skill] }>();
const open = defineModel<boolean>({ required: true });
interface Typed {
  name: string;
  sentence: string;
  strand: string;
  family: DrillFamily;
  step: PracticeStep;
}
const nothing = (): Typed => ({
  name: '',
  sentence: '',
  strand: props.syllabus.strands[0]?.id ?? '',
  family: 'change loop',
  step: 'change',
});
const typed = ref(nothing());
const draft = useDraft({ key: () => 'new skill', value: typed, kept: nothing, open: () => open.value });
const families = FAMILIES.map(({ name }) => ({
  value: name,
  text: name.charAt(0).toUpperCase() + name.slice(1),
}));
const STEPS: Readonly<Record<PracticeStep, string>> = {
  find: 'finds it',
  hold: 'holds it',
  change: 'changes to it',
  use: 'uses it',
  hear: 'hears it',
};
const steps = PRACTICE_STEPS.map((step) => ({ value: step, text: STEPS[step] }));
const named = computed(() => typed.value.name.trim() !== '');
function add() {
  if (!named.value) return;
  const { name, sentence, strand, family, step } = typed.value;
  const recipe = firstRecipe(family, {
    grip: { chord: 'C', frets: [null, 3, 2, 0, 1, 0] },
    from: null,
    held: [],
    instrument: standardGuitar,
  });
  emit(
    'add',
    skillOfDrill({
      id: newSkillId(name, props.syllabus),
      name: name.trim(),
      sentence: sentence.trim(),
      strand,
      practice: { step, recipe },
    }),
  );
  draft.done();
  typed.value = nothing();
  open.value = false;
}
</script>

<template>
  <HouseDialog v-model="open" title="A skill of your own">
    <form class="fields" @submit.prevent="add">
      <label>
        <span class="form-label">Name</span>
        <BFormInput v-model="typed.name" maxlength="80" required />
      </label>
      <label>
        <span class="form-label">What can be done once it is held</span>
        <BFormInput v-model="typed.sentence" maxlength="300" placeholder="one sentence" />
      </label>
      <label>
        <span class="form-label">Strand</span>
        <PickBox
          v-model="typed.strand"
          :options="syllabus.strands.map(({ id, name }) => ({ value: id, text: name }))"
        />
      </label>
      <label>
        <span class="form-label">Drill that trains it</span>
        <PickBox v-model="typed.family" :options="families" />
      </label>
      <label>
        <span class="form-label">The drill</span>
        <PickBox v-model="typed.step" :options="steps" />
      </label>
      <p class="note">
        It counts for takes of this drill set as it opens. Other settings and more drills come by the file.
      </p>
      <BButton class="pri" variant="dark" type="submit" :aria-disabled="!named">Add skill</BButton>
    </form>
  </HouseDialog>
</template>

<style scoped>
.fields {
  display: flex;
  flex-direction: column;
  gap: var(--space-3);
}
.btn {
  align-self: flex-start;
}
</style>
