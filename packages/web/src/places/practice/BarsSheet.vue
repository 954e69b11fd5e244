<script setup lang="ts">
/** The bars around the beat, as tab or as staff; a long line is turned bar by bar. */
import { BButton } from 'bootstrap-vue-next';
import { ref, watch } from 'vue';
import type { barsAround } from '../../instruments/bars-around';
import StaffStrip from '../../instruments/StaffStrip.vue';
import TabStrip from '../../instruments/TabStrip.vue';

const props = defineProps<{
  around: ReturnType<typeof barsAround> | null;
  strings: number;
  /** Sharps of the signature; null where the drill is in no one key. */
  fifths: number | null;
  /** Beat that sounds. */
  now: number;
  playing: boolean;
  /** It is read from the staff. */
  reads: boolean;
  /** Its crosses are taps. */
  taps: boolean;
}>();
const emit = defineEmits<{ turn: [by: number] }>();
const staff = ref(props.reads);
watch(
  () => props.reads,
  (now) => (staff.value = now),
);
</script>

<template>
  <section class="sheet tab-sheet">
    <BButton
      v-if="!reads"
      variant="link"
      size="sm"
      class="tab-or-staff"
      :aria-pressed="staff"
      @click="staff = !staff"
      >{{ staff ? 'show tab' : 'show staff' }}</BButton
    >
    <span v-if="around && around.lines > 1" class="lines">
      <BButton variant="link" size="sm" :disabled="around.line === 0" @click="emit('turn', -1)"
        >bars before</BButton
      >
      <span class="small">{{ around.first + 1 }} to {{ around.first + around.bars.length }}</span>
      <BButton variant="link" size="sm" :disabled="around.line >= around.lines - 1" @click="emit('turn', 1)"
        >next bars</BButton
      >
    </span>
    <StaffStrip
      v-if="staff"
      :bars="around?.bars ?? []"
      :fifths="fifths"
      :caption="taps ? 'crosses are taps' : 'written an octave above its sound'"
    />
    <TabStrip v-else :columns="around?.columns ?? []" :strings="strings" :now="now" :playing="playing" />
  </section>
</template>

<style scoped>
/* Room for the staff, and for turning the bars. */
.tab-sheet {
  position: relative;
  padding-bottom: var(--space-6);
}
.tab-or-staff {
  position: absolute;
  left: 14px;
  bottom: 4px;
}
.lines {
  position: absolute;
  right: 14px;
  bottom: 4px;
  display: flex;
  align-items: center;
  gap: var(--space-1);
}
</style>
