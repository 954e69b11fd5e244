<script setup lang="ts">
/** Tab, string 1 on top, with beats below; the column that sounds is boxed in yellow. */
import type { TabColumn } from '@finch/core/score';
import { computed } from 'vue';
import { nameChord } from '../app/words';

const props = withDefaults(
  defineProps<{
    columns: readonly TabColumn[];
    strings: number;
    now: number;
    playing: boolean;
    /** Width of a column. */
    spacing?: number;
    /** Beats of the bar under the lines. */
    beats?: boolean;
  }>(),
  { spacing: 92, beats: true },
);
const GAP = 19;
const width = computed(() => Math.max(320, 60 + props.columns.length * props.spacing));
const x = (i: number) => 64 + i * ((width.value - 84) / Math.max(1, props.columns.length));
const bars = computed(() =>
  props.columns.flatMap((column, i) =>
    i > 0 && props.columns[i - 1].bar !== column.bar ? [x(i) - props.spacing / 3] : [],
  ),
);
const spoken = computed(
  () =>
    `Tab, ${props.columns.length} strokes: ${props.columns
      .map((column) => column.chord ?? '')
      .filter(Boolean)
      .join(', ')}`,
);
const height = computed(() => props.strings * GAP + (props.beats ? 50 : 22));
</script>

<template>
  <svg class="tab" role="img" :aria-label="spoken" width="100%" :viewBox="`0 0 ${width} ${height}`">
    <g v-for="s in strings" :key="s">
      <line :x1="36" :x2="width - 8" :y1="24 + (s - 1) * GAP" :y2="24 + (s - 1) * GAP" />
      <text x="24" :y="29 + (s - 1) * GAP" text-anchor="end">{{ s }}</text>
    </g>
    <line
      v-for="bar in [36, ...bars, width - 8]"
      :key="bar"
      class="bar"
      :x1="bar"
      :x2="bar"
      :y1="24"
      :y2="24 + (strings - 1) * GAP"
    />
    <rect
      v-for="(column, i) in columns"
      v-show="playing && Math.floor(column.startBeat) === now"
      :key="`n${i}`"
      class="now"
      :x="x(i) - 18"
      y="12"
      width="36"
      :height="strings * GAP + 6"
    />
    <g v-for="(column, i) in columns" :key="i">
      <text v-if="column.chord" class="chord" :x="x(i)" y="12" text-anchor="middle">
        {{ nameChord(column.chord) }}
      </text>
      <template v-for="(cell, row) in column.cells" :key="row">
        <g v-if="cell !== null">
          <rect
            class="knock"
            :x="x(i) - 6 - cell.length * 3"
            :y="16 + row * GAP"
            :width="12 + cell.length * 6"
            height="16"
          />
          <text class="cell-text" :x="x(i)" :y="30 + row * GAP" text-anchor="middle">{{ cell }}</text>
        </g>
      </template>
      <text
        v-if="beats"
        :x="x(i)"
        :y="height - 12"
        text-anchor="middle"
        :class="{ strong: column.startBeat % 4 === 0 }"
      >
        {{ (column.startBeat % 4) + 1 }}
      </text>
    </g>
  </svg>
</template>

<style>
.tab {
  max-height: 136px;
}
.tab line {
  stroke: var(--fret);
}
.tab .bar {
  stroke: var(--ink);
  stroke-width: 2;
}
.tab text {
  font-family: var(--text);
  font-size: 14px;
  fill: var(--ink2);
}
.tab .cell-text {
  font-size: 16px;
  font-weight: 700;
  fill: var(--ink);
}
.tab .chord {
  font-family: var(--display);
  font-weight: 650;
  font-size: 16px;
  fill: var(--ink);
}
.tab .strong {
  font-weight: 700;
  fill: var(--ink);
}
.tab .knock {
  fill: var(--sheet);
}
.tab .now {
  fill: none;
  stroke: var(--wingbar);
  stroke-width: 4;
}
</style>
