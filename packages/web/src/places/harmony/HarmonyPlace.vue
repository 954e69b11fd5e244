<script setup lang="ts">
/** What a chord is for: keys and their degrees, the circle, scales on the neck, progressions with swaps, melody on top. */
import { BButton } from 'bootstrap-vue-next';
import { computed, ref, useTemplateRef } from 'vue';
import { backForward, useKeys } from '../../app/keys';
import LaterFrame from '../../furniture/LaterFrame.vue';
import PatternDefs from '../../instruments/PatternDefs.vue';
import SegmentPick from '../../instruments/SegmentPick.vue';
import ChordSide from './ChordSide.vue';
import CircleView from './CircleView.vue';
import DegreeView from './DegreeView.vue';
import KeyBar from './KeyBar.vue';
import KeySheetDialog from './KeySheetDialog.vue';
import MelodyView from './MelodyView.vue';
import ProgressionView from './ProgressionView.vue';
import ScaleView from './ScaleView.vue';
import { useHarmonyBench, VIEWS } from './use-harmony-bench';

const bench = useHarmonyBench();
const { inHand, view, progression, heard, grip } = bench;
const printing = ref(false);
const keyBar = useTemplateRef<InstanceType<typeof KeyBar>>('keyBar');
const withSide = computed(() => view.value !== 'melody' && view.value !== 'scale');
const nextView = () => {
  const at = VIEWS.findIndex((one) => one.id === view.value);
  view.value = VIEWS[(at + 1) % VIEWS.length].id;
};
useKeys('harmony', {
  degree: backForward((by) => (view.value === 'progression' ? progression.step(by) : inHand.step(by))),
  key: () => keyBar.value?.focus(),
  sevenths: () => (inHand.sevenths.value = !inHand.sevenths.value),
  view: nextView,
  shapes: () => bench.lead('shapes'),
  hear: () => void heard.grips([grip.value?.frets ?? null]),
  put: () => void bench.put(),
});
</script>

<template>
  <div class="harmony" :class="{ wide: !withSide }">
    <PatternDefs />
    <Teleport defer to="#bench-tools">
      <BButton variant="outline-secondary" @click="printing = true">Print a key…</BButton>
    </Teleport>
    <section class="sheet scroll main" aria-label="Harmony" tabindex="0">
      <div class="head">
        <SegmentPick v-model="view" label="What is shown" :options="VIEWS" />
        <KeyBar v-if="view !== 'scale'" ref="keyBar" :in-hand="inHand" />
      </div>
      <DegreeView v-if="view === 'degrees'" :bench="bench" />
      <CircleView v-else-if="view === 'circle'" :bench="bench" />
      <ScaleView v-else-if="view === 'scale'" :bench="bench" />
      <ProgressionView v-else-if="view === 'progression'" :bench="bench" />
      <MelodyView v-else :bench="bench" />
    </section>
    <aside v-if="withSide" class="sheet scroll side" aria-label="The chord in hand" tabindex="0">
      <LaterFrame><ChordSide :bench="bench" /></LaterFrame>
    </aside>
    <KeySheetDialog v-model="printing" :in-hand="inHand" />
  </div>
</template>

<style scoped>
.harmony {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 324px;
  gap: var(--space-2);
}
.harmony.wide {
  grid-template-columns: minmax(0, 1fr);
}
.main,
.side {
  display: flex;
  flex-direction: column;
  gap: var(--space-3);
}
.head {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2) var(--space-4);
  align-items: center;
  justify-content: space-between;
}
@media (max-width: 1199px), (max-height: 599px) {
  .harmony {
    grid-template-columns: minmax(0, 1fr);
  }
}
@media (max-width: 779px) {
  .head :deep(.segments) {
    flex-wrap: wrap;
  }
  .head :deep(.segments button) {
    min-height: 44px;
  }
}
</style>
