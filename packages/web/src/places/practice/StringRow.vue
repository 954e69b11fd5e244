<script setup lang="ts">
/** One string answers for itself: straight is clean, a wave buzzes, dots are dead. */
import type { StringAnswer } from '@finch/core/drills';

const props = defineProps<{ string: number; silent: boolean; modelValue: StringAnswer | null }>();
const emit = defineEmits<{ 'update:modelValue': [answer: StringAnswer] }>();
const choices = () =>
  props.silent
    ? ([
        ['clean', 'silent'],
        ['buzz', 'sounds'],
      ] as const)
    : ([
        ['clean', 'clean'],
        ['buzz', 'buzz'],
        ['dead', 'dead'],
      ] as const);
</script>

<template>
  <div class="string-row">
    <b>{{ string }}</b>
    <svg viewBox="0 0 200 22" height="22" preserveAspectRatio="none" aria-hidden="true">
      <path
        v-if="modelValue === 'buzz'"
        d="M0 11c6-9 11-9 17 0s11 9 17 0 11-9 17 0 11 9 17 0 11-9 17 0 11 9 17 0 11-9 17 0 11 9 17 0 11-9 17 0 11 9 17 0 11-9 17 0"
        fill="none"
        stroke="var(--breast)"
        stroke-width="2.5"
      />
      <path
        v-else-if="modelValue === 'dead'"
        d="M0 11H200"
        stroke="var(--ink2)"
        stroke-width="4"
        stroke-dasharray="4 9"
      />
      <path
        v-else
        d="M0 11H200"
        :stroke="silent || modelValue === null ? 'var(--line-strong)' : 'var(--ink)'"
        :stroke-width="silent ? 1 : 3"
        :stroke-dasharray="silent ? '2 6' : undefined"
      />
    </svg>
    <div
      class="segments"
      role="radiogroup"
      :aria-label="`String ${string}${silent ? ', meant to be silent' : ''}`"
    >
      <button
        v-for="[value, word] in choices()"
        :key="value"
        type="button"
        role="radio"
        :aria-checked="modelValue === value"
        @click="emit('update:modelValue', value)"
      >
        {{ word }}
      </button>
    </div>
  </div>
</template>

<style scoped>
.string-row {
  display: grid;
  grid-template-columns: 24px minmax(60px, 1fr) auto;
  gap: var(--space-3);
  align-items: center;
  border-top: 1px solid var(--line);
  padding: 2px 0;
}
.string-row svg {
  width: 100%;
}
.string-row .segments button {
  min-height: 30px;
  min-width: 62px;
}
@media (max-width: 699px) {
  .string-row .segments button {
    min-height: 48px;
  }
}
</style>
