<script setup lang="ts">
/** The grips found, as cards, most useful first; when none are, which limit it was and the step that helps. */
import { effortBand } from '@finch/core/effort';
import type { CardShow, GradedGrip } from '@finch/core/shapes';
import { useVirtualList } from '@vueuse/core';
import { computed, watch } from 'vue';
import { BButton } from 'bootstrap-vue-next';
import { sayStep } from '../../words';
import ShapeCard from '../../instruments/ShapeCard.vue';
import ShimMark from '../../instruments/ShimMark.vue';
import { nameOfShape } from '../../words/shape-words';
import type { ShapeSearch } from './use-shape-search';

const props = defineProps<{
  search: ShapeSearch;
  limit: number | null;
  who: string;
  leftHanded: boolean;
  show: CardShow;
}>();
const emit = defineEmits<{ big: [] }>();
const { list, total, picked, pickedIndex, chord, shownChord, searching, failed, steps } = props.search;
const COLUMNS = 3;
const ROW_HEIGHT = 198;
const rows = computed(() =>
  Array.from({ length: Math.ceil(list.value.length / COLUMNS) }, (_, i) =>
    list.value.slice(i * COLUMNS, (i + 1) * COLUMNS),
  ),
);
// Only the rows in sight are drawn: a chord may have twelve thousand grips.
const {
  list: inSight,
  containerProps,
  wrapperProps,
  scrollTo,
} = useVirtualList(rows, {
  itemHeight: ROW_HEIGHT,
  overscan: 1,
});
const indexOf = (row: number, column: number) => row * COLUMNS + column;
const isPicked = (grip: GradedGrip) => grip === picked.value;
watch(shownChord, () => containerProps.ref.value?.scrollTo({ top: 0 }));
/** Brings a card into sight when the keys walk past the edge. */
function reveal(index: number) {
  const box = containerProps.ref.value;
  const row = Math.floor(index / COLUMNS);
  if (!box) return;
  const top = row * ROW_HEIGHT;
  if (top < box.scrollTop || top + ROW_HEIGHT > box.scrollTop + box.clientHeight) scrollTo(row);
}
watch(pickedIndex, (index) => index >= 0 && reveal(index));
</script>

<template>
  <section class="sheet list" aria-label="Shapes">
    <div class="spread">
      <h1 class="h2like">{{ searching ? 'Searching…' : `${total} shapes, most useful first` }}</h1>
      <span class="small">graded for {{ who }} hand</span>
    </div>
    <p v-if="failed" class="refusal" role="alert">
      The search stopped in this window.
      <BButton size="sm" variant="outline-secondary" @click="search.search()">Try again</BButton>
    </p>
    <div v-else-if="!searching && chord && !list.length" class="empty" role="status">
      <p>No shapes within these limits.</p>
      <p v-if="!steps.length">
        No hand holds this chord here under any limit. Try fewer tones or another tuning.
      </p>
      <ul v-else class="steps">
        <li v-for="way in steps.slice(0, 3)" :key="way.limits.join()">
          <span>{{ sayStep(way) }}</span>
          <BButton size="sm" variant="outline-secondary" @click="search.giveWay(way)"
            >Allow, {{ way.brings }} more</BButton
          >
        </li>
      </ul>
    </div>
    <div
      v-bind="containerProps"
      class="cards scroll"
      tabindex="0"
      aria-label="Shapes found"
      :data-chord="shownChord?.symbol"
    >
      <ul v-bind="wrapperProps">
        <li v-for="row in inSight" :key="row.index" class="card-row" :style="{ height: `${ROW_HEIGHT}px` }">
          <button
            v-for="(grip, column) in row.data"
            :id="`card-${indexOf(row.index, column)}`"
            :key="column"
            type="button"
            :aria-pressed="isPicked(grip)"
            :class="{ on: isPicked(grip) }"
            @click="search.pickFrets(grip.frets)"
            @dblclick="emit('big')"
          >
            <span class="card-head"
              ><ShimMark :effort="grip.effort.total" :limit="limit" /><b>{{
                Math.round(grip.effort.total)
              }}</b
              ><span class="band">{{
                limit !== null && grip.effort.total > limit ? 'over limit' : effortBand(grip.effort.total)
              }}</span></span
            >
            <ShapeCard
              :frets="grip.frets"
              :fingers="grip.fingers"
              :degrees="grip.degrees"
              :notes="grip.notes"
              :chord="shownChord?.symbol"
              :show="show"
              :left-handed="leftHanded"
            />
            <span class="small">{{ nameOfShape(grip) }}</span>
          </button>
        </li>
      </ul>
    </div>
  </section>
</template>

<style>
.list {
  display: flex;
  flex-direction: column;
  padding-bottom: 0;
}
.cards {
  /* What changes inside never moves what is outside. */
  contain: strict;
  flex: 1;
  min-height: 0;
  margin-top: 8px;
  border-top: 1px solid var(--line);
}
.card-row {
  contain: strict;
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  border-bottom: 1px solid var(--line);
}
.cards button {
  width: 100%;
  height: 100%;
  background: none;
  border: 3px solid transparent;
  border-right: 1px solid var(--line);
  border-radius: 3px;
  color: var(--ink);
  text-align: left;
  overflow: hidden;
  padding: 6px 8px;
  display: flex;
  flex-direction: column;
  gap: 4px;
}
.cards .shape-card {
  align-self: center;
}
.cards button.on {
  background: var(--wash-crown);
  border-color: var(--crown);
}
.cards button:focus-visible {
  outline-offset: -3px;
}
.card-head {
  display: flex;
  gap: 6px;
  align-items: baseline;
}
.card-head b {
  font-size: 20px;
  line-height: 1;
}
.card-head .band {
  margin-left: auto;
  font-size: 12.5px;
  color: var(--ink2);
}
.steps li {
  display: flex;
  gap: 12px;
  align-items: center;
  justify-content: space-between;
  border-top: 1px solid var(--line);
  padding: 6px 0;
}
</style>
