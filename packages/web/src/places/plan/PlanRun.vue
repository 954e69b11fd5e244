<script setup lang="ts">
/** The plan, minute by minute: blocks true to height that can be dragged, and the hand's load beside them. */
import type { HandLimits } from '@finch/core/hands';
import type { PlanBlock } from '@finch/core/planning';
import { planMinutes } from '@finch/core/planning';
import { useMediaQuery } from '@vueuse/core';
import { BButton } from 'bootstrap-vue-next';
import { computed } from 'vue';
import { VueDraggable } from 'vue-draggable-plus';
import IconGrip from '~icons/bi/list';
import IconLock from '~icons/bi/lock';
import { BLOCK_WORDS, say, STEP_WORDS } from '../../words';
import BecauseMark from '../../instruments/BecauseMark.vue';
import { CATEGORY } from '../../instruments/categories';
import LoadCurve from '../../instruments/LoadCurve.vue';

const props = defineProps<{
  blocks: readonly PlanBlock[];
  picked: number;
  minutes: number;
  limits: HandLimits | null;
}>();
const emit = defineEmits<{
  order: [blocks: readonly PlanBlock[]];
  pick: [index: number];
  swap: [];
  move: [by: number];
  longer: [byMinutes: number, index: number];
  lock: [index: number];
  takeOut: [index: number];
}>();
const phone = useMediaQuery('(max-width: 600px)');
const dragged = computed<PlanBlock[]>({
  get: () => [...props.blocks],
  set: (next) => emit('order', next),
});
const scale = computed(() => Math.max(props.minutes, planMinutes(props.blocks)));
/** The drills a block goes through, with their minutes. */
const walkText = ({ walk = [] }: PlanBlock) =>
  walk.map(({ step, minutes }) => `${STEP_WORDS[step]} ${minutes}`).join(' · ');
/** Pixels a minute: as drawn at 45 minutes, less for longer lessons, never too small to read. */
const perMinute = computed(() => Math.max(11, Math.min(13.3, 586 / scale.value)));
</script>

<template>
  <div class="scroll time" tabindex="0" aria-label="Plan, minute by minute">
    <ol class="ruler" aria-hidden="true" :style="{ height: `${scale * perMinute}px` }">
      <li
        v-for="m in Math.floor(scale / 5) + 1"
        :key="m"
        :style="{ top: `${(m - 1) * 5 * perMinute}px` }"
        :class="{ strong: ((m - 1) * 5) % 15 === 0 }"
      >
        {{ (m - 1) * 5 }}
      </li>
    </ol>
    <VueDraggable
      v-model="dragged"
      class="blocks"
      tag="ol"
      :animation="120"
      handle=".grip"
      ghost-class="slot"
    >
      <li
        v-for="(block, i) in blocks"
        :id="`block-${i}`"
        :key="block.id"
        class="block"
        :class="{ on: i === picked, short: block.minutes < 4 }"
        :style="{ height: `${block.minutes * perMinute - 4}px` }"
        tabindex="-1"
        @click="emit('pick', i)"
        @focus="emit('pick', i)"
      >
        <svg class="tex" aria-hidden="true">
          <rect width="100%" height="100%" :fill="`url(#cat-${CATEGORY[block.kind]})`" />
        </svg>
        <span class="grip" aria-hidden="true"><IconGrip /></span>
        <span class="mins"
          ><b>{{ block.minutes }}</b
          ><small>min</small></span
        >
        <div class="what">
          <div class="spread">
            <b
              class="title"
              :title="block.minutes < 4 ? `${say(block.title)} · ${say(block.because)}` : undefined"
              >{{ say(block.title)
              }}<span v-if="block.minutes < 4" class="brief"> · {{ say(block.because) }}</span></b
            ><span class="kind"
              ><IconLock v-if="block.locked" aria-label="locked" />
              <span class="kind-word">{{ BLOCK_WORDS[block.kind] }}</span></span
            >
          </div>
          <BecauseMark
            v-if="block.minutes >= 4 && !(i === picked && block.minutes < 9)"
            :class="{ line: block.minutes < 7 }"
            :title="block.minutes < 7 ? say(block.because) : undefined"
            >{{ say(block.because) }}</BecauseMark
          >
          <p
            v-if="block.walk && (phone || (block.minutes >= 5 && (i !== picked || block.minutes >= 9)))"
            class="walk"
          >
            {{ walkText(block) }}
          </p>
          <div v-if="i === picked && (block.minutes >= 5 || phone)" class="acts">
            <template v-if="phone">
              <BButton size="sm" variant="outline-secondary" @click.stop="emit('move', -1)">Up</BButton>
              <BButton size="sm" variant="outline-secondary" @click.stop="emit('move', 1)">Down</BButton>
            </template>
            <BButton size="sm" variant="outline-secondary" @click.stop="emit('swap')">Swap</BButton>
            <BButton size="sm" variant="outline-secondary" @click.stop="emit('longer', -1, i)"
              >Shorter</BButton
            >
            <BButton size="sm" variant="outline-secondary" @click.stop="emit('longer', 1, i)">Longer</BButton>
            <BButton size="sm" variant="outline-secondary" @click.stop="emit('lock', i)">{{
              block.locked ? 'Unlock' : 'Lock'
            }}</BButton>
            <BButton size="sm" variant="link" @click.stop="emit('takeOut', i)">Take out</BButton>
          </div>
        </div>
      </li>
    </VueDraggable>
    <LoadCurve
      v-if="limits && blocks.length"
      :blocks="blocks"
      :limit="limits.load"
      :minutes="scale"
      :height="scale * perMinute"
    />
  </div>
