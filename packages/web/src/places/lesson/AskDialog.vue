<script setup lang="ts">
/** A box over the lesson with one field, which has the focus before the next key comes; Escape closes, nothing is lost. */
import { BButton } from 'bootstrap-vue-next';
import { nextTick, useTemplateRef, watch } from 'vue';

defineProps<{ title: string; hint: string; act?: string }>();
const open = defineModel<boolean>('open', { required: true });
const emit = defineEmits<{ done: [text: string] }>();
const box = useTemplateRef<HTMLDialogElement>('box');
const field = () => box.value?.querySelector<HTMLInputElement | HTMLTextAreaElement>('input, textarea');
let before: HTMLElement | null = null;
watch(
  open,
  async (now) => {
    if (now) {
      before = document.activeElement as HTMLElement | null;
      await nextTick();
      box.value?.showModal();
      field()?.focus();
    } else {
      box.value?.close();
      before?.focus();
    }
  },
  { flush: 'sync' },
);
function done() {
  emit('done', field()?.value ?? '');
  open.value = false;
}
</script>

<template>
  <dialog v-if="open" ref="box" class="ask" :aria-label="title" @close="open = false" @keydown.stop>
    <form method="dialog" @submit.prevent="done">
      <h2>{{ title }}</h2>
      <slot />
      <p class="note">{{ hint }}</p>
      <div class="acts">
        <BButton v-if="act" type="submit" variant="dark">{{ act }}</BButton>
        <BButton type="button" variant="outline-secondary" @click="open = false">Close</BButton>
      </div>
    </form>
  </dialog>
</template>

<style scoped>
.ask {
  background: var(--sheet);
  color: var(--ink);
  border: 1px solid var(--line-strong);
  border-radius: 3px;
  width: min(560px, calc(100vw - 24px));
  padding: var(--space-4);
}
.ask::backdrop {
  background: rgb(22 32 42 / 45%);
}
form {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
.acts {
  display: flex;
  gap: var(--space-2);
}
</style>
