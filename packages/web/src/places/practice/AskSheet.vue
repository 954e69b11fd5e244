<script setup lang="ts">
/** What was asked of this card and waits; the way to ask. What is typed stays with its card. */
import { MOST_SAID } from '@finch/contract';
import { BButton, BFormTextarea } from 'bootstrap-vue-next';
import { nextTick, ref, useTemplateRef, watch } from 'vue';
import type { Asking } from './use-asking';

const props = defineProps<{ asking: Asking; title: string }>();
const { open: asked, text, trouble, mayAsk } = props.asking;
const open = ref(text.value !== '');
watch(
  () => props.title,
  () => (open.value = text.value !== ''),
);
const field = useTemplateRef<{ $el: HTMLTextAreaElement }>('field');
const button = useTemplateRef<{ $el: HTMLButtonElement }>('button');
async function begin() {
  open.value = true;
  await nextTick();
  field.value?.$el.focus();
}
async function send() {
  if (!(await props.asking.ask())) return;
  open.value = false;
  await nextTick();
  button.value?.$el.focus();
}
defineExpose({ begin });
</script>

<template>
  <section v-if="mayAsk || asked.length" class="sheet ask-sheet" aria-label="Questions about this card">
    <ul v-if="asked.length" aria-live="polite">
      <li v-for="one in asked" :key="one.id">
        <p>
          <b>You asked:</b> <span class="words">{{ one.text }}</span>
        </p>
        <p class="note">
          {{
            one.sent ? 'It waits on your teacher’s Board.' : 'It waits on this device until it can be sent.'
          }}
        </p>
        <BButton variant="link" size="sm" @click="asking.putAway(one.id)">Take it back</BButton>
      </li>
    </ul>
    <form v-if="open && mayAsk" @submit.prevent="send">
      <label
        >Ask about {{ title }}
        <BFormTextarea
          ref="field"
          v-model="text"
          rows="2"
          :maxlength="MOST_SAID"
          @keydown.esc.stop="open = false"
          @keydown.ctrl.enter.prevent="send"
      /></label>
      <div class="acts">
        <BButton type="submit" variant="dark" :aria-disabled="!text.trim()">Send it to your teacher</BButton>
        <BButton variant="outline-secondary" @click="open = false">Later</BButton>
      </div>
    </form>
    <BButton v-else-if="mayAsk" ref="button" variant="outline-secondary" @click="begin">{{
      text ? 'A question you began' : 'Ask your teacher'
    }}</BButton>
    <p v-if="trouble" class="refusal" role="alert">{{ trouble }}</p>
  </section>
</template>

<style scoped>
.ask-sheet {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
  font-size: var(--size-3);
}
li {
  padding-bottom: var(--space-2);
  border-bottom: 1px solid var(--line);
}
li + li {
  padding-top: var(--space-2);
}
.words {
  white-space: pre-line;
  overflow-wrap: anywhere;
}
form,
label {
  display: flex;
  flex-direction: column;
  gap: var(--space-1);
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
}
.ask-sheet > .btn,
.acts .btn {
  min-height: 48px;
  align-self: flex-start;
}
</style>
