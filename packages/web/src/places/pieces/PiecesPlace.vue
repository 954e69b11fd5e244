<script setup lang="ts">
/** The studio's repertoire: a piece as its chart, what it asks of a student, who of a group plays which part. */
import { PART_KINDS } from '@finch/core/score';
import { forwardBack, useKeys } from '../../app/keys';
import { useStages } from '../../app/stages';
import ChartPanel from './ChartPanel.vue';
import PieceAside from './PieceAside.vue';
import PieceDialogs from './PieceDialogs.vue';
import PieceStrip from './PieceStrip.vue';
import RepertoireList from './RepertoireList.vue';
import { usePieceBench } from './use-piece-bench';

const props = defineProps<{ pieceId?: string }>();
const bench = usePieceBench(() => props.pieceId);
const { chart, dialogs } = bench;
/** Each stands in a column of its own, so that nothing moves when the next comes a frame later. */
const stage = useStages(2);
useKeys('pieces', {
  piece: forwardBack(bench.walk),
  part: (at) => (chart.part.value = PART_KINDS[at]),
  key: () => (dialogs.is.keying = true),
  hear: () => void chart.hear(),
  changes: () => bench.toChanges(),
  drill: bench.toDrill,
  student: bench.otherStudent,
  put: bench.put,
});
</script>

<template>
  <div class="pieces">
    <PieceStrip class="strip" :bench="bench" />
    <RepertoireList class="list" :bench="bench" />
    <ChartPanel v-if="stage > 0" class="chart" :bench="bench" />
    <PieceAside v-if="stage > 1" class="aside" :bench="bench" />
    <PieceDialogs :bench="bench" />
  </div>
</template>

<style scoped>
.pieces {
  display: grid;
  grid-template-columns: 204px minmax(0, 1fr) 326px;
  grid-template-rows: 46px minmax(0, 1fr);
  gap: var(--space-2);
  padding: 0 var(--space-2) var(--space-2);
  height: 100%;
}
.strip {
  grid-column: 1 / -1;
}
@media (max-width: 1199px), (max-height: 599px) {
  .pieces {
    grid-template-columns: 180px minmax(0, 1fr);
    grid-template-rows: max-content;
    align-content: start;
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
