<script setup lang="ts">
/** What was not kept and why; when somebody kept a newer version, theirs in words and the choice between both. */
import { BButton } from 'bootstrap-vue-next';
import type { Keeping } from '../session/keeping';

/** Whatever a version is. */
type Both = Pick<Keeping, 'trouble' | 'theirs' | 'busy' | 'takeTheirs' | 'keepMine'>;
defineProps<{ keeping: Both }>();
const emit = defineEmits<{ taken: []; kept: [] }>();
async function takeTheirs(keeping: Both) {
  await keeping.takeTheirs();
  emit('taken');
}
async function keepMine(keeping: Both) {
  if (await keeping.keepMine()) emit('kept');
}
</script>

<template>
  <div v-if="keeping.trouble.value" class="refusal" role="alert">
    <p>{{ keeping.trouble.value }}</p>
    <template v-if="keeping.theirs.value !== null">
      <p class="theirs"><b>Theirs:</b> {{ keeping.theirs.value }}</p>
      <BButton size="sm" variant="outline-secondary" @click="takeTheirs(keeping)">Show theirs</BButton>
      <BButton size="sm" variant="outline-secondary" :disabled="keeping.busy.value" @click="keepMine(keeping)"
        >Keep mine instead</BButton
      >
    </template>
  </div>
</template>

<style scoped>
p {
  margin: 0 0 var(--space-2);
}
.theirs {
  white-space: pre-line;
}
.btn + .btn {
  margin-left: var(--space-2);
}
</style>
