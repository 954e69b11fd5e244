<script setup lang="ts">
/** What the student plays toward: pieces with their concerts, a way in, a style, single skills, and how much each weighs. */
import type { GoalBody, StudentBody } from '@finch/contract';
import type { LessonPlan } from '@finch/core/planning';
import { dayReader } from '@finch/core/mastery';
import { BButton, BFormCheckbox } from 'bootstrap-vue-next';
import { computed, ref } from 'vue';
import BothVersions from '../../furniture/BothVersions.vue';
import GoalList from '../../furniture/GoalList.vue';
import HouseDialog from '../../furniture/HouseDialog.vue';
import { useGoals } from '../../session/goals';
import { usePieceNames, useSyllabus } from '../../session/queries';
import { useSeat } from '../../session/seat';
import { goalWords } from '../../words/goal-words';
import { heldOf, offered, type Wish } from './wishes';

const props = defineProps<{
  student: StudentBody;
  mayWrite: boolean;
  /** The proposed lesson; none while it is being made. */
  plan: LessonPlan | null;
}>();
const emit = defineEmits<{ kept: [] }>();
const seat = useSeat();
const open = ref(false);
const { data: syllabus } = useSyllabus();
const { data: repertoire } = usePieceNames(open);
const { goals, before, keeping, toggle, weigh } = useGoals(
  () => props.student,
  () => props.plan,
  () => emit('kept'),
);
const today = computed(() => dayReader(props.student.timeZone)(seat.now()));
const held = (id: string) => (syllabus.value ? heldOf(id, props.student.skills, syllabus.value) : null);
const isWished = ({ id }: GoalBody) => goals.value.some((goal) => goal.id === id && !goal.given);
const groups = computed(() => {
  const all = syllabus.value;
  if (!all) return [];
  const pieces = (repertoire.value ?? []).map(({ id, title, concert }): Wish => ({
    goal: {
      id,
      weight: 'more',
      kind: 'piece',
      name: title,
      on: concert && concert.day >= today.value ? concert.day : null,
      given: false,
    },
    sentence: '',
    far: null,
  }));
  // Those with a concert first, the nearest first.
  pieces.sort((a, b) => (a.goal.on ?? '9999').localeCompare(b.goal.on ?? '9999'));
  const { skills } = props.student;
  const single = goals.value.flatMap((goal): Wish[] =>
    goal.kind === 'skill' ? [{ goal, sentence: '', far: held(goal.id) }] : [],
  );
  return [
    { title: 'Pieces', wishes: pieces },
    { title: 'Ways in', wishes: offered('way in', skills, all) },
    { title: 'Styles', wishes: offered('style', skills, all) },
    { title: 'Single skills', wishes: single },
  ].filter(({ wishes }) => wishes.length);
});
</script>

<template>
  <section class="wishes" aria-labelledby="wishes">
    <div class="spread">
      <h2 id="wishes">Plays toward</h2>
      <BButton v-if="mayWrite" size="sm" variant="outline-secondary" @click="open = true">Choose</BButton>
    </div>
    <p v-if="!goals.length" class="note">
      Nothing yet. A piece with its concert, a way in or a style makes the plan lean toward it.
    </p>
    <GoalList
      v-else
      :goals="goals"
      :plan="plan"
      :before="before"
      :held="held"
      :may-write="mayWrite"
      :today="today"
      @weigh="weigh"
    />
    <BothVersions v-if="!open" :keeping="keeping" />
    <HouseDialog v-model="open" :title="`What ${student.name} plays toward`" scrollable>
      <p class="note">
        What is ticked weighs more when the next lesson is planned. It is kept as it is ticked.
      </p>
      <BothVersions :keeping="keeping" />
      <fieldset v-for="group in groups" :key="group.title">
        <legend>{{ group.title }}</legend>
        <BFormCheckbox
          v-for="{ goal, sentence, far } in group.wishes"
          :key="goal.id"
          :model-value="isWished(goal)"
          @update:model-value="toggle(goal)"
        >
          <b>{{ goal.name }}</b> <span class="note">{{ goalWords(goal, far, today) }}</span>
          <span v-if="sentence" class="sentence">{{ sentence }}</span>
        </BFormCheckbox>
      </fieldset>
    </HouseDialog>
  </section>
</template>

<style scoped>
.wishes,
fieldset {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
.wishes p {
  margin: 0;
}
legend {
  font-size: var(--size-3);
  font-weight: 700;
  margin: var(--space-3) 0 var(--space-1);
}
.sentence {
  display: block;
  font-size: var(--size-2);
}
</style>
