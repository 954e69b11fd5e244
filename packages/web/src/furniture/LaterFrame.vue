<script setup lang="ts">
/** What comes a frame after that around it, so that no press waits for both. */
import { useStages } from '../app/stages';

const stage = useStages(1);
</script>

<template>
  <slot v-if="stage > 0" />
</template>
