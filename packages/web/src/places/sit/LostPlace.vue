<script setup lang="ts">
import { RouterLink } from 'vue-router';
</script>
<template>
  <section class="sheet">
    <h1 class="display">Not here</h1>
    <p class="note">There is no such place. <RouterLink to="/">Back to the first one</RouterLink>.</p>
  </section>
</template>
