<script setup lang="ts">
/** A grip as a card: strings upright, thickest at the left (mirrored for left-handers), true fret spacing. */
import { barresOf, type FingerLabel, type Frets } from '@finch/core/grips';
import { computed } from 'vue';
import { chordText, degreeText, spokenChord } from '../app/words';
import { beakPath, dotAt, MARKED_FRETS, windowOf, wireAt } from './neck';

const props = withDefaults(
  defineProps<{
    frets: Frets;
    fingers: readonly FingerLabel[];
    /** Degrees by string; marks the root and fills the interval view. */
    degrees?: readonly (string | null)[];
    notes?: readonly (string | null)[];
    chord?: string;
    size?: 'thumb' | 'list' | 'bench' | 'lesson';
    show?: 'fingers' | 'degrees' | 'notes';
    leftHanded?: boolean;
    leastFrets?: number;
  }>(),
  {
    degrees: undefined,
    notes: undefined,
    chord: '',
    size: 'list',
    show: 'fingers',
    leftHanded: false,
    leastFrets: 4,
  },
);

const SIZES = {
  thumb: { r: 6.5, gap: 12, height: 62, label: 0 },
  list: { r: 10.5, gap: 22.8, height: 106, label: 12.5 },
  bench: { r: 17, gap: 37, height: 200, label: 16 },
  lesson: { r: 29, gap: 58, height: 270, label: 30 },
} as const;

const look = computed(() => SIZES[props.size]);
const strings = computed(() => props.frets.length);
const fretWindow = computed(() => windowOf([props.frets], props.leastFrets));
const left = computed(() => (look.value.label ? look.value.label * 2.1 + look.value.r : look.value.r + 3));
const top = computed(() => look.value.r * 2.3);
const width = computed(() => left.value + (strings.value - 1) * look.value.gap + look.value.r + 3);
const height = computed(() => top.value + look.value.height + look.value.r * 0.7);
const x = (s: number) => left.value + (props.leftHanded ? strings.value - 1 - s : s) * look.value.gap;
const y = (share: number) => top.value + share * look.value.height;
const rows = computed(() =>
  Array.from(
    { length: fretWindow.value.to - fretWindow.value.from },
    (_, i) => fretWindow.value.from + 1 + i,
  ),
);
const barres = computed(() => barresOf(props.frets, props.fingers));
const barred = (s: number) =>
  barres.value.find((barre) => props.fingers[s] === barre.finger && props.frets[s] === barre.fret);
const under = (s: number) =>
  barres.value.find((barre) => s > barre.fromIndex && s < barre.toIndex && !barre.presses.includes(s));
const stringWidth = (s: number) =>
  (3 - (1.8 * s) / (strings.value - 1)) *
  (props.size === 'thumb' ? 0.45 : props.size === 'list' ? 0.6 : 0.85);
const dots = computed(() =>
  props.frets.flatMap((fret, s) => {
    if (fret === null || fret === 0) return [];
    const barre = barred(s);
    const pip = barre !== undefined && barre.fromIndex !== s;
    const root = props.degrees?.[s] === '1';
    const text =
      props.show === 'fingers'
        ? String(props.fingers[s] ?? '')
        : props.show === 'notes'
          ? chordText(props.notes?.[s] ?? '')
          : root
            ? 'R'
            : degreeText(props.degrees?.[s] ?? '');
    return [
      { s, cx: x(s), cy: y(dotAt(fretWindow.value, fret)), pip: pip && props.show === 'fingers', root, text },
    ];
  }),
);
const spoken = computed(() => {
  const name = props.chord ? `${spokenChord(props.chord)}, ` : '';
  const frets = props.frets.map((fret) => (fret === null ? 'mute' : fret === 0 ? 'open' : fret)).join(', ');
  const rootAt = props.degrees?.findIndex((degree) => degree === '1') ?? -1;
  return `${name}frets ${frets}${rootAt >= 0 ? `; root on string ${strings.value - rootAt}` : ''}`;
});
const r = computed(() => look.value.r);
</script>

