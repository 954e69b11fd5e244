<script setup lang="ts">
/** Tab, string 1 on top, with beats below; the column that sounds is boxed in yellow. */
import { beatsOf, TICKS_A_BEAT, type TabColumn } from '@finch/core/score';
import { computed } from 'vue';
import { nameChord } from '../words';

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
/** Room under the strings for what the striking hand does. */
const HAND = 22;
const COUNT = 16;
/** Width of a line with strokes, and how near they may stand before it grows. */
const HANDS_WIDTH = 660;
const CLOSEST = 26;
const hands = computed(() => props.columns.some((column) => column.hand !== undefined));
const width = computed(() =>
  hands.value
    ? Math.max(HANDS_WIDTH, 84 + props.columns.length * CLOSEST)
    : Math.max(320, 60 + props.columns.length * props.spacing),
);
/** Where each column stands, in columns: side by side, or as the beats fall where the striking hand is shown. */
const places = computed(() => {
  if (!hands.value) return { at: props.columns.map((_, i) => i), room: props.columns.length };
  const gaps = props.columns.slice(1).map((column, i) => column.startTick - props.columns[i].startTick);
  const shortest = Math.max(TICKS_A_BEAT / 4, Math.min(TICKS_A_BEAT, ...gaps.filter((gap) => gap > 0)));
  const first = props.columns[0];
  const barAt = (first?.startTick ?? 0) - (first?.tick ?? 0);
  // A little room before each bar line.
  const at = props.columns.map(
    (column) => (column.startTick - barAt) / shortest + 0.4 * (column.bar - (first?.bar ?? 0)),
  );
  const last = props.columns[props.columns.length - 1];
  return { at, room: (at[at.length - 1] ?? 0) + (last ? last.ticks / shortest : 1) };
});
const x = (i: number) => 64 + places.value.at[i] * ((width.value - 84) / Math.max(1, places.value.room));
const count = (tick: number): string => {
  const part = beatsOf(tick % TICKS_A_BEAT);
  if (part === 0) return String(tick / TICKS_A_BEAT + 1);
  return { 0.25: 'e', 0.5: '+', 0.75: 'a' }[part] ?? '·';
};
const bars = computed(() =>
  props.columns.flatMap((column, i) =>
    i > 0 && props.columns[i - 1].bar !== column.bar ? [x(i) - props.spacing / 3] : [],
  ),
);
const handWords = (hand: TabColumn['hand']): string =>
  hand === undefined ? '' : typeof hand === 'string' ? hand : hand.join(' ');
const spoken = computed(
  () =>
    `Tab, ${props.columns.length} strokes: ${props.columns
      .map((column) => [column.chord, handWords(column.hand)].filter(Boolean).join(' '))
      .filter(Boolean)
      .join(', ')}`,
);
const height = computed(
  () =>
    props.strings * GAP +
    (props.beats ? 50 : 22) +
    (hands.value ? HAND : 0) +
    (hands.value && !props.beats ? COUNT : 0),
);
const handY = computed(() => 24 + (props.strings - 1) * GAP + 12);
const arrow = (hand: string, at: number): string => {
  const [top, foot] = [handY.value, handY.value + 17];
  return hand.startsWith('up')
    ? `M${at} ${foot}V${top + 2}M${at - 4} ${top + 7}l4-6 4 6`
    : `M${at} ${top}V${foot - 2}M${at - 4} ${foot - 7}l4 6 4-6`;
};
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
      v-show="playing && Math.floor(beatsOf(column.startTick)) === now"
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
      <template v-if="column.hand !== undefined">
        <text
          v-if="typeof column.hand !== 'string'"
          class="hand"
          :x="x(i)"
          :y="handY + 13"
          text-anchor="middle"
        >
          {{ column.hand.join('') }}
        </text>
        <path
          v-else-if="column.hand === 'chop' || column.hand === 'mute'"
          class="stroke"
          :d="`M${x(i) - 5} ${handY + 4}l10 10m0-10l-10 10${column.hand === 'mute' ? 'm-2 5h14' : ''}`"
        />
        <path
          v-else
          class="stroke"
          :class="{ accent: column.hand.endsWith('accent') }"
          :d="arrow(column.hand, x(i))"
        />
      </template>
      <text
        v-if="beats || hands"
        :x="x(i)"
        :y="height - (beats ? 12 : 4)"
        text-anchor="middle"
        :class="{ strong: column.tick === 0 }"
      >
        {{ count(column.tick) }}
      </text>
    </g>
  </svg>
</template>

<style scoped>
.tab {
  max-height: 174px;
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
.tab .hand {
  font-weight: 700;
  fill: var(--ink);
}
.tab .stroke {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.8;
}
.tab .stroke.accent {
  stroke-width: 4;
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
