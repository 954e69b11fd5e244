<script setup lang="ts">
/** What tempi of somebody rest on: how long they have played, and what their takes made of it. */
import type { StudentBody } from '@finch/contract';
import { computed } from 'vue';
import { stageOfWords } from '../words/played-words';

const props = defineProps<{ name: string; pace: StudentBody['pace'] }>();
const times = (factor: number) => `× ${factor.toFixed(2)}`;
const band = computed(() => `${props.pace.low.toFixed(2)} to ${props.pace.high.toFixed(2)}`);
const takes = computed(() => `${props.pace.takes} ${props.pace.takes === 1 ? 'take' : 'takes'}`);
</script>

<template>
  <p class="pace-line small">
    {{ name }}: {{ stageOfWords(pace.months) }}. Changes take <b>{{ times(pace.factor) }}</b> of the seconds
    of a first month ({{ band }})<template v-if="pace.takes"
      >, from {{ takes }} at a tempo or counted; {{ times(pace.before) }} before any.</template
    ><template v-else
      >, by that alone: no take yet. One take at a tempo, or a counted minute, says more.</template
    >
  </p>
</template>
