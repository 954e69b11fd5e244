<script setup lang="ts" generic="Id extends string | number">
/** A few choices side by side, one of them taken. */
defineProps<{ label: string; options: readonly { readonly id: Id; readonly name: string }[] }>();
const picked = defineModel<Id>({ required: true });
</script>

<template>
  <div class="segments" role="group" :aria-label="label">
    <button
      v-for="one in options"
      :key="one.id"
      type="button"
      :aria-pressed="picked === one.id"
      @click="picked = one.id"
    >
      <slot :option="one">{{ one.name }}</slot>
    </button>
  </div>
</template>
