<script setup lang="ts">
/** The grips found, as cards, most useful first; when none are, which limit it was and the step that helps. */
import { effortBand } from '@finch/core/effort';
import { fretsText } from '@finch/core/grips';
import { BButton } from 'bootstrap-vue-next';
import { sayStep } from '../../app/words';
import ShapeCard from '../../instruments/ShapeCard.vue';
import ShimMark from '../../instruments/ShimMark.vue';
import { nameOfShape } from './shape-words';
import type { ShapeSearch } from './use-shape-search';

const props = defineProps<{
  search: ShapeSearch;
  limit: number | null;
  who: string;
  leftHanded: boolean;
  show: 'fingers' | 'degrees';
}>();
const emit = defineEmits<{ big: [] }>();
const { list, shown, picked, chord, searching, failed, steps, foundFor } = props.search;
</script>

<template>
  <section class="sheet list" aria-label="Shapes">
    <div class="spread">
      <h1 class="h2like">{{ searching ? 'Searching…' : `${list.length} shapes, most useful first` }}</h1>
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
    <ul class="cards scroll" :data-chord="foundFor">
      <li v-for="(grip, i) in list.slice(0, shown)" :id="`card-${i}`" :key="fretsText(grip.frets)">
        <button
          type="button"
          :aria-pressed="grip === picked"
          :class="{ on: grip === picked }"
          @click="search.pickFrets(grip.frets)"
          @dblclick="emit('big')"
        >
          <span class="card-head"
            ><ShimMark :effort="grip.effort.total" :limit="limit" /><b>{{ Math.round(grip.effort.total) }}</b
            ><span class="band">{{
              limit !== null && grip.effort.total > limit ? 'over limit' : effortBand(grip.effort.total)
            }}</span></span
          >
          <ShapeCard
            :frets="grip.frets"
            :fingers="grip.fingers"
            :degrees="grip.degrees"
            :notes="grip.notes"
            :chord="chord?.symbol"
            :show="show"
            :left-handed="leftHanded"
          />
          <span class="small">{{ nameOfShape(grip) }}</span>
        </button>
      </li>
      <li v-if="list.length > shown" class="more">
        <b>{{ list.length - shown }} more</b>
        <p class="small">What this hand cannot reach is not counted.</p>
        <BButton variant="outline-secondary" size="sm" @click="search.showMore()">Show more</BButton>
      </li>
    </ul>
  </section>
</template>

<style>
.list {
  display: flex;
  flex-direction: column;
  padding-bottom: 0;
}
.cards {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  align-content: start;
  flex: 1;
  min-height: 0;
  margin-top: 8px;
  border-top: 1px solid var(--line);
}
.cards li {
  border-bottom: 1px solid var(--line);
  border-right: 1px solid var(--line);
  min-height: 196px;
}
.cards li:nth-child(3n) {
  border-right: 0;
}
.cards button {
  width: 100%;
  height: 100%;
  background: none;
  border: 3px solid transparent;
  border-radius: 3px;
  color: var(--ink);
  text-align: left;
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
.cards .more {
  padding: 14px;
}
.cards .more button {
  height: auto;
  width: auto;
  min-height: 32px;
  border: 1px solid var(--line-strong);
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
