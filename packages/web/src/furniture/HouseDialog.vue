<script setup lang="ts">
/**
 * A dialog of the house: its title a heading of the second rank, no foot of its own; what it asks stands inside. It is
 * built when it is first opened: a place pays for none of its dialogs before.
 */
import { BModal } from 'bootstrap-vue-next';
import { ref, watch } from 'vue';

defineProps<{ title: string; size?: 'lg' | 'xl'; scrollable?: boolean }>();
const open = defineModel<boolean>({ required: true });
const met = ref(open.value);
watch(open, (now) => now && (met.value = true));
</script>

<template>
  <BModal
    v-if="met"
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
