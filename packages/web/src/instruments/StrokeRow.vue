<script setup lang="ts">
/** A strumming or plucking pattern over its counts: arrows down and up, accents thick, chops and mutes crossed. */
import type { StrokePattern } from '@finch/core/score';
import { computed } from 'vue';

const props = defineProps<{ pattern: StrokePattern }>();
const STEP = 34;
const counts = computed(() => {
  const { perBeat } = props.pattern;
  const NAMES = [[''], [''], ['', 'and'], ['', '·', '·'], ['', 'e', 'and', 'a']];
  return props.pattern.strokes.map((_, i) =>
    i % perBeat === 0 ? String(Math.floor(i / perBeat) + 1) : (NAMES[perBeat][i % perBeat] ?? ''),
  );
});
const x = (i: number) => 18 + i * STEP;
const width = computed(() => 24 + props.pattern.strokes.length * STEP);
const SPOKEN = {
  down: 'down',
  up: 'up',
  'down accent': 'accented down',
  'up accent': 'accented up',
  chop: 'chop',
  mute: 'muted',
  rest: 'nothing',
  stop: 'silence',
  tie: 'sounds on',
} as const;
const spoken = computed(() =>
  props.pattern.strokes
    .map((stroke, i) => `${counts.value[i]} ${typeof stroke === 'string' ? SPOKEN[stroke] : stroke.join('')}`)
    .join(', '),
);
</script>

<template>
  <svg
    class="stroke-row"
    role="img"
    :aria-label="`${pattern.name}: ${spoken}`"
    :width="width"
    height="66"
    :viewBox="`0 0 ${width} 66`"
  >
    <path :d="`M8 44H${width - 6}`" stroke="var(--ink3)" />
    <g v-for="(stroke, i) in pattern.strokes" :key="i">
      <path :d="`M${x(i)} 44v-4`" stroke="var(--ink3)" />
      <template v-if="typeof stroke !== 'string'">
        <text class="finger" :x="x(i)" y="28">{{ stroke.join('') }}</text>
      </template>
      <path
        v-else-if="stroke === 'down' || stroke === 'down accent'"
        :d="`M${x(i)} 8V34M${x(i) - 6} 27l6 8 6-8`"
        :class="{ accent: stroke === 'down accent' }"
      />
      <path
        v-else-if="stroke === 'up' || stroke === 'up accent'"
        :d="`M${x(i)} 36V10M${x(i) - 6} 18l6-8 6 8`"
        :class="{ accent: stroke === 'up accent' }"
      />
      <path v-else-if="stroke === 'chop'" :d="`M${x(i) - 5} 17l10 10M${x(i) + 5} 17l-10 10`" />
      <path
        v-else-if="stroke === 'mute'"
        :d="`M${x(i) - 5} 17l10 10M${x(i) + 5} 17l-10 10M${x(i) - 7} 31h14`"
      />
      <rect v-else-if="stroke === 'stop'" class="stop" :x="x(i) - 5" y="20" width="10" height="5" />
      <path v-else-if="stroke === 'tie'" :d="`M${x(i) - STEP + 8} 24q${STEP / 2 - 4} 10 ${STEP - 12} 0`" />
      <text class="count" :x="x(i)" y="60">{{ counts[i] }}</text>
    </g>
  </svg>
</template>

<style scoped>
path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
}
rect.stop {
  fill: var(--ink2);
}
path.accent {
  stroke-width: 4;
}
.count {
  font-size: 13px;
  text-anchor: middle;
  fill: var(--ink2);
}
.finger {
  font-size: 16px;
  font-weight: 700;
  text-anchor: middle;
  fill: var(--ink);
}
</style>
