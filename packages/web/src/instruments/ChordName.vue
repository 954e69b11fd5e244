<script setup lang="ts">
import { chordText, spokenChord } from '../app/words';
defineProps<{ symbol: string }>();
</script>
<template>
  <span class="display chord-name"
    ><span aria-hidden="true">{{ chordText(symbol) }}</span
    ><span class="visually-hidden">{{ spokenChord(symbol) }}</span></span
  >
</template>
