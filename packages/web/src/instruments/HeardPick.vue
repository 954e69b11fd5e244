<script setup lang="ts">
/** What sounds when a drill is played: all of it, with others, others alone, or the click. Nothing where there is no choice. */
import type { Heard } from '@finch/core/drills';
import { computed } from 'vue';
import { HEARD_WORDS } from '../words/drill-words';
import PickBox from './PickBox.vue';

const props = defineProps<{ choices: readonly Heard[] }>();
const heard = defineModel<Heard>({ required: true });
const options = computed(() => props.choices.map((value) => ({ value, text: HEARD_WORDS[value] })));
</script>

<template>
  <PickBox
    v-if="choices.length > 1"
    v-model="heard"
    :options="options"
    class="heard-pick"
    aria-label="What sounds"
  />
</template>

<style scoped>
.heard-pick {
  width: auto;
}
</style>
