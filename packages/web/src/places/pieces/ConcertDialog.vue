<script setup lang="ts">
/** Where and when a piece is played in front of people; it gives the piece weight. */
import type { PieceContent } from '@finch/contract';
import { BButton } from 'bootstrap-vue-next';
import { ref } from 'vue';
import HouseDialog from '../../furniture/HouseDialog.vue';
import DraftNote from '../../furniture/DraftNote.vue';
import { useDraft } from '../../session/use-draft';

type Concert = PieceContent['concert'];
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ pieceId: string; concert: Concert; busy: boolean }>();
const emit = defineEmits<{ set: [concert: Concert] }>();
const typed = ref({ name: '', day: '' });
const draft = useDraft({
  key: () => `concert:${props.pieceId}`,
  value: typed,
  kept: () => ({ name: props.concert?.name ?? '', day: props.concert?.day ?? '' }),
  open: () => open.value,
});
const set = () => emit('set', { name: typed.value.name.trim(), day: typed.value.day });
function none() {
  draft.drop();
  emit('set', null);
}
</script>

<template>
  <HouseDialog v-model="open" title="Concert">
    <form class="concert-form" @submit.prevent="set">
      <DraftNote :draft="draft" />
      <label>Where<input v-model="typed.name" class="form-control" required maxlength="80" /></label>
      <label>On<input v-model="typed.day" class="form-control" type="date" required /></label>
      <div class="acts">
        <BButton v-if="concert" variant="link" @click="none">No concert</BButton>
        <BButton class="pri" variant="dark" type="submit" :disabled="busy">Set it</BButton>
      </div>
      <slot />
    </form>
  </HouseDialog>
</template>

<style scoped>
.concert-form {
  display: grid;
  gap: var(--space-2);
}
.acts {
  display: flex;
  gap: var(--space-2);
  justify-content: flex-end;
}
</style>
