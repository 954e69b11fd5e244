<script setup lang="ts">
/** The block on, what is left of it, and where it lies in the whole lesson. */
import type { PlanBlock } from '@finch/core/planning';
import { computed } from 'vue';
import { say } from '../../words';
import { CATEGORY } from '../../instruments/categories';

const props = defineProps<{
  blocks: readonly PlanBlock[];
  at: number;
  sub: string;
  spentSeconds: number;
  /** False while nobody started the lesson: the clock stands. */
  running: boolean;
}>();
const block = computed(() => props.blocks[props.at] ?? null);
const left = computed(() => (block.value ? block.value.minutes * 60 - props.spentSeconds : 0));
const clock = computed(() => {
  const s = Math.abs(Math.round(left.value));
  return `${left.value < 0 ? '+' : ''}${Math.floor(s / 60)}:${String(s % 60).padStart(2, '0')}`;
});
const total = computed(() => props.blocks.reduce((sum, one) => sum + one.minutes, 0));
const needle = computed(() => {
  const before = props.blocks.slice(0, props.at).reduce((sum, one) => sum + one.minutes, 0);
  const here = Math.min(block.value?.minutes ?? 0, props.spentSeconds / 60);
  return (100 * (before + here)) / Math.max(1, total.value);
});
</script>

<template>
  <section class="sheet top">
    <div class="spread">
      <h1 class="display" tabindex="-1">
        {{ block ? say(block.title) : 'Nothing planned' }} <span class="sub">{{ sub }}</span>
      </h1>
      <div class="clock" role="timer">
        <b :class="{ late: left < 0 }">{{ clock }}</b>
        <span>{{ !running ? 'not started' : left < 0 ? 'over' : `left of ${block?.minutes}` }}</span>
      </div>
    </div>
    <div
      class="line"
      role="img"
      :aria-label="`Block ${at + 1} of ${blocks.length}: ${block ? say(block.title) : ''}`"
    >
      <div v-for="one in blocks" :key="one.id" :style="{ flex: one.minutes }">
        <svg aria-hidden="true">
          <rect width="100%" height="100%" :fill="`url(#cat-${CATEGORY[one.kind]})`" />
        </svg>
      </div>
      <span class="needle" :style="{ left: `${needle}%` }" />
    </div>
  </section>
</template>

<style scoped>
.top {
  padding: var(--space-2) var(--space-4) var(--space-2);
}
h1 {
  font-size: var(--size-stage);
  line-height: 1.2;
  min-width: 0;
  overflow-wrap: anywhere;
  outline: none;
}
.sub {
  font-family: var(--text);
  font-weight: 400;
  font-size: var(--size-7);
  margin-left: var(--space-2);
}
.clock {
  display: flex;
  align-items: baseline;
  gap: var(--space-2);
  font-size: var(--size-7);
  white-space: nowrap;
}
.clock b {
  font-size: var(--size-stage-large);
  line-height: 1;
  font-variant-numeric: tabular-nums;
}
.clock .late {
  color: var(--breast);
}
.line {
  display: flex;
  height: 28px;
  position: relative;
  margin-top: var(--space-1);
}
.line > div {
  border-right: 1px solid var(--sheet);
  min-width: 0;
}
.line svg {
  width: 100%;
  height: 100%;
  display: block;
}
.needle {
  position: absolute;
  top: -8px;
  bottom: -5px;
  width: 5px;
  margin-left: -2px;
  background: var(--wingbar);
  border: 1px solid #16202a;
}
@media (max-width: 991px) {
  .top .spread {
    flex-wrap: wrap;
  }
  h1 {
    font-size: var(--size-7);
  }
  .sub {
    font-size: var(--size-5);
  }
  .clock,
  .clock b {
    font-size: var(--size-7);
  }
}
</style>
