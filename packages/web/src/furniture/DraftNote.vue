<script setup lang="ts">
/** Says that what stands here was typed before and is not kept yet, with the way to let it go. */
import { BButton } from 'bootstrap-vue-next';
import type { Draft } from '../session/use-draft';
import { useSeat } from '../session/seat';
import { timeText } from '../words';

const props = defineProps<{ draft: Draft }>();
const { typedAt } = props.draft;
const zone = useSeat().studio?.timeZone ?? 'UTC';
</script>

<template>
  <p v-if="typedAt !== null" class="note" role="status">
    What you typed at {{ timeText(typedAt, zone) }} is here, not kept yet.
    <BButton size="sm" variant="outline-secondary" @click="draft.drop">Drop it</BButton>
  </p>
</template>
