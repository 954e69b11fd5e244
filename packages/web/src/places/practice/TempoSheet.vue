<script setup lang="ts">
/** The count, the tempo of this try, and play or stop. */
import { BButton } from 'bootstrap-vue-next';
import CountIn from '../../instruments/CountIn.vue';

defineProps<{
  /** Beats of a bar; null where they are not shown. */
  beats: number | null;
  beat: number | null;
  bpm: number | null;
  playing: boolean;
}>();
const emit = defineEmits<{ faster: [by: number]; toggle: [] }>();
const STEP = 2;
</script>

<template>
  <section class="sheet time-sheet">
    <CountIn v-if="beats !== null" :beats="beats" :beat="beat" />
    <span v-if="bpm !== null" class="tempo"
      ><BButton variant="outline-secondary" aria-label="Slower" class="square" @click="emit('faster', -STEP)"
        >−</BButton
      ><span class="bpm" role="status"
        ><b>{{ bpm }}</b
        ><small>bpm</small></span
      ><BButton variant="outline-secondary" aria-label="Faster" class="square" @click="emit('faster', STEP)"
        >+</BButton
      ></span
    >
    <BButton variant="outline-secondary" class="play" @click="emit('toggle')">{{
      playing ? '■ Stop' : '▶ Play'
    }}</BButton>
    <slot />
  </section>
</template>

<style scoped>
.time-sheet {
  display: flex;
  align-items: center;
  gap: var(--space-3);
  flex-wrap: wrap;
}
.tempo {
  display: flex;
  align-items: center;
  gap: var(--space-2);
}
.time-sheet :deep(select) {
  min-height: 48px;
}
.bpm {
  text-align: center;
  line-height: 1;
}
.bpm b {
  font-size: var(--size-7);
  display: block;
}
.bpm small {
  font-size: var(--size-1);
}
.square {
  width: 48px;
  min-height: 48px;
  font-size: var(--size-5);
}
.play {
  min-height: 48px;
  font-size: var(--size-3);
}
</style>
