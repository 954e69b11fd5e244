<script setup lang="ts">
/**
 * One change on an upright neck, the nut above. Stays: a dot in a second ring. Slides: a bar along the string with a
 * chevron, a dashed ghost where it began. Lifts over: a dotted arc. Lifts off: a ghost under an upward chevron. Lands:
 * downward chevrons over the dot.
 */
import type { FingerMove } from '@finch/core/changes';
import { barresOf, dotAt, windowOf, wireAt, type FingerLabel, type Frets } from '@finch/core/grips';
import { computed } from 'vue';

const props = withDefaults(
  defineProps<{
    from: Frets;
    to: Frets;
    toFingers: readonly FingerLabel[];
    moves: readonly FingerMove[];
    leftHanded?: boolean;
    label?: string;
  }>(),
  { leftHanded: false, label: 'the change on the neck' },
);
const GAP = 22;
const LEFT = 30;
const TOP = 20;
const HEIGHT = 236;
const R = 9;
const strings = computed(() => props.to.length);
const frets = computed(() => windowOf([props.from, props.to], 4));
const x = (stringIndex: number) =>
  LEFT + GAP * (props.leftHanded ? strings.value - 1 - stringIndex : stringIndex);
const y = (fret: number) => (fret === 0 ? TOP - 9 : TOP + HEIGHT * dotAt(frets.value, fret));
const wires = computed(() =>
  Array.from({ length: frets.value.to - frets.value.from + 1 }, (_, i) => {
    const fret = frets.value.from + i;
    return { fret, y: TOP + HEIGHT * wireAt(frets.value, fret) };
  }),
);
const at = (spot: FingerMove['to']) => (spot ? { x: x(strings.value - spot.string), y: y(spot.fret) } : null);
const drawn = computed(() =>
  props.moves.map((move) => {
    const [from, to] = [at(move.from), at(move.to)];
    const arc =
      from && to
        ? `M${from.x} ${from.y}Q${(from.x + to.x) / 2 + (to.y >= from.y ? -14 : 14)} ${(from.y + to.y) / 2} ${to.x} ${to.y}`
        : '';
    return { ...move, from, to, arc };
  }),
);
const barres = computed(() =>
  barresOf(props.to, props.toFingers).map((barre) => {
    const [a, b] = [x(barre.fromIndex), x(barre.toIndex)];
    return { ...barre, x: Math.min(a, b), width: Math.abs(b - a), y: y(barre.fret) };
  }),
);
const width = computed(() => LEFT + GAP * (strings.value - 1) + 18);
</script>

<template>
  <svg
    class="change-drawing"
    role="img"
    :aria-label="label"
    :width="width"
    :height="TOP + HEIGHT + 8"
    :viewBox="`0 0 ${width} ${TOP + HEIGHT + 8}`"
  >
    <path
      v-for="s in strings"
      :key="`s${s}`"
      :d="`M${x(s - 1)} ${TOP}V${TOP + HEIGHT}`"
      stroke="var(--string)"
      :stroke-width="2.6 - 0.25 * s"
      opacity=".55"
    />
    <g v-for="wire in wires" :key="wire.fret">
      <path
        :d="`M${LEFT - 2} ${wire.y}H${LEFT + GAP * (strings - 1) + 2}`"
        :stroke="wire.fret === 0 ? 'var(--ink)' : 'var(--fret)'"
        :stroke-width="wire.fret === 0 ? 5 : 1.6"
      />
      <text v-if="wire.fret > frets.from" class="fret-number" :x="LEFT - 14" :y="y(wire.fret) + 4">
        {{ wire.fret }}
      </text>
    </g>
    <g v-for="move in drawn" :key="`f${move.finger}`">
      <template v-if="move.does === 'slides' && move.from && move.to">
        <path
          :d="`M${move.from.x} ${move.from.y}V${move.to.y}`"
          stroke="var(--crown)"
          stroke-width="6"
          fill="none"
        />
        <path
          :d="`M${move.to.x - 6} ${move.to.y + (move.to.y > move.from.y ? -R - 7 : R + 7)}l6 ${move.to.y > move.from.y ? 6 : -6} 6 ${move.to.y > move.from.y ? -6 : 6}`"
          stroke="var(--crown)"
          stroke-width="2"
          fill="none"
        />
      </template>
      <path v-else-if="move.does === 'lifts over'" class="arc" :d="move.arc" />
    </g>
    <rect
      v-for="barre in barres"
      :key="`b${barre.finger}`"
      class="capsule"
      :x="barre.x - R"
      :y="barre.y - R"
      :width="barre.width + 2 * R"
      :height="2 * R"
      :rx="R"
    />
    <g v-for="move in drawn" :key="`d${move.finger}`">
      <template v-if="move.from && move.does !== 'stays' && move.does !== 'adjusts'">
        <circle class="ghost" :cx="move.from.x" :cy="move.from.y" :r="R - 1" />
        <text class="ghost-label" :x="move.from.x" :y="move.from.y + 4">{{ move.finger }}</text>
        <path
          v-if="move.does === 'lifts off'"
          class="mark lift"
          :d="`M${move.from.x - 6} ${move.from.y - R - 4}l6 -6 6 6`"
        />
      </template>
      <template v-if="move.to">
        <circle
          v-if="move.does === 'stays' || move.does === 'adjusts'"
          class="ring"
          :cx="move.to.x"
          :cy="move.to.y"
          :r="R + 4"
        />
        <template v-if="move.does === 'lands'">
          <path class="mark" :d="`M${move.to.x - 6} ${move.to.y - R - 12}l6 6 6 -6`" />
          <path class="mark" :d="`M${move.to.x - 6} ${move.to.y - R - 7}l6 6 6 -6`" />
        </template>
        <circle :class="move.does === 'slides' ? 'dot slid' : 'dot'" :cx="move.to.x" :cy="move.to.y" :r="R" />
        <text class="dot-label" :x="move.to.x" :y="move.to.y + 4.2">{{ move.finger }}</text>
      </template>
    </g>
  </svg>
</template>

<style scoped>
.change-drawing {
  display: block;
  overflow: visible;
}
.fret-number {
  font-size: 12px;
  fill: var(--ink2);
  text-anchor: end;
}
.arc {
  stroke: var(--breast);
  stroke-width: 2;
  stroke-dasharray: 2 4;
  stroke-linecap: round;
  fill: none;
}
.capsule {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 2;
}
.ghost {
  fill: var(--sheet);
  stroke: var(--ink2);
  stroke-width: 1.3;
  stroke-dasharray: 2.5 2;
}
.ghost-label {
  font-size: 11px;
  font-weight: 700;
  fill: var(--ink2);
  text-anchor: middle;
}
.ring {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.8;
}
.mark {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.8;
}
.mark.lift {
  stroke: var(--breast);
}
.dot {
  fill: var(--ink);
  stroke: var(--sheet);
  stroke-width: 1.5;
}
.dot.slid {
  fill: var(--crown);
}
.dot-label {
  font-size: 12px;
  font-weight: 700;
  fill: var(--sheet);
  text-anchor: middle;
}
</style>
