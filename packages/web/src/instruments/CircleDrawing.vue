<script setup lang="ts">
/** The circle of fifths: twelve places, majors outside, minors inside, the key in hand and those of its signature marked. */
import { circleOfFifths } from '@finch/core/harmony';
import { noteText, type Key } from '@finch/core/theory';
import { computed } from 'vue';
import { chordText } from '../words';

const props = defineProps<{ name: string; fifths: number; mode: 'major' | 'minor' }>();
const emit = defineEmits<{ take: [name: string] }>();
const SIZE = 440;
const R = SIZE / 2 - 6;
const RINGS = [
  { of: 'majors' as const, from: 0.68, to: 1, at: 0.84, size: 22 },
  { of: 'minors' as const, from: 0.36, to: 0.68, at: 0.52, size: 18 },
];
const point = (place: number, share: number): readonly [number, number] => {
  const angle = (place / 12) * 2 * Math.PI - Math.PI / 2;
  return [SIZE / 2 + Math.cos(angle) * R * share, SIZE / 2 + Math.sin(angle) * R * share];
};
const wedge = (place: number, from: number, to: number): string => {
  const [a, b, c, d] = [
    point(place - 0.5, from),
    point(place - 0.5, to),
    point(place + 0.5, to),
    point(place + 0.5, from),
  ];
  return `M${a.join(' ')}L${b.join(' ')}A${R * to} ${R * to} 0 0 1 ${c.join(' ')}L${d.join(' ')}A${R * from} ${R * from} 0 0 0 ${a.join(' ')}Z`;
};
/** Keys that lie a place off share all but one note. */
const near = (key: Key): boolean => Math.abs(key.fifths - props.fifths) <= 1;
const places = computed(() =>
  circleOfFifths().flatMap((place, i) =>
    RINGS.map((ring) => {
      const keys = place[ring.of];
      const own = keys.find((one) => one.fifths === props.fifths && one.mode === props.mode);
      const shown =
        own ?? keys.reduce((best, one) => (Math.abs(one.fifths) < Math.abs(best.fifths) ? one : best));
      return {
        id: `${ring.of}${i}`,
        path: wedge(i, ring.from, ring.to),
        x: point(i, ring.at)[0],
        y: point(i, ring.at)[1],
        size: ring.size,
        key: shown,
        spoken: keys.map((each) => chordText(each.name)).join(' or '),
        names: keys.map((one) => chordText(noteText(one.tonic)) + (one.mode === 'minor' ? 'm' : '')),
        own: own !== undefined,
        near: keys.some(near),
      };
    }),
  ),
);
/** Of two keys in one place the other is taken when the first is in hand already. */
function take(key: Key) {
  const twins = circleOfFifths().flatMap((one) => [...one.majors, ...one.minors]);
  const twin = twins.find((one) => one.mode === key.mode && Math.abs(one.fifths - key.fifths) === 12);
  emit('take', key.name === props.name && twin ? twin.name : key.name);
}
</script>

<template>
  <svg class="circle" :viewBox="`0 0 ${SIZE} ${SIZE}`" role="group" aria-label="Circle of fifths">
    <g
      v-for="one in places"
      :key="one.id"
      class="key-place"
      :class="{ own: one.own, near: one.near }"
      role="button"
      tabindex="0"
      :aria-pressed="one.own"
      :aria-label="`${one.spoken}${one.own ? ', in hand' : ''}`"
      @click="take(one.key)"
      @keydown.enter.prevent="take(one.key)"
      @keydown.space.prevent.stop="take(one.key)"
    >
      <path :d="one.path" />
      <text
        v-for="(text, i) in one.names"
        :key="text"
        :x="one.x"
        :y="one.y + one.size * 0.35 + (i - (one.names.length - 1) / 2) * one.size"
        :font-size="one.names.length > 1 ? one.size * 0.86 : one.size"
      >
        {{ text }}
      </text>
    </g>
  </svg>
</template>

<style scoped>
.circle {
  display: block;
  width: 100%;
  max-width: 460px;
}
.key-place {
  cursor: pointer;
  outline: none;
}
.key-place path {
  fill: var(--sheet);
  stroke: var(--line-strong);
}
.key-place.near path {
  fill: var(--inset);
}
.key-place:hover path {
  fill: var(--wash-crown);
}
.key-place.own path {
  fill: var(--crown);
}
.key-place:focus-visible path {
  stroke: var(--ring);
  stroke-width: 4;
}
.key-place text {
  fill: var(--ink);
  text-anchor: middle;
  font-family: var(--display);
  font-weight: 650;
}
.key-place.own text {
  fill: var(--sheet);
}
</style>
