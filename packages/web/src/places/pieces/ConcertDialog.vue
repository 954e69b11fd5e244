<script setup lang="ts">
/** Where and when a piece is played in front of people; it gives the piece weight. */
import type { PieceContent } from '@finch/contract';
import { BButton, BModal } from 'bootstrap-vue-next';
import { ref, watch } from 'vue';

type Concert = PieceContent['concert'];
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ concert: Concert; busy: boolean; trouble: string }>();
const emit = defineEmits<{ set: [concert: Concert] }>();
const name = ref('');
const day = ref('');
watch(open, () => {
  name.value = props.concert?.name ?? '';
  day.value = props.concert?.day ?? '';
});
</script>

<template>
  <BModal v-model="open" title="Concert" no-footer>
    <form class="concert-form" @submit.prevent="emit('set', { name: name.trim(), day })">
      <label>Where<input v-model="name" class="form-control" required maxlength="80" /></label>
      <label>On<input v-model="day" class="form-control" type="date" required /></label>
      <div class="acts">
        <BButton v-if="concert" variant="link" @click="emit('set', null)">No concert</BButton>
        <BButton class="pri" variant="dark" type="submit" :disabled="busy">Set it</BButton>
      </div>
      <p v-if="trouble" class="refusal" role="alert">{{ trouble }}</p>
    </form>
  </BModal>
</template>

<style scoped>
.concert-form {
  display: grid;
  gap: 10px;
}
.acts {
  display: flex;
  gap: 10px;
  justify-content: flex-end;
}
</style>
