<script setup lang="ts">
/**
 * A neck lying down, string 1 on top, true spacing and taper, position marks on a ruler below. Draws a grip,
 * or a change: who stays, slides, lifts over, lifts off and lands.
 */
import type { FingerMove } from '@finch/core/changes';
import {
  barresOf,
  beakPath,
  dotAt,
  MARKED_FRETS,
  windowOf,
  wireAt,
  type FingerLabel,
  type Frets,
} from '@finch/core/grips';
import { computed } from 'vue';

const props = withDefaults(
  defineProps<{
    frets: Frets;
    fingers: readonly FingerLabel[];
    degrees?: readonly (string | null)[];
    moves?: readonly FingerMove[];
    /** Where the hand comes from, for a change. */
    fromFrets?: Frets;
    spoken: string;
    leftHanded?: boolean;
    width?: number;
    height?: number;
    /** String number now struck, ringed for the ear. */
    struck?: number | null;
  }>(),
  {
    degrees: undefined,
    moves: undefined,
    fromFrets: undefined,
    leftHanded: false,
    width: 1200,
    height: 230,
    struck: null,
  },
);
const strings = computed(() => props.frets.length);
const fretWindow = computed(() =>
  windowOf(props.fromFrets ? [props.frets, props.fromFrets] : [props.frets], 5),
);
/** Dots on neighbouring strings touch and never overlap: half a string's distance at the nut, where they lie closest. */
const r = computed(() => Math.min(17, 0.0745 * (props.height - 56)));
const pad = computed(() => r.value * 3);
const boardBottom = computed(() => props.height - 44);
const mirror = (px: number) => (props.leftHanded ? props.width - px : px);
const along = (share: number) => mirror(pad.value + share * (props.width - pad.value * 1.6));
const x = (fret: number) =>
  fret === 0 ? mirror(pad.value - r.value * 1.4) : along(dotAt(fretWindow.value, fret));
/** Taper: the nut is 80 % of the width at fret 12. */
const spread = (share: number) => 0.86 + 0.14 * share;
const y = (s: number, share: number) => {
  const middle = (12 + boardBottom.value) / 2;
  const half = ((boardBottom.value - 12) / 2 - r.value * 0.9) * spread(share);
  return middle + half * (1 - (2 * s) / (strings.value - 1));
};
const share = (fret: number) => (fret === 0 ? 0 : dotAt(fretWindow.value, fret));
const at = (spot: { string: number; fret: number }) => ({
  cx: x(spot.fret),
  cy: y(strings.value - spot.string, share(spot.fret)),
});
const rows = computed(() =>
  Array.from(
    { length: fretWindow.value.to - fretWindow.value.from },
    (_, i) => fretWindow.value.from + 1 + i,
  ),
);
const barres = computed(() => barresOf(props.frets, props.fingers));
const deedOf = (finger: FingerLabel) => props.moves?.find((move) => move.finger === finger)?.does;
const dots = computed(() =>
  props.frets.flatMap((fret, s) => {
    if (fret === null || fret === 0) return [];
    const barre = barres.value.find((one) => one.finger === props.fingers[s]);
    return [
      {
        s,
        cx: x(fret),
        cy: y(s, share(fret)),
        text: String(props.fingers[s] ?? ''),
        root: props.degrees?.[s] === '1',
        pip: barre !== undefined && barre.fromIndex !== s,
        deed: deedOf(props.fingers[s]),
      },
    ];
  }),
);
const arcs = computed(() =>
  (props.moves ?? []).flatMap((move) => {
    if (!move.from || !move.to || (move.does !== 'slides' && move.does !== 'lifts over')) return [];
    const a = at(move.from);
    const b = at(move.to);
    const bend = move.does === 'lifts over' ? r.value * 1.6 : 0;
    return [
      {
        move,
        a,
        b,
        path: `M${a.cx} ${a.cy}Q${(a.cx + b.cx) / 2 + bend} ${(a.cy + b.cy) / 2 - bend} ${b.cx} ${b.cy}`,
      },
    ];
  }),
);
const ghosts = computed(() =>
  (props.moves ?? []).flatMap((move) =>
    move.from && move.does !== 'stays' ? [{ move, ...at(move.from) }] : [],
  ),
);
</script>

