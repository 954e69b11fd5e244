<script setup lang="ts">
/** The caution for a barre, in one wording everywhere: how it is pressed, and in which bursts where there is more than one. */
defineProps<{
  bursts?: { readonly count: number; readonly workSeconds: number; readonly restSeconds: number };
}>();
</script>

<template>
  <p class="caution">
    Barre: press, check, release; light as it rings, the wrist nearly straight, never longer than a bar. Pain
    means stop.
    <template v-if="bursts && bursts.count > 1"
      >{{ bursts.count }} bursts of {{ bursts.workSeconds }} s, {{ bursts.restSeconds }} s rest
      between.</template
    >
  </p>
</template>
