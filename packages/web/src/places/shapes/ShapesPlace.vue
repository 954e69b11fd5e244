<script setup lang="ts">
/** Every grip of a chord for one hand: what is asked at the left, the cards, the one in hand with all that is told of it. */
import { BButton } from 'bootstrap-vue-next';
import { computed, onMounted, ref, useTemplateRef } from 'vue';
import HouseDialog from '../../furniture/HouseDialog.vue';
import LaterFrame from '../../furniture/LaterFrame.vue';
import { backForward, useKeys } from '../../app/keys';
import PatternDefs from '../../instruments/PatternDefs.vue';
import SegmentPick from '../../instruments/SegmentPick.vue';
import ShapeCard from '../../instruments/ShapeCard.vue';
import { nameChord } from '../../words';
import AskPanel from './AskPanel.vue';
import FretPicker from './FretPicker.vue';
import PaperDialog from './PaperDialog.vue';
import ShapeInHand from './ShapeInHand.vue';
import ShapeList from './ShapeList.vue';
import ShapeTabs from './ShapeTabs.vue';
import SheetCheck from './SheetCheck.vue';
import { SHOWS, useShapeBench } from './use-shape-bench';

/** Cards of the list that a page takes. */
const ON_PAPER = 12;
const bench = useShapeBench();
const { search, actions, tabs, taught, picked, chord, show, who, leftHanded, gathered, foot } = bench;
const { hand, instrument, limit } = taught;
const { typed } = search;
const ask = useTemplateRef<InstanceType<typeof AskPanel>>('ask');
const big = ref(false);
const sheet = ref(false);
const neck = ref(false);
const paper = ref(false);
const listCards = computed(() =>
  paper.value ? search.list.value.slice(0, ON_PAPER).map(bench.cardFor) : [],
);
const nothing = computed(() =>
  chord.value
    ? 'Nothing to show for these limits.'
    : 'Type a chord at the left: a symbol like Bbm7, a grip like x32010, or its notes.',
);
useKeys('shapes', {
  chord: () => ask.value?.focus(),
  shape: backForward(search.step),
  dots: bench.nextShow,
  big: () => (big.value = true),
  hear: () => void actions.hear(),
  easier: bench.useEasier,
  hold: bench.keep,
  told: tabs.next,
  put: () => void actions.put(),
  // On a card a digit is no limit: whoever walks the cards does not change what is asked.
  string: (at) => document.activeElement?.closest('.shape-list') || ask.value?.cycle(at + 1),
});
onMounted(() => ask.value?.focus());
</script>

<template>
  <div class="shapes">
    <PatternDefs />
    <Teleport defer to="#bench-tools">
      <SegmentPick v-model="show" label="What the dots say" :options="SHOWS" />
      <BButton variant="outline-secondary" :disabled="!picked" @click="big = true">Show big</BButton>
      <BButton variant="outline-secondary" :disabled="!picked" @click="paper = true">Paper…</BButton>
    </Teleport>
    <AskPanel
      ref="ask"
      :search="search"
      :string-count="instrument.openPitches.length"
      :limit="limit"
      :who="who"
      @sheet="sheet = true"
      @neck="neck = true"
    />
    <ShapeList
      class="shape-list"
      :search="search"
      :limit="limit"
      :who="who"
      :left-handed="leftHanded"
      :show="show"
      @big="big = true"
    />
    <section class="sheet scroll one" tabindex="0" aria-label="The shape in hand">
      <template v-if="picked && chord">
        <ShapeInHand :bench="bench" />
        <LaterFrame><ShapeTabs :bench="bench" /></LaterFrame>
      </template>
      <p v-else class="empty">{{ nothing }}</p>
    </section>
    <HouseDialog v-model="big" size="xl" :title="chord ? nameChord(chord.symbol) : ''">
      <div class="big-show">
        <ShapeCard
          v-if="picked"
          size="lesson"
          :frets="picked.frets"
          :fingers="picked.fingers"
          :degrees="picked.degrees"
          :notes="picked.notes"
          :chord="chord?.symbol"
          :show="show"
          :left-handed="leftHanded"
        />
      </div>
    </HouseDialog>
    <PaperDialog
      v-model="paper"
      :one="bench.card.value"
      :list="listCards"
      :gathered="gathered.cards.value"
      :show="show"
      :left-handed="leftHanded"
      :foot="foot"
      @clear="gathered.clear()"
    />
    <FretPicker
      v-model="neck"
      :strings="instrument.openPitches.length"
      :open-pitches="instrument.openPitches"
      :capo="instrument.capo"
      @frets="(text) => (typed = text)"
    />
    <SheetCheck v-model="sheet" :hand="hand" :instrument="instrument" />
  </div>
</template>

<style scoped>
.shapes {
  display: grid;
  grid-template-columns: 232px minmax(0, 1fr) 544px;
  gap: var(--space-2);
}
.shapes > * {
  min-height: 0;
}
.one {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
.big-show {
  display: grid;
  place-items: center;
  padding: var(--space-3);
}
.big-show .shape-card {
  height: 60vh;
  width: auto;
}
@media (max-width: 1199px), (max-height: 599px) {
  .shapes {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    grid-auto-rows: max-content;
  }
  /* First the chord and the grip in hand, then the cards. */
  .one {
    order: 1;
  }
  .shape-list {
    order: 2;
    grid-column: 1 / -1;
  }
}
@media (max-width: 820px) {
  .shapes {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
