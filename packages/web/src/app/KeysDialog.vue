<script setup lang="ts">
/** Every key that is answered here now. */
import { BModal } from 'bootstrap-vue-next';
import { keyHints, keyText, useLetters } from './keys';

const open = defineModel<boolean>({ required: true });
const letters = useLetters();
</script>

<template>
  <BModal v-model="open" title="All keys" no-footer>
    <dl class="all-keys">
      <template v-for="hint in keyHints()" :key="hint.key + hint.does"
        ><dt>
          <kbd>{{ keyText(hint) }}</kbd>
        </dt>
        <dd>{{ hint.does }}</dd></template
      >
    </dl>
    <label class="note"><input v-model="letters" type="checkbox" /> Single letters act as keys</label>
  </BModal>
</template>

<style scoped>
.all-keys {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 6px 14px;
  margin-bottom: 12px;
  font-size: 14px;
}
dd {
  margin: 0;
}
</style>
