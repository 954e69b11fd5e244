<script setup lang="ts">
/** One item of a check-up as it is put before the player: the grips or the bars, its tempo, and what is asked; no trial. */
import type { CheckUpBody } from '@finch/contract';
import { gripsInOrder, instrumentFor, type Drill } from '@finch/core/drills';
import { computed } from 'vue';
import { barsAround } from '../../instruments/bars-around';
import { gripDegrees } from '../../instruments/degrees';
import NeckBoard from '../../instruments/NeckBoard.vue';
import TabStrip from '../../instruments/TabStrip.vue';
import { chordText, nameChord, say, spokenGrip } from '../../words';

const props = defineProps<{ drill: Drill; name: string; taught: CheckUpBody['taught'] }>();
const NECKS = 2;
const grips = computed(() => {
  const seen = new Set<string>();
  return gripsInOrder(props.drill).filter((grip) => {
    const key = grip.frets.join();
    return !seen.has(key) && seen.add(key);
  });
});
const around = computed(() =>
  barsAround(props.drill.score, instrumentFor(props.drill, props.taught.instrument), 0),
);
</script>

<template>
  <section class="sheet item">
    <h2 class="display">{{ chordText(name) }}</h2>
    <p class="asks">{{ say(drill.question) }}</p>
    <p v-if="drill.tempoBpm" class="tempo">{{ drill.tempoBpm }} a minute</p>
    <div class="necks">
      <figure v-for="grip in grips.slice(0, NECKS)" :key="grip.frets.join()">
        <figcaption>{{ nameChord(grip.chord) }}</figcaption>
        <NeckBoard
          :width="560"
          :height="184"
          :frets="grip.frets"
          :fingers="grip.fingers"
          :degrees="gripDegrees(grip)"
          :left-handed="taught.instrument.leftHanded"
          :spoken="`${nameChord(grip.chord)}: ${spokenGrip(grip.frets, grip.fingers)}`"
        />
      </figure>
    </div>
    <TabStrip
      :columns="around.columns"
      :strings="taught.instrument.openPitches.length"
      :now="-1"
      :playing="false"
    />
  </section>
</template>

<style scoped>
.item {
  flex: none;
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
h2 {
  font-size: var(--size-7);
}
.asks {
  font-size: var(--size-5);
}
.tempo {
  font-size: var(--size-4);
}
.necks {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(280px, 560px));
  gap: var(--space-3);
}
figcaption {
  font-size: var(--size-4);
  font-weight: 700;
}
</style>
