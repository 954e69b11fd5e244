<script setup lang="ts">
import { nameChord, spokenChord } from '../words';
defineProps<{ symbol: string }>();
</script>
<template>
  <span class="display chord-name"
    ><span aria-hidden="true">{{ nameChord(symbol) }}</span
    ><span class="visually-hidden">{{ spokenChord(symbol) }}</span></span
  >
</template>
