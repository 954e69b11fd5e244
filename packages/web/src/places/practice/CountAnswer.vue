<script setup lang="ts">
/** How many of ten changes or bars came clean; where time is judged, whether the others came late or early. */
import { BButton } from 'bootstrap-vue-next';
import { computed } from 'vue';

const props = defineProps<{
  heading: string;
  clean: number;
  of: number;
  done: boolean;
  /** Time is judged. */
  inTime?: boolean;
  missed?: 'late' | 'early';
}>();
const emit = defineEmits<{ counted: [clean: number]; missed: [how: 'late' | 'early'] }>();
const QUICK = [10, 9, 8, 7, 5, 0];
/** Where bars were heard there are as many as there were. */
const quick = computed(() =>
  props.of === QUICK[0]
    ? QUICK
    : [...new Set([props.of, props.of - 1, props.of - 2, Math.floor(props.of / 2), 0])].filter((n) => n >= 0),
);
</script>

<template>
  <div class="counter">
    <h2>{{ heading }}</h2>
    <div class="count">
      <BButton
        variant="outline-secondary"
        class="square"
        aria-label="One fewer clean"
        @click="emit('counted', clean - 1)"
        >−</BButton
      ><span
        ><b>{{ clean }}</b> of {{ of }} {{ inTime ? 'in time' : 'clean' }}</span
      ><BButton
        variant="outline-secondary"
        class="square"
        aria-label="One more clean"
        @click="emit('counted', clean + 1)"
        >+</BButton
      >
    </div>
    <div class="quick">
      <BButton
        v-for="n in quick"
        :key="n"
        variant="outline-secondary"
        :aria-pressed="done && clean === n"
        @click="emit('counted', n)"
        >{{ n === 0 ? 'none' : n }}</BButton
      >
    </div>
    <div v-if="inTime && done && clean < of" class="quick" role="group" aria-label="How the others came">
      <span class="missed">The others came</span>
      <BButton
        v-for="how in ['late', 'early'] as const"
        :key="how"
        variant="outline-secondary"
        :aria-pressed="missed === how"
        @click="emit('missed', how)"
        >{{ how }}</BButton
      >
    </div>
  </div>
</template>

<style scoped>
.square {
  width: 48px;
  min-height: 48px;
  font-size: var(--size-5);
}
.counter {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
  align-items: flex-start;
}
.count {
  display: flex;
  align-items: center;
  gap: var(--space-3);
  font-size: var(--size-4);
}
.count b {
  font-size: var(--size-7);
}
.quick {
  display: flex;
  gap: var(--space-2);
  flex-wrap: wrap;
}
.missed {
  align-self: center;
}
.quick .btn {
  min-width: 48px;
  min-height: 48px;
}
.counter [aria-pressed='true'] {
  background: var(--wash-crown);
  border-color: var(--crown);
}
</style>