</template>

<style scoped>
@media (max-width: 600px) {
  .ruler,
  .time > :last-child:not(.blocks) {
    display: none;
  }
}
.time {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: 46px minmax(0, 1fr) 92px;
  gap: var(--space-2);
  align-items: start;
  padding: var(--space-2) 0 var(--space-3);
}
.ruler {
  position: relative;
  border-right: 1px solid var(--line-strong);
  background: repeating-linear-gradient(
      var(--line-strong) 0 1px,
      transparent 1px calc(v-bind(perMinute) * 1px)
    )
    right / 8px 100% no-repeat;
}
.ruler li {
  position: absolute;
  right: 14px;
  font-size: var(--size-2);
  transform: translateY(-50%);
  font-family: var(--mono);
  color: var(--ink2);
}
.ruler .strong {
  font-weight: 700;
  color: var(--ink);
}
.block {
  position: relative;
  margin-bottom: var(--space-1);
  background: var(--inset);
  border: 1px solid var(--line);
  border-radius: 3px;
  display: grid;
  grid-template-columns: 44px 48px minmax(0, 1fr);
  padding: var(--space-1) var(--space-2) var(--space-1) var(--space-4);
  overflow: hidden;
  align-items: start;
}
.block .tex {
  position: absolute;
  left: 0;
  top: 0;
  bottom: 0;
  width: 14px;
  height: 100%;
}
.block.on {
  background: var(--sheet);
  border-color: var(--crown);
  box-shadow:
    inset 0 0 0 1px var(--crown),
    0 6px 18px rgb(22 32 42 / 14%);
}
.block.slot {
  background: none;
  border: 2px dashed var(--crown);
}
.block .grip {
  cursor: grab;
  width: 44px;
  min-height: 28px;
  display: grid;
  place-items: center;
  font-size: var(--size-4);
  color: var(--ink2);
}
.block .mins {
  display: flex;
  flex-direction: column;
  line-height: 1.05;
}
.block .mins b {
  font-size: var(--size-4);
}
.block .mins small {
  font-size: var(--size-1);
  color: var(--ink2);
}
.block.short .mins {
  flex-direction: row;
  gap: var(--space-1);
  align-items: baseline;
}
.block .title {
  font-size: var(--size-3);
  overflow: hidden;
}
.block .brief {
  font-weight: 400;
  font-size: var(--size-1);
  color: var(--ink2);
}
.block .because.line :deep(> span) {
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.block .walk {
  margin: 0;
  font-size: var(--size-1);
  line-height: 1.3;
  color: var(--ink2);
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.block .kind {
  font-size: var(--size-1);
  color: var(--ink2);
  white-space: nowrap;
}
/* Three minutes are one line: their colour and their name say of what kind they are. */
.block.short:not(.on) .title {
  white-space: nowrap;
  text-overflow: ellipsis;
}
.block.short .kind-word {
  display: none;
}
.block .acts {
  display: flex;
  gap: var(--space-2);
  margin-top: var(--space-2);
  flex-wrap: wrap;
}
/* On a phone the plan is a list: minutes as figures, blocks as high as their words, all that can be done with the picked one. */
@media (max-width: 600px) {
  .block.short:not(.on) .title {
    white-space: normal;
  }
  .time {
    display: block !important;
  }
  .block {
    height: auto !important;
    grid-template-columns: 40px 44px minmax(0, 1fr);
    padding-right: var(--space-2);
  }
  .block .kind {
    white-space: normal;
    text-align: right;
  }
}
</style>
