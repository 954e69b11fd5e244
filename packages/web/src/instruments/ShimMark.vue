<script setup lang="ts">
/** The shim: a right-angled wedge whose height is effort; the tick at its right is this hand's own limit. */
import { effortBand } from '@finch/core/effort';
import { computed } from 'vue';

const props = withDefaults(
  defineProps<{ effort: number; limit?: number | null; width?: number; height?: number }>(),
  { limit: null, width: 52, height: 20 },
);
const BANDS = { light: 1, fair: 2, firm: 3, heavy: 4, beyond: 5 } as const;
const h = computed(() => Math.max(1.5, (props.effort / 100) * (props.height - 2)));
const w = computed(() => props.width - 10);
const fill = computed(() => `var(--e${BANDS[effortBand(props.effort)]})`);
const tick = computed(() =>
  props.limit === null ? null : props.height - 1 - (props.limit / 100) * (props.height - 2),
);
</script>

<template>
  <svg
    class="shim"
    :width="width"
    :height="height"
    :viewBox="`0 0 ${width} ${height}`"
    role="img"
    :aria-label="`effort ${Math.round(effort)}${limit === null ? '' : `, this hand's limit ${limit}`}`"
  >
    <path
      :d="`M0.5 ${height - 1}H${w}V${height - 1 - h}Z`"
      :fill="fill"
      stroke="var(--ink)"
      stroke-width="1.3"
      stroke-linejoin="miter"
    />
    <template v-if="tick !== null">
      <path :d="`M${w + 7} 0V${height}`" stroke="var(--ink3)" stroke-width="1" />
      <path :d="`M${w + 1.5} ${tick}H${w + 8}`" stroke="var(--ink)" stroke-width="2" />
    </template>
  </svg>
</template>

<style scoped>
.shim {
  display: inline-block;
  vertical-align: -2px;
  overflow: visible;
}
</style>
