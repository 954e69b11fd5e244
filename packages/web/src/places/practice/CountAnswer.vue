<script setup lang="ts">
/** How many of ten changes came clean. */
import { BButton } from 'bootstrap-vue-next';

defineProps<{ heading: string; clean: number; of: number; done: boolean }>();
const emit = defineEmits<{ counted: [clean: number] }>();
const QUICK = [10, 9, 8, 7, 5, 0];
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
        ><b>{{ clean }}</b> of {{ of }} clean</span
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
        v-for="n in QUICK"
        :key="n"
        variant="outline-secondary"
        :aria-pressed="done && clean === n"
        @click="emit('counted', n)"
        >{{ n === 0 ? 'none' : n }}</BButton
      >
    </div>
  </div>
</template>

<style>
.counter {
  display: flex;
  flex-direction: column;
  gap: 10px;
  align-items: flex-start;
}
.count {
  display: flex;
  align-items: center;
  gap: 14px;
  font-size: 18px;
}
.count b {
  font-size: 34px;
}
.quick {
  display: flex;
  gap: 6px;
  flex-wrap: wrap;
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
