<script setup lang="ts">
/** The family of the root from one grip to the next, one move a rung. */
import type { Frets } from '@finch/core/grips';
import { chordText, fretsMoved } from '../../words';
import type { AlongNeck } from '../../workers/bench-jobs';
import GripThumb from './GripThumb.vue';

defineProps<{ along: AlongNeck; leftHanded: boolean }>();
const emit = defineEmits<{ use: [symbol: string, frets: Frets] }>();
</script>

<template>
  <section>
    <h2>The family, one move a rung</h2>
    <ol class="thumbs">
      <li v-for="(rung, i) in along.ladder" :key="i">
        <GripThumb
          :grip="rung.grip"
          :name="chordText(rung.chord.symbol)"
          :left-handed="leftHanded"
          @use="emit('use', rung.chord.symbol, rung.grip.frets)"
          ><template v-if="rung.moves[0]"
            >string {{ rung.moves[0].string }}, {{ fretsMoved(rung.moves[0].by) }}</template
          ><template v-else>start</template></GripThumb
        >
      </li>
    </ol>
  </section>
</template>

<style scoped>
.thumbs {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-1);
  list-style: none;
  padding: 0;
  margin: 0;
}
.thumbs :deep(small) {
  text-align: center;
}
</style>