<template>
  <svg class="neck" role="img" :aria-label="spoken" width="100%" :viewBox="`0 0 ${width} ${height}`">
    <path
      class="board"
      :d="`M${along(0)} ${y(0, 0) + r * 0.8}L${along(1)} ${y(0, 1) + r * 0.8}V${y(strings - 1, 1) - r * 0.8}L${along(0)} ${y(strings - 1, 0) - r * 0.8}Z`"
    />
    <line
      v-for="fret in [fretWindow.from, ...rows]"
      :key="fret"
      class="wire"
      :class="{ nut: fret === 0 }"
      :x1="along(wireAt(fretWindow, fret))"
      :x2="along(wireAt(fretWindow, fret))"
      :y1="y(0, wireAt(fretWindow, fret)) + r * 0.8"
      :y2="y(strings - 1, wireAt(fretWindow, fret)) - r * 0.8"
    />
    <line
      v-for="(fret, s) in frets"
      :key="s"
      class="string"
      :class="{ silent: fret === null, struck: struck === strings - s }"
      :x1="along(0)"
      :y1="y(s, 0)"
      :x2="along(1)"
      :y2="y(s, 1)"
      :stroke-width="fret === null ? 1.4 : 3 - (1.8 * s) / (strings - 1)"
    />
    <template v-for="(fret, s) in frets" :key="`o${s}`">
      <circle
        v-if="fret === 0 && fretWindow.from === 0"
        class="open"
        :cx="x(0)"
        :cy="y(s, 0)"
        :r="r * 0.45"
      />
    </template>
    <g class="ruler">
      <line :x1="along(0)" :x2="along(1)" :y1="height - 34" :y2="height - 34" />
      <template v-for="fret in rows" :key="fret">
        <line
          v-if="MARKED_FRETS.has(fret)"
          class="marked"
          :x1="along(wireAt(fretWindow, fret - 1))"
          :x2="along(wireAt(fretWindow, fret))"
          :y1="height - 34"
          :y2="height - 34"
        />
        <line
          v-if="fret === 12 || fret === 24"
          class="marked"
          :x1="along(wireAt(fretWindow, fret - 1))"
          :x2="along(wireAt(fretWindow, fret))"
          :y1="height - 28"
          :y2="height - 28"
        />
        <text
          :x="along((wireAt(fretWindow, fret - 1) + wireAt(fretWindow, fret)) / 2)"
          :y="height - 10"
          :class="{ strong: MARKED_FRETS.has(fret) }"
        >
          {{ fret }}
        </text>
      </template>
    </g>
    <g v-for="arc in arcs" :key="String(arc.move.finger)">
      <path :class="arc.move.does === 'slides' ? 'slide' : 'over'" :d="arc.path" />
    </g>
    <g v-for="ghost in ghosts" :key="`g${ghost.move.finger}`" class="ghost">
      <circle :cx="ghost.cx" :cy="ghost.cy" :r="r * 0.9" />
      <text :x="ghost.cx" :y="ghost.cy + r * 0.4" :font-size="r * 1.1">{{ ghost.move.finger }}</text>
      <path
        v-if="ghost.move.does === 'lifts off'"
        class="chevron"
        :d="`M${ghost.cx - 6} ${ghost.cy - r * 1.4}l6 -6 6 6`"
      />
    </g>
    <g v-for="barre in barres" :key="barre.finger">
      <rect
        class="capsule"
        :x="x(barre.fret) - r * 0.75"
        :width="r * 1.5"
        :y="y(barre.toIndex, share(barre.fret)) - r * 0.75"
        :height="
          Math.abs(y(barre.fromIndex, share(barre.fret)) - y(barre.toIndex, share(barre.fret))) + r * 1.5
        "
        :rx="r * 0.75"
      />
    </g>
    <g v-for="dot in dots" :key="`d${dot.s}`" class="dot">
      <circle v-if="dot.deed === 'stays' && !dot.pip" class="ring" :cx="dot.cx" :cy="dot.cy" :r="r * 1.28" />
      <circle v-if="dot.pip" class="ink" :cx="dot.cx" :cy="dot.cy" :r="r * 0.42" />
      <template v-else>
        <path
          v-if="dot.root"
          class="ink halo"
          :d="beakPath(dot.cx, dot.cy, r, leftHanded ? 'right' : 'left')"
        />
        <circle v-else class="ink halo" :cx="dot.cx" :cy="dot.cy" :r="r" />
        <text class="dot-text" :x="dot.cx" :y="dot.cy + r * 0.43" :font-size="r * 1.25">{{ dot.text }}</text>
      </template>
      <path
        v-if="dot.deed === 'lands'"
        class="chevron land"
        :d="`M${dot.cx - 7} ${dot.cy - r * 2.1}l7 6 7 -6m-14 7l7 6 7 -6`"
      />
    </g>
  </svg>
</template>

<style scoped>
.neck {
  display: block;
  overflow: visible;
}
.neck .board {
  fill: var(--board);
}
.neck .wire {
  stroke: var(--fret);
  stroke-width: 2.2;
}
.neck .wire.nut {
  stroke: var(--ink);
  stroke-width: 7;
}
.neck .string {
  stroke: var(--string);
}
.neck .string.silent {
  stroke-dasharray: 1.5 5;
}
.neck .string.struck {
  stroke: var(--crown);
  stroke-width: 4;
}
.neck .ruler line {
  stroke: var(--ink3);
}
.neck .ruler .marked {
  stroke: var(--ink);
  stroke-width: 3.5;
}
.neck .ruler text {
  fill: var(--ink3);
  text-anchor: middle;
  font-size: 16px;
  font-family: var(--text);
}
.neck .ruler .strong {
  fill: var(--ink);
  font-weight: 700;
}
.neck .ink {
  fill: var(--ink);
}
.neck .halo {
  stroke: var(--sheet);
  stroke-width: 1.5;
}
.neck .ring {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.4;
}
.neck .dot-text {
  fill: var(--sheet);
  font-weight: 700;
  text-anchor: middle;
  font-family: var(--text);
}
.neck .capsule {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 2;
}
.neck .slide {
  stroke: var(--crown);
  stroke-width: 6;
  fill: none;
}
.neck .over {
  stroke: var(--breast);
  stroke-width: 2.2;
  stroke-dasharray: 2 4;
  fill: none;
}
.neck .ghost circle {
  fill: var(--board);
  stroke: var(--crown);
  stroke-width: 1.8;
  stroke-dasharray: 3 3;
}
.neck .ghost text {
  fill: var(--crown);
  text-anchor: middle;
  font-weight: 700;
}
.neck .chevron {
  stroke: var(--breast);
  stroke-width: 2.2;
  fill: none;
}
.neck .chevron.land {
  stroke: var(--crown);
}
.neck .open {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
}
</style>
