<script setup lang="ts" generic="Value extends string | number | null">
/**
 * One of some, from a list that unfolds. The browser's own box in our clothes: the library's makes a component of every
 * option, and a panel of ten such boxes held a slow machine up for a quarter of a second.
 */
defineProps<{ options: readonly { readonly value: Value; readonly text: string }[] }>();
const picked = defineModel<Value>({ required: true });
</script>

<template>
  <select v-model="picked" class="form-select form-select-sm">
    <option v-for="(one, i) in options" :key="i" :value="one.value">{{ one.text }}</option>
  </select>
</template>
