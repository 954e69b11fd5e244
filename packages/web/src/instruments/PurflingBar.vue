<script setup lang="ts">
/** Strips end to end, one for each cause or block; width is points or minutes; a pointer stands at a limit. */
import { computed } from 'vue';

interface Strip {
  readonly name: string;
  readonly value: number;
  readonly category: number;
}
const props = withDefaults(
  defineProps<{
    strips: readonly Strip[];
    total?: number;
    pointer?: number | null;
    pointerText?: string;
    unit: string;
    height?: number;
  }>(),
  { total: 0, pointer: null, pointerText: '', height: 28 },
);
const whole = computed(() =>
  Math.max(
    props.total,
    props.strips.reduce((sum, strip) => sum + strip.value, 0),
    0.001,
  ),
);
const placed = computed(() => {
  let at = 0;
  return props.strips.map((strip) => {
    const x = at;
    at += strip.value;
    return { ...strip, x: (x / whole.value) * 1000, w: (strip.value / whole.value) * 1000 };
  });
});
const spoken = computed(() =>
  props.strips.map((strip) => `${strip.name} ${Math.round(strip.value)} ${props.unit}`).join(', '),
);
</script>

<template>
  <div class="purfling" role="img" :aria-label="spoken">
    <div v-if="pointer !== null" class="pointer-row" aria-hidden="true">
      <span
        :style="{ left: `${Math.min(100, (100 * pointer) / whole)}%` }"
        class="pointer-text"
        :class="{ late: pointer / whole > 0.55 }"
        >{{ pointerText }}</span
      >
    </div>
    <div class="bar-row" :style="{ height: `${height}px` }">
      <svg width="100%" :height="height" viewBox="0 0 1000 28" preserveAspectRatio="none" aria-hidden="true">
        <rect width="1000" height="28" fill="var(--inset)" />
      </svg>
      <div
        v-for="strip in placed"
        :key="strip.name"
        class="strip"
        :style="{ left: `${strip.x / 10}%`, width: `${strip.w / 10}%` }"
        aria-hidden="true"
      >
        <svg width="100%" height="100%">
          <rect width="100%" height="100%" :fill="`url(#cat-${strip.category})`" />
        </svg>
        <span v-if="strip.w > 34" class="plaque">{{ Math.round(strip.value) }}</span>
      </div>
      <div
        v-if="pointer !== null"
        class="pointer"
        :style="{ left: `${Math.min(100, (100 * pointer) / whole)}%` }"
        aria-hidden="true"
      />
    </div>
  </div>
</template>

<style scoped>
.purfling {
  position: relative;
}
.bar-row {
  position: relative;
}
.bar-row > svg {
  position: absolute;
  inset: 0;
}
.strip {
  position: absolute;
  top: 0;
  bottom: 0;
  border-right: 1px solid var(--sheet);
  display: grid;
  place-items: center;
  overflow: hidden;
}
.strip > svg {
  position: absolute;
  inset: 0;
}
.plaque {
  position: relative;
  background: var(--sheet);
  color: var(--ink);
  font-size: 12.5px;
  font-weight: 700;
  padding: 0 var(--space-1);
  border-radius: 2px;
  line-height: 17px;
}
.pointer-row {
  height: 18px;
  position: relative;
  font-size: 12.5px;
  color: var(--ink2);
}
.pointer-text {
  position: absolute;
  white-space: nowrap;
  padding-left: var(--space-1);
}
.pointer-text.late {
  transform: translateX(-100%);
  padding: 0 var(--space-1) 0 0;
}
.pointer {
  position: absolute;
  top: -4px;
  bottom: -4px;
  width: 0;
  border-left: 2.5px solid var(--ink);
}
.pointer::before {
  content: '';
  position: absolute;
  top: -2px;
  left: -6px;
  border: 5px solid transparent;
  border-top: 7px solid var(--ink);
}
</style>
