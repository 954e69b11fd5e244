<script setup lang="ts">
/** A dialog of the house: its title a heading of the second rank, no foot of its own; what it asks stands inside. */
import { BModal } from 'bootstrap-vue-next';

defineProps<{ title: string; size?: 'lg' | 'xl'; scrollable?: boolean }>();
const open = defineModel<boolean>({ required: true });
</script>

<template>
  <BModal
    v-model="open"
    :title="title"
    title-tag="h2"
    title-class="dialog-title"
    :size="size"
    :scrollable="scrollable"
    centered
    no-footer
  >
    <slot />
  </BModal>
</template>
