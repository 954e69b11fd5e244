<script setup lang="ts">
import type { StrandCell } from '@finch/contract';
import { computed } from 'vue';

const props = defineProps<{ cell: StrandCell }>();
const STEPS = [0.2, 0.42, 0.62, 0.8];
const step = computed(() =>
  props.cell.chance ? STEPS.filter((limit) => (props.cell.chance?.mean ?? 0) >= limit).length + 1 : 0,
);
const pct = (share: number) => `${8 + share * 84}%`;
const mark = computed(() =>
  props.cell.marks.slipping ? '<' : props.cell.marks.stuck ? '‖' : props.cell.marks.due ? '•' : '',
);
const word = computed(() =>
  props.cell.marks.slipping
    ? 'slipping'
    : props.cell.marks.stuck
      ? 'stuck'
      : props.cell.marks.due
        ? 'due'
        : '',
);
const text = computed(() => {
  const chance = props.cell.chance;
  if (!chance) return 'not met';
  return `${Math.round(100 * chance.mean)}, between ${Math.round(100 * chance.low)} and ${Math.round(100 * chance.high)}; ${props.cell.met} of ${props.cell.of} met${word.value ? `; ${word.value}` : ''}`;
});
</script>

<template>
  <div class="cell" :class="[`m${step}`, { unmet: !cell.chance }]" :title="text">
    <span class="visually-hidden">{{ text }}</span>
    <template v-if="cell.chance">
      <span v-if="mark" class="mk" :class="{ hollow: mark === '‖' }" aria-hidden="true">{{ mark }}</span>
      <span class="value" aria-hidden="true">{{ Math.round(100 * cell.chance.mean) }}</span>
      <span
        class="jaws"
        :style="{ left: pct(cell.chance.low), right: `calc(100% - ${pct(cell.chance.high)})` }"
        aria-hidden="true"
      />
      <span class="needle" :style="{ left: pct(cell.chance.mean) }" aria-hidden="true" />
    </template>
  </div>
</template>

<style scoped>
.cell {
  position: relative;
  height: 100%;
  min-height: 38px;
  color: var(--m-dark);
}
.cell.unmet {
  border: 1px dashed var(--line);
}
.cell.m1 {
  background: var(--m1);
}
.cell.m2 {
  background: var(--m2);
}
.cell.m3 {
  background: var(--m3);
}
.cell.m4 {
  background: var(--m4);
  color: var(--m-light);
}
.cell.m5 {
  background: var(--m5);
  color: var(--m-light);
}
[data-bs-theme='dark'] .cell.m3 {
  color: #ffffff;
}
.cell .value {
  position: absolute;
  right: 6px;
  top: 2px;
  font-family: var(--mono);
  font-weight: 600;
  font-size: var(--size-2);
}
.cell .mk {
  display: inline-grid;
  place-items: center;
  width: 15px;
  height: 13px;
  background: var(--wingbar);
  font-weight: 700;
  font-size: 11px;
  border: 1px solid #16202a;
  position: absolute;
  left: 3px;
  top: 4px;
  color: var(--on-wingbar);
  border-color: #16202a;
}
.cell .mk.hollow {
  background: #f7f9f5;
  color: #16202a;
}
.cell .jaws {
  position: absolute;
  bottom: 8px;
  height: 2px;
  background: currentColor;
}
.cell .jaws::before,
.cell .jaws::after {
  content: '';
  position: absolute;
  top: -3px;
  height: 8px;
  width: 2px;
  background: currentColor;
}
.cell .jaws::before {
  left: 0;
}
.cell .jaws::after {
  right: 0;
}
.cell .needle {
  position: absolute;
  bottom: 2px;
  height: 14px;
  width: 4px;
  margin-left: -2px;
  background: currentColor;
}
</style>
