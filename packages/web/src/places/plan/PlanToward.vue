<script setup lang="ts">
/** What of the plan goes toward each goal, with the weights, which move the plan. */
import type { StudentBody } from '@finch/contract';
import { dayReader } from '@finch/core/mastery';
import type { LessonPlan } from '@finch/core/planning';
import { computed } from 'vue';
import BothVersions from '../../furniture/BothVersions.vue';
import GoalList from '../../furniture/GoalList.vue';
import { useGoals } from '../../session/goals';
import { useSeat } from '../../session/seat';

const props = defineProps<{ student: StudentBody; plan: LessonPlan }>();
const emit = defineEmits<{ moved: [] }>();
const seat = useSeat();
const { goals, before, keeping, weigh } = useGoals(
  () => props.student,
  () => props.plan,
  () => emit('moved'),
);
const today = computed(() => dayReader(props.student.timeZone)(seat.now()));
</script>

<template>
  <section v-if="goals.length" aria-labelledby="toward">
    <h2 id="toward">Toward</h2>
    <BothVersions :keeping="keeping" />
    <GoalList
      :goals="goals"
      :plan="plan"
      :before="before"
      :held="() => null"
      may-write
      :today="today"
      @weigh="weigh"
    />
  </section>
</template>
