<script setup lang="ts">
/** The paths that differ, and the one chosen along the neck. */
import { useMediaQuery } from '@vueuse/core';
import { BButton } from 'bootstrap-vue-next';
import { computed } from 'vue';
import PathBoard from '../../instruments/PathBoard.vue';
import SegmentPick from '../../instruments/SegmentPick.vue';
import PathList from './PathList.vue';
import type { PathBench } from './use-path-bench';

/** Ways that were given up, said before the rest is counted. */
const SAID = 3;
const props = defineProps<{ bench: PathBench; millimetres: boolean }>();
const { work, taught, heard, where, wantedBpm, gaveWay, openShape } = props.bench;
const { paths, pathNames, path, shown, picked, busy, failed } = work;
const { instrument, limit } = taught;
const narrow = useMediaQuery('(max-width: 779px)');
const choices = computed(() =>
  paths.value.map((one, i) => ({
    id: i,
    name: `${pathNames.value[i]}, ${one.tempoBpm === null ? 'no change' : `${Math.round(one.tempoBpm)} bpm`}`,
    where: `${one.area ? `frets ${one.area.lowFret} to ${one.area.highFret}` : 'open strings'}, ${Math.round(one.shiftMm)} mm`,
  })),
);
const outside = computed(() => {
  const rest = gaveWay.value.length - SAID;
  return `${gaveWay.value.slice(0, SAID).join('; ')}${rest > 0 ? ` and ${rest} more` : ''}`;
});
</script>

<template>
  <div class="spread bar-line">
    <h1 class="h2like">The hand’s path along the neck</h1>
    <SegmentPick v-if="choices.length > 1" v-model="shown" label="Paths that differ" :options="choices">
      <template #default="{ option }">
        {{ option.name }} <small>{{ choices[option.id].where }}</small>
      </template>
    </SegmentPick>
    <span v-if="busy" class="small" role="status">Searching…</span>
  </div>
  <p v-if="failed" class="refusal" role="alert">
    The path could not be worked out in this window.
    <BButton size="sm" variant="outline-secondary" @click="work.plan()">Try again</BButton>
  </p>
  <p v-if="gaveWay.length" class="gave-way" role="status">Outside what is asked: {{ outside }}.</p>
  <div class="board scroll" tabindex="0" aria-label="Path">
    <PathList
      v-if="path && path.steps.length && narrow"
      :path="path"
      :where="where"
      :wanted-bpm="wantedBpm"
      :picked="picked"
      @pick="picked = $event"
      @open="openShape"
    />
    <PathBoard
      v-else-if="path && path.steps.length"
      :path="path"
      :where="where"
      :wanted-bpm="wantedBpm"
      :picked="picked"
      :limit="limit"
      :left-handed="instrument.leftHanded"
      :millimetres="millimetres"
      :sounding="heard.sounding.value"
      @pick="picked = $event"
      @open="openShape"
    />
    <p v-else-if="!busy && !failed" class="empty">
      No chords yet. Type some, like C Am F G, with bars: | Db | Bbm7 | Gb Ab7 | or in numbers: ii7 V7 I in Ab
    </p>
  </div>
</template>

<style scoped>
.bar-line {
  align-items: center;
  justify-content: flex-start;
  gap: var(--space-4);
}
.bar-line h1 {
  white-space: nowrap;
}
.bar-line :deep(.segments button) {
  line-height: 1.2;
  padding: var(--space-1) var(--space-3);
}
.bar-line small {
  display: block;
  font-weight: 400;
  font-size: var(--size-1);
}
.board {
  flex: 1;
  min-height: 0;
  overflow: auto;
  border-top: 1px solid var(--line);
  padding-top: var(--space-1);
}
.gave-way {
  font-size: var(--size-2);
  background: var(--wash-breast);
  padding: var(--space-1) var(--space-2);
  border-radius: 2px;
}
@media (max-width: 1199px), (max-height: 599px) {
  .board {
    overflow: visible;
  }
}
@media (max-width: 779px) {
  .bar-line {
    flex-wrap: wrap;
  }
  .bar-line h1 {
    white-space: normal;
  }
  .bar-line :deep(.segments) {
    display: flex;
    flex-direction: column;
    width: 100%;
  }
}
@media print {
  .board {
    overflow: visible;
  }
}
</style>
