<script setup lang="ts">
/** A letter to those at home: who it is for, what about, and its words; a paragraph ends where a line is empty. */
import { BFormInput, BFormTextarea } from 'bootstrap-vue-next';
import { computed } from 'vue';
import { paragraphsOf, type LetterText } from '../words/report-words';

const props = withDefaults(defineProps<{ disabled?: boolean; rows?: number }>(), {
  disabled: false,
  rows: 12,
});
const letter = defineModel<LetterText>({ required: true });
const change = (next: Partial<LetterText>) => (letter.value = { ...letter.value, ...next });
const to = computed({
  get: () => letter.value.to.join(', '),
  set: (text) => change({ to: text.split(',').map((name) => name.trimStart()) }),
});
const text = computed({
  get: () => letter.value.paragraphs.join('\n\n'),
  set: (typed) => change({ paragraphs: paragraphsOf(typed) }),
});
</script>

<template>
  <div class="letter-form">
    <label class="field">To <BFormInput v-model="to" :disabled="props.disabled" maxlength="400" /></label>
    <label class="field"
      >About
      <BFormInput
        :model-value="letter.subject"
        :disabled="props.disabled"
        maxlength="120"
        @update:model-value="(subject) => change({ subject: String(subject) })"
    /></label>
    <BFormTextarea
      v-model="text"
      class="body"
      :disabled="props.disabled"
      :rows="props.rows"
      aria-label="The letter"
    />
    <article class="on-paper">
      <p>{{ to }}</p>
      <h2>{{ letter.subject }}</h2>
      <p v-for="(paragraph, i) in letter.paragraphs" :key="i">{{ paragraph }}</p>
    </article>
  </div>
</template>

<style scoped>
.letter-form {
  display: flex;
  flex-direction: column;
  gap: var(--space-1);
}
.field {
  display: grid;
  grid-template-columns: 52px minmax(0, 1fr);
  align-items: center;
  gap: var(--space-2);
  font-size: var(--size-2);
}
.body {
  font-size: var(--size-2);
  flex: 1;
}
.on-paper {
  display: none;
}
@media print {
  .field,
  .body {
    display: none;
  }
  .on-paper {
    display: block;
    font-size: 12pt;
  }
}
</style>
