<script setup lang="ts">
/** What a student plays toward: how far each goal is, how much it weighs, and what of the next lesson goes toward it. */
import type { GoalBody } from '@finch/contract';
import { GOAL_WEIGHTS, minutesToward, type GoalWeight, type LessonPlan } from '@finch/core/planning';
import { BFormSelect } from 'bootstrap-vue-next';
import { computed } from 'vue';
import { goalWords } from '../words/goal-words';

const props = defineProps<{
  goals: readonly GoalBody[];
  /** The lesson shown; none while none is. */
  plan: Pick<LessonPlan, 'toward' | 'blocks'> | null;
  /** Minutes before a weight was moved. */
  before: ReadonlyMap<string, number>;
  /** Held and needed, of goals that no lesson tells of. */
  held: (id: string) => { readonly held: number; readonly of: number } | null;
  mayWrite: boolean;
  /** Today by the student's clock, YYYY-MM-DD. */
  today: string;
}>();
const emit = defineEmits<{ weigh: [id: string, weight: GoalWeight] }>();
const rows = computed(() =>
  props.goals.map((goal) => {
    const toward = props.plan?.toward?.find(({ id }) => id === goal.id);
    return {
      goal,
      said: goalWords(goal, toward ?? props.held(goal.id), props.today),
      minutes: toward && props.plan ? minutesToward(toward, props.plan.blocks) : null,
      was: props.before.get(goal.id),
    };
  }),
);
const weights = GOAL_WEIGHTS.map((value) => ({ value, text: value }));
</script>

<template>
  <ul class="goals">
    <li
      v-for="{ goal, said, minutes, was } in rows"
      :key="goal.id"
      :class="{ aside: goal.weight === 'not now' }"
    >
      <span class="name">{{ goal.name }}</span>
      <BFormSelect
        v-if="mayWrite"
        size="sm"
        :model-value="goal.weight"
        :options="weights"
        :aria-label="`How much ${goal.name} weighs`"
        @update:model-value="emit('weigh', goal.id, $event as GoalWeight)"
      />
      <span v-else class="note">{{ goal.weight }}</span>
      <span class="note said">{{ said }}</span>
      <span v-if="minutes !== null" class="said" aria-live="polite"
        ><b>{{ minutes }}</b> min of the lesson<template v-if="was !== undefined && was !== minutes"
          >, before it was {{ was }}</template
        ></span
      >
    </li>
  </ul>
</template>

<style scoped>
.goals {
  margin: 0;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) max-content;
  gap: 0 var(--space-2);
  align-items: center;
  border-top: 1px solid var(--line);
  padding: var(--space-2) 0;
  font-size: var(--size-2);
}
.name {
  font-weight: 700;
}
.said {
  grid-column: 1 / 3;
}
.aside .name {
  font-weight: 400;
}
</style>
