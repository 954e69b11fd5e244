<script setup lang="ts">
/** The chart of the piece, in the part chosen, with what each bar weighs; under it who of the group plays what. */
import { BButton } from 'bootstrap-vue-next';
import { useLocalStorage } from '@vueuse/core';
import { computed } from 'vue';
import SegmentPick from '../../instruments/SegmentPick.vue';
import ChartSheet from './ChartSheet.vue';
import { PART_NAMES } from './part-words';
import PartsTable from './PartsTable.vue';
import type { PieceBench } from './use-piece-bench';

const props = defineProps<{ bench: PieceBench }>();
const { query, shown, taught, first, asks, group: ofGroup, chart, give } = props.bench;
const { piece, parts } = asks;
const { limit } = taught;
const { group, members, names, assignment, assigning } = ofGroup;
const { part, partShown, asPart, efforts, weak, picked, pick, player } = chart;
/** Stays as this teacher last had it. */
const numbered = useLocalStorage('finch-numbers', false);
const choices = computed(() =>
  parts.value.map(({ kind, capo }) => ({
    id: kind,
    name: `${PART_NAMES[kind]}${kind === 'capo' ? ` ${capo}` : ''}`,
  })),
);
const says = computed(() => {
  const now = asPart.value;
  const one = partShown.value;
  if (!now) return '';
  const capo = now.capo ? `small names: capo ${now.capo}; ` : '';
  const share = one?.tempoShare ?? null;
  const clean = share === null ? '' : `, clean at ${Math.round(share * now.tempoBpm)} bpm`;
  const weight =
    part.value === 'full'
      ? `heaviest grip of the bar${first.value ? `, ${first.value}` : ''}`
      : one
        ? `heaviest grip ${Math.round(one.heaviest)}${clean}`
        : '';
  return `${capo}${weight}${picked.value.length ? '' : '; pick bars to loop them'}`;
});
</script>

<template>
  <section class="sheet scroll middle" aria-label="The chart" tabindex="0">
    <p v-if="query.isPending.value" class="note" role="status">Fetching the repertoire…</p>
    <p v-else-if="query.isError.value" class="refusal" role="alert">
      The repertoire did not come: the server did not answer.
      <BButton size="sm" variant="outline-secondary" @click="query.refetch()">Try again</BButton>
    </p>
    <p v-else-if="!piece" class="empty">
      No pieces yet. Type a chart: a title, and bars like | C | Am | F | G |.
    </p>
    <template v-if="asPart">
      <div class="spread part-line">
        <SegmentPick v-if="choices.length > 1" v-model="part" label="Part" :options="choices" />
        <label class="small numbered"><input v-model="numbered" type="checkbox" /> Numbers</label>
        <span class="small">{{ says }}</span>
      </div>
      <ChartSheet
        :piece="asPart"
        :numbered="numbered"
        :efforts="efforts"
        :limit="limit"
        :picked="picked"
        :sounding="player.soundingBar.value"
        :weak="weak"
        @pick="pick"
      />
      <PartsTable
        v-if="members.length"
        :assignment="assignment"
        :names="names"
        :locked="shown?.body.parts ?? {}"
        :group="group ?? first ?? ''"
        :busy="assigning"
        @give="give"
      />
    </template>
  </section>
</template>

<style scoped>
.numbered {
  display: flex;
  gap: var(--space-1);
  align-items: center;
  min-height: 32px;
}
@media (pointer: coarse) {
  .numbered {
    min-height: 44px;
  }
}
.middle {
  display: flex;
  flex-direction: column;
  gap: var(--space-3);
}
.part-line {
  align-items: center;
  min-height: 32px;
}
.part-line :deep(.segments) {
  white-space: nowrap;
}
@media (max-width: 1199px), (max-height: 599px) {
  .part-line {
    flex-wrap: wrap;
  }
}
@media print {
  .part-line {
    display: none;
  }
}
</style>
