<script setup lang="ts">
/** The planner's proposal for the next lesson, with its reasons. */
import type { LessonPlan } from '@finch/core/planning';
import { computed } from 'vue';
import BecauseMark from '../../instruments/BecauseMark.vue';
import { CATEGORY } from '../../instruments/categories';
import PurflingBar from '../../instruments/PurflingBar.vue';
import { say } from '../../words';

const props = defineProps<{ proposal: LessonPlan }>();
const strips = computed(() =>
  props.proposal.blocks.map((block) => ({
    name: say(block.title),
    value: block.minutes,
    category: CATEGORY[block.kind],
  })),
);
</script>

<template>
  <PurflingBar :strips="strips" unit="minutes" />
  <ol class="scroll" tabindex="0" aria-label="Proposed blocks">
    <li v-for="block in proposal.blocks" :key="block.id">
      <span class="mins"
        ><b>{{ block.minutes }}</b> <small>min</small></span
      >
      <div>
        <b>{{ say(block.title) }}</b><BecauseMark>{{ say(block.because) }}</BecauseMark>
      </div>
    </li>
  </ol>
  <p v-if="proposal.leftOut[0]" class="note left">
    Left out: {{ say(proposal.leftOut[0].title) }}. {{ say(proposal.leftOut[0].because) }}
  </p>
</template>

<style scoped>
ol {
  flex: 1;
  min-height: 0;
  border-top: 1px solid var(--line);
}
li {
  display: grid;
  grid-template-columns: 58px 1fr;
  padding: var(--space-2) 0;
  border-bottom: 1px solid var(--line);
  font-size: var(--size-2);
}
.mins b {
  font-size: var(--size-4);
}
</style>