<template>
  <svg
    class="shape-card"
    role="img"
    :aria-label="spoken"
    :width="width"
    :height="height"
    :viewBox="`0 0 ${width} ${height}`"
  >
    <g v-if="look.label" class="labels" :font-size="look.label" text-anchor="end">
      <template v-for="fret in rows" :key="fret">
        <text
          :x="left - r - look.label * 0.85"
          :y="y(dotAt(fretWindow, fret)) + look.label * 0.35"
          :class="{ marked: MARKED_FRETS.has(fret) }"
        >
          {{ fret }}
        </text>
        <line
          v-if="MARKED_FRETS.has(fret)"
          class="bar"
          :x1="left - r - look.label * 0.4"
          :x2="left - r - look.label * 0.4"
          :y1="y(wireAt(fretWindow, fret - 1)) + 2"
          :y2="y(wireAt(fretWindow, fret)) - 2"
        />
        <line
          v-if="fret === 12 || fret === 24"
          class="bar"
          :x1="left - r - look.label * 0.12"
          :x2="left - r - look.label * 0.12"
          :y1="y(wireAt(fretWindow, fret - 1)) + 2"
          :y2="y(wireAt(fretWindow, fret)) - 2"
        />
      </template>
    </g>
    <line
      v-for="fret in [fretWindow.from, ...rows]"
      :key="fret"
      class="wire"
      :class="{ nut: fret === 0 }"
      :x1="x(leftHanded ? strings - 1 : 0) - 1"
      :x2="x(leftHanded ? 0 : strings - 1) + 1"
      :y1="y(wireAt(fretWindow, fret))"
      :y2="y(wireAt(fretWindow, fret))"
      :stroke-width="
        fret === 0 ? (size === 'thumb' ? 3 : size === 'lesson' ? 7 : 5) : size === 'thumb' ? 1 : 1.6
      "
    />
    <line
      v-for="(fret, s) in frets"
      :key="`s${s}`"
      class="string"
      :class="{ silent: fret === null }"
      :x1="x(s)"
      :x2="x(s)"
      :y1="y(0)"
      :y2="y(1)"
      :stroke-width="fret === null ? 1.2 : stringWidth(s)"
    />
    <g v-for="barre in barres" v-show="show === 'fingers'" :key="barre.finger">
      <rect
        class="capsule"
        :x="Math.min(x(barre.fromIndex), x(barre.toIndex)) - r * 0.75"
        :width="Math.abs(x(barre.toIndex) - x(barre.fromIndex)) + r * 1.5"
        :y="y(dotAt(fretWindow, barre.fret)) - r * 0.75"
        :height="r * 1.5"
        :rx="r * 0.75"
      />
      <template v-for="(_, s) in frets" :key="s">
        <line
          v-if="under(s) === barre"
          class="higher"
          :x1="x(s)"
          :x2="x(s)"
          :y1="y(dotAt(fretWindow, barre.fret)) - r * 0.7"
          :y2="y(dotAt(fretWindow, barre.fret)) + r * 0.7"
        />
        <line
          v-else-if="barre.presses.includes(s)"
          class="string"
          :stroke-width="stringWidth(s)"
          :x1="x(s)"
          :x2="x(s)"
          :y1="y(dotAt(fretWindow, barre.fret)) - r * 0.7"
          :y2="y(dotAt(fretWindow, barre.fret)) + r * 0.7"
        />
      </template>
    </g>
    <g v-for="(fret, s) in frets" :key="`t${s}`">
      <g v-if="fret === null" class="mute" :stroke-width="size === 'thumb' ? 1.4 : 2">
        <path
          :d="`M${x(s) - r * 0.45} ${top - r * 1.75}l${r * 0.9} ${r * 0.9}m0 ${-r * 0.9}l${-r * 0.9} ${r * 0.9}`"
        />
        <path v-if="size !== 'thumb'" :d="`M${x(s) - r * 0.6} ${top - r * 0.6}h${r * 1.2}`" />
      </g>
      <g v-else-if="fret === 0" class="open" :stroke-width="size === 'thumb' ? 1.4 : 2">
        <circle
          v-if="degrees?.[s] !== '1' || show === 'fingers'"
          :cx="x(s)"
          :cy="top - r * 1.25"
          :r="r * 0.45"
        />
        <text
          v-if="show !== 'fingers' && size !== 'thumb'"
          class="open-label"
          :x="x(s)"
          :y="top - r * 0.95"
          :font-size="r * 1.05"
          text-anchor="middle"
        >
          {{
            show === 'notes'
              ? chordText(notes?.[s] ?? '')
              : degrees?.[s] === '1'
                ? 'R'
                : degreeText(degrees?.[s] ?? '')
          }}
        </text>
        <path :d="`M${x(s)} ${top - r * 0.8}V${y(0)}`" />
      </g>
    </g>
    <g v-for="dot in dots" :key="dot.s" class="dot">
      <circle v-if="dot.pip && !dot.root" :cx="dot.cx" :cy="dot.cy" :r="r * 0.42" class="ink" />
      <path v-else-if="dot.root && dot.pip" class="ink" :d="beakPath(dot.cx, dot.cy, r * 0.5, 'up')" />
      <template v-else>
        <rect
          v-if="show !== 'fingers'"
          class="ink halo"
          :x="dot.cx - r"
          :y="dot.cy - r"
          :width="2 * r"
          :height="2 * r"
          :rx="r * 0.3"
        />
        <path v-if="dot.root" class="ink halo" :d="beakPath(dot.cx, dot.cy, r, 'up')" />
        <circle v-else-if="show === 'fingers'" class="ink halo" :cx="dot.cx" :cy="dot.cy" :r="r" />
        <text
          v-if="size !== 'thumb'"
          class="dot-text"
          :x="dot.cx"
          :y="dot.cy + r * (dot.text.length > 1 ? 0.37 : 0.43)"
          :font-size="r * (dot.text.length > 1 ? 1.07 : 1.25)"
          text-anchor="middle"
        >
          {{ dot.text }}
        </text>
      </template>
    </g>
  </svg>
</template>

<style>
.shape-card {
  display: block;
  overflow: visible;
  max-width: 100%;
}
.shape-card .wire {
  stroke: var(--fret);
}
.shape-card .wire.nut {
  stroke: var(--ink);
}
.shape-card .string {
  stroke: var(--string);
}
.shape-card .string.silent {
  stroke-dasharray: 1.5 5;
  stroke: var(--string);
}
.shape-card .labels text {
  fill: var(--ink3);
  font-family: var(--text);
}
.shape-card .labels text.marked {
  fill: var(--ink);
  font-weight: 700;
}
.shape-card .bar {
  stroke: var(--ink);
  stroke-width: 2.4;
}
.shape-card .capsule {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 2;
}
.shape-card .higher {
  stroke: var(--string);
  stroke-dasharray: 1.5 3.5;
  stroke-width: 1.2;
}
.shape-card .mute path {
  stroke: var(--ink2);
  fill: none;
}
.shape-card .open circle {
  stroke: var(--ink);
  fill: none;
}
.shape-card .open path {
  stroke: var(--ink);
}
.shape-card .open-label {
  fill: var(--ink);
  font-weight: 700;
}
.shape-card .ink {
  fill: var(--ink);
}
.shape-card .halo {
  stroke: var(--sheet);
  stroke-width: 1.5;
}
.shape-card .dot-text {
  fill: var(--sheet);
  font-weight: 700;
  font-family: var(--text);
}
</style>
