<script setup lang="ts">
/** The grip in hand: its card, its grade for this hand, its fingers, and what may be done with it. */
import { effortBand } from '@finch/core/effort';
import { BButton } from 'bootstrap-vue-next';
import { computed } from 'vue';
import IconHear from '~icons/bi/volume-up';
import BarreCaution from '../../instruments/BarreCaution.vue';
import ChordName from '../../instruments/ChordName.vue';
import HookTag from '../../instruments/HookTag.vue';
import ShapeCard from '../../instruments/ShapeCard.vue';
import ShimMark from '../../instruments/ShimMark.vue';
import { nameOfShape } from '../../words/shape-words';
import type { ShapeBench } from './use-shape-bench';

const props = defineProps<{ bench: ShapeBench }>();
const { tabs, picked, chord, effort, over, caution, hook, show, leftHanded, actions, taught } = props.bench;
const { limit } = taught;
const { said, change, busy, held } = actions;
const standing = computed(() =>
  over.value > 0 ? `, ${over.value} over the limit` : limit.value !== null ? ', inside the limit' : '',
);
</script>

<template>
  <div v-if="picked && chord && effort" class="in-hand">
    <ShapeCard
      size="bench"
      :frets="picked.frets"
      :fingers="picked.fingers"
      :degrees="picked.degrees"
      :notes="picked.notes"
      :chord="chord.symbol"
      :show="show"
      :left-handed="leftHanded"
    />
    <div>
      <div class="spread">
        <ChordName :symbol="chord.symbol" class="huge" />
        <span class="grade"
          ><ShimMark :effort="effort.total" :limit="limit" :width="66" :height="30" />
          <b>{{ Math.round(effort.total) }}</b></span
        >
      </div>
      <p class="note">
        {{ nameOfShape(picked) }};
        <b :class="{ overlimit: over > 0 }">{{ effortBand(effort.total) }}{{ standing }}</b>
        <BButton v-if="over > 0" variant="link" size="sm" @click="tabs.show('easier')">easier ones</BButton>
      </p>
      <HookTag v-if="hook" :hook="hook" />
      <div class="acts">
        <BButton size="sm" variant="outline-secondary" @click="actions.hear()"
          ><IconHear aria-hidden="true" /> Hear it</BButton
        >
        <BButton size="sm" variant="outline-secondary" :aria-pressed="held !== null" @click="bench.keep"
          >Keep beside</BButton
        >
        <BButton size="sm" variant="outline-secondary" @click="bench.gather">To page</BButton>
        <BButton size="sm" variant="outline-secondary" @click="bench.drill">Drill it</BButton>
        <BButton size="sm" variant="outline-secondary" :disabled="busy" @click="actions.home"
          >To homework</BButton
        >
        <BButton class="pri" variant="dark" :disabled="busy" @click="actions.put">{{
          change ? 'Loop in plan' : 'Put in plan'
        }}</BButton>
      </div>
    </div>
    <div v-if="caution || said" class="below">
      <BarreCaution v-if="caution" />
      <p v-if="said" class="note" role="status">{{ said }}</p>
    </div>
  </div>
</template>

<style scoped>
.in-hand {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: var(--space-2) var(--space-4);
}
.in-hand :deep(svg.shape-card) {
  max-height: 148px;
  width: auto;
}
.huge {
  font-size: var(--size-7);
}
.grade {
  display: flex;
  align-items: flex-end;
  gap: var(--space-2);
}
.grade b {
  font-size: var(--size-7);
  line-height: 1;
}
.overlimit {
  color: var(--breast);
}
.acts {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: var(--space-2);
  margin-top: var(--space-2);
}
.below {
  grid-column: 1 / -1;
}
@media (max-width: 600px) {
  .in-hand {
    grid-template-columns: minmax(0, 1fr);
  }
  .acts {
    grid-template-columns: repeat(2, minmax(0, 1fr));
  }
}
</style>
