<script setup lang="ts">
/** The head of a printed page: what it is, whose, and of which day. */
defineProps<{ title: string; name: string; day: string; studio: string }>();
</script>

<template>
  <header class="print-head">
    <b>{{ title }}{{ name ? `: ${name}` : '' }}</b>
    <span>{{ studio }}</span>
    <span>{{ day }}</span>
  </header>
</template>

<style scoped>
.print-head {
  display: none;
}
@media print {
  .print-head {
    display: flex;
    justify-content: space-between;
    gap: 8mm;
    border-bottom: 1pt solid #000;
    padding-bottom: 2mm;
    margin-bottom: 5mm;
    font-size: 10pt;
  }
  b {
    font-size: 13pt;
  }
}
</style>
