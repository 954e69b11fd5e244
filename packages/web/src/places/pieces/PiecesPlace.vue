<script setup lang="ts">
/** The studio's repertoire: a piece as its chart, what it asks of a student, who of a group plays which part. */
import { useKeys } from '../../app/keys';
import ChartPanel from './ChartPanel.vue';
import PieceAside from './PieceAside.vue';
import PieceDialogs from './PieceDialogs.vue';
import PieceStrip from './PieceStrip.vue';
import RepertoireList from './RepertoireList.vue';
import { usePieceBench } from './use-piece-bench';

const props = defineProps<{ pieceId?: string }>();
const bench = usePieceBench(() => props.pieceId);
const { chart, dialogs } = bench;
useKeys([
  { key: 'j', shown: 'J K', does: 'next piece', run: () => bench.walk(1) },
  { key: 'k', does: 'piece before', run: () => bench.walk(-1), quiet: true },
  ...(['full', 'capo', 'two notes'] as const).map((kind, i) => ({
    key: String(i + 1),
    ...(i === 0 ? { shown: '1–3' } : {}),
    does: 'part',
    run: () => (chart.part.value = kind),
    quiet: i > 0,
  })),
  { key: 'c', does: 'capo and key', run: () => (dialogs.is.keying = true) },
  { key: 'h', does: 'hear', run: () => void chart.hear() },
  { key: 'Enter', does: 'open bars in Changes', run: () => bench.toChanges() },
  { key: 'd', does: 'drill bars', run: bench.toDrill },
  { key: 'g', does: 'other student', run: bench.otherStudent },
  { key: 'Shift+p', shown: 'Shift P', does: 'put in plan', run: bench.put },
]);
</script>

<template>
  <div class="pieces">
    <PieceStrip class="strip" :bench="bench" />
    <RepertoireList class="list" :bench="bench" />
    <ChartPanel :bench="bench" />
    <PieceAside class="aside" :bench="bench" />
    <PieceDialogs :bench="bench" />
  </div>
</template>

<style scoped>
.pieces {
  display: grid;
  grid-template-columns: 204px minmax(0, 1fr) 326px;
  grid-template-rows: 46px minmax(0, 1fr);
  gap: 8px;
  padding: 0 8px 8px;
  height: 100%;
}
.strip {
  grid-column: 1 / -1;
}
@media (max-width: 1199px), (max-height: 599px) {
  .pieces {
    grid-template-columns: 180px minmax(0, 1fr);
    grid-template-rows: auto;
    grid-auto-rows: max-content;
    padding: 0;
  }
  .aside {
    grid-column: 1 / -1;
  }
}
@media (max-width: 820px) {
  .pieces {
    grid-template-columns: minmax(0, 1fr);
  }
}
@media print {
  .list,
  .aside {
    display: none;
  }
  .pieces {
    display: block;
    height: auto;
  }
}
</style>
