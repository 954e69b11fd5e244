<script setup lang="ts">
/** Fourteen weeks of one skill: the estimate with its spread, the line of clean at 80, and what comes if left alone. */
import { scaleLinear, scaleTime } from 'd3-scale';
import { area, curveStepAfter, line } from 'd3-shape';
import { computed } from 'vue';

interface Point {
  readonly at: number;
  readonly mean: number;
  readonly low: number;
  readonly high: number;
  readonly clean: boolean;
}
const props = withDefaults(
  defineProps<{
    name: string;
    points: readonly Point[];
    now: number;
    mean: number;
    outlook: number | null;
    width?: number;
    height?: number;
    from: number;
  }>(),
  { width: 384, height: 66 },
);
const AHEAD_MS = 14 * 86_400_000;
const x = computed(() => scaleTime([new Date(props.from), new Date(props.now + AHEAD_MS)], [0, props.width]));
const y = computed(() => scaleLinear([0, 1], [props.height - 14, 4]));
/** The curve ends at today's estimate, which forgetting has lowered since the last take. */
const drawn = computed(() => {
  const last = props.points[props.points.length - 1];
  return last
    ? [
        ...props.points,
        {
          ...last,
          at: props.now,
          mean: props.mean,
          low: last.low - (last.mean - props.mean),
          high: last.high,
        },
      ]
    : [];
});
const band = computed(
  () =>
    area<Point>(
      (d) => x.value(d.at),
      (d) => y.value(Math.max(0, d.low)),
      (d) => y.value(d.high),
    ).curve(curveStepAfter)([...drawn.value]) ?? '',
);
const path = computed(
  () =>
    line<Point>(
      (d) => x.value(d.at),
      (d) => y.value(d.mean),
    ).curve(curveStepAfter)([...drawn.value]) ?? '',
);
const spoken = computed(
  () =>
    `${props.name}: ${props.points.length} takes, now ${Math.round(100 * props.mean)}${props.outlook === null ? '' : `, ${Math.round(100 * props.outlook)} in 14 days if left alone`}`,
);
</script>

<template>
  <svg
    class="history"
    role="img"
    :aria-label="spoken"
    width="100%"
    :height="height"
    :viewBox="`0 0 ${width} ${height}`"
    preserveAspectRatio="none"
  >
    <path :d="band" fill="var(--m2)" opacity="0.75" />
    <path
      :d="`M0 ${y(0.8)}H${width}`"
      stroke="var(--ink3)"
      stroke-dasharray="5 4"
      stroke-width="1"
      vector-effect="non-scaling-stroke"
    />
    <path :d="path" fill="none" stroke="var(--crown)" stroke-width="2.2" vector-effect="non-scaling-stroke" />
    <path
      v-if="outlook !== null"
      :d="`M${x(now)} ${y(mean)}L${x(now + AHEAD_MS)} ${y(outlook)}`"
      stroke="var(--ink3)"
      stroke-dasharray="2 3"
      stroke-width="1.6"
      vector-effect="non-scaling-stroke"
    />
    <path
      v-for="(point, i) in points"
      :key="i"
      :d="`M${x(point.at)} ${height - 8}v6`"
      :stroke="point.clean ? 'var(--ink)' : 'var(--line-strong)'"
      stroke-width="1.2"
      vector-effect="non-scaling-stroke"
    />
    <path
      :d="`M${x(now)} 0V${height}`"
      stroke="var(--wingbar)"
      stroke-width="4"
      vector-effect="non-scaling-stroke"
    />
  </svg>
</template>
