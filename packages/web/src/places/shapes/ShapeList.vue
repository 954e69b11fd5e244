<script setup lang="ts">
/** The grips found, as cards, most useful first; when none are, which limit it was and the step that helps. */
import type { CardShow } from '@finch/core/shapes';
import { useMediaQuery, useVirtualList } from '@vueuse/core';
import { computed, ref, watch } from 'vue';
import { BButton } from 'bootstrap-vue-next';
import { sayStep, spokenChord } from '../../words';
import GripCard from './GripCard.vue';
import type { ShapeSearch } from './use-shape-search';

const props = defineProps<{
  search: ShapeSearch;
  limit: number | null;
  who: string;
  leftHanded: boolean;
  show: CardShow;
}>();
const emit = defineEmits<{ big: [] }>();
const { list, total, pickedIndex, chord, shownChord, searching, failed, steps } = props.search;
/** How many there are, for a reader, once the search has come to rest. */
const announced = computed(() =>
  searching.value || failed.value || !shownChord.value
    ? ''
    : `${total.value} shapes of ${spokenChord(shownChord.value.symbol)}`,
);
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
/** Below the laptop the page scrolls, and the list grows where that is asked for. */
const paged = useMediaQuery('(max-width: 1199px), (max-height: 599px)');
const PAGE = 24;
const most = ref(PAGE);
watch(shownChord, () => (most.value = PAGE));
const indexOf = (row: number, column: number) => row * COLUMNS + column;
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
    <p class="visually-hidden" role="status">{{ announced }}</p>
    <p v-if="failed" class="refusal" role="alert">
      The search stopped in this window.
      <BButton size="sm" variant="outline-secondary" @click="search.again()">Try again</BButton>
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
    <div v-if="paged" class="paged" aria-label="Shapes found" :data-chord="shownChord?.symbol">
      <ul class="cards">
        <li v-for="(grip, i) in list.slice(0, most)" :key="i">
          <GripCard
            :id="`card-${i}`"
            v-bind="{ grip, limit, leftHanded, show, chord: shownChord?.symbol, on: i === pickedIndex }"
            @pick="search.pickFrets(grip.frets)"
            @big="emit('big')"
          />
        </li>
      </ul>
      <BButton v-if="list.length > most" variant="outline-secondary" @click="most += PAGE"
        >Show {{ Math.min(PAGE, list.length - most) }} more of {{ list.length - most }}</BButton
      >
    </div>
    <div
      v-else
      v-bind="containerProps"
      class="cards scroll"
      tabindex="0"
      aria-label="Shapes found"
      :data-chord="shownChord?.symbol"
    >
      <ul v-bind="wrapperProps">
        <li v-for="row in inSight" :key="row.index" class="card-row" :style="{ height: `${ROW_HEIGHT}px` }">
          <GripCard
            v-for="(grip, column) in row.data"
            :id="`card-${indexOf(row.index, column)}`"
            :key="column"
            v-bind="{
              grip,
              limit,
              leftHanded,
              show,
              chord: shownChord?.symbol,
              on: indexOf(row.index, column) === pickedIndex,
            }"
            @pick="search.pickFrets(grip.frets)"
            @big="emit('big')"
          />
        </li>
      </ul>
    </div>
  </section>
</template>

<style scoped>
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
  margin-top: var(--space-2);
  border-top: 1px solid var(--line);
}
.card-row {
  contain: strict;
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  border-bottom: 1px solid var(--line);
}
.paged .cards {
  contain: none;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  margin-bottom: var(--space-2);
}
.paged .cards li {
  height: 198px;
  border-bottom: 1px solid var(--line);
}
.steps li {
  display: flex;
  gap: var(--space-3);
  align-items: center;
  justify-content: space-between;
  border-top: 1px solid var(--line);
  padding: var(--space-1) 0;
}
</style>
