<script setup lang="ts">
/** The chart: sections of bars, four to a line, with the heaviest grip of each bar and the small names behind a capo. */
import { asIfWithoutCapo, type Piece, type PieceBar } from '@finch/core/score';
import { useMediaQuery } from '@vueuse/core';
import { computed } from 'vue';
import { nameChord } from '../../words';
import ShimMark from '../../instruments/ShimMark.vue';
import StrokeRow from '../../instruments/StrokeRow.vue';
import { barFigures } from './bar-figures';
import { barMarks, barWords, spokenBar } from './spoken-bar';

const props = withDefaults(
  defineProps<{
    piece: Piece;
    /** Effort of the heaviest grip of each bar, by number on the chart. */
    efforts?: ReadonlyMap<number, number>;
    limit?: number | null;
    picked?: readonly number[];
    /** Number of the bar now sounding. */
    sounding?: number | null;
    /** Numbers of the bars with the weakest change. */
    weak?: readonly number[];
    /** Whether each chord has its number in the key beside it. */
    numbered?: boolean;
  }>(),
  { efforts: undefined, limit: null, picked: () => [], sounding: null, weak: () => [], numbered: false },
);
const emit = defineEmits<{ pick: [bar: number] }>();
/** Four bars a row; two where the page is a hand wide. */
const narrow = useMediaQuery('(max-width: 600px)');
const onRow = computed(() => (narrow.value ? 2 : 4));
const small = computed(() => (props.piece.capo > 0 ? asIfWithoutCapo(props.piece) : null));
const figures = computed(() => barFigures(props.piece));
const sections = computed(() => {
  let number = 1;
  return props.piece.sections.map((section, s) => {
    const first = number;
    number += section.bars.length;
    const bars = section.bars.map((bar, i) => ({
      bar,
      number: first + i,
      small: small.value?.sections[s].bars[i] ?? null,
      figures: props.numbered ? (figures.value[first - 1 + i] ?? []) : [],
    }));
    const lines = Array.from({ length: Math.ceil(bars.length / onRow.value) }, (_, i) =>
      bars.slice(i * onRow.value, (i + 1) * onRow.value),
    );
    return { section, first, last: number - 1, lines };
  });
});
const sung = computed(() => props.piece.sections.some((one) => one.bars.some((bar) => barWords(bar) !== '')));
const patterns = computed(() =>
  props.piece.patterns.map((pattern) => ({
    pattern,
    used: props.piece.sections.filter((one) => one.pattern === pattern.name).map((one) => one.name),
  })),
);
const patternWords = computed(() => {
  const strums = patterns.value.some((one) => one.pattern.kind === 'strum');
  const picks = patterns.value.some((one) => one.pattern.kind !== 'strum');
  return strums && picks ? 'Strum, picking' : strums ? 'Strum' : 'Picking';
});
const size = (bar: PieceBar) => {
  const longest = bar.chords.reduce((sum, one) => sum + nameChord(one.chord).length, 0) + bar.chords.length;
  return longest > 16 ? 14 : longest > 11 ? 17 : 22;
};
const spoken = (bar: PieceBar, number: number) =>
  spokenBar(bar, {
    number,
    effort: props.efforts?.get(number),
    limit: props.limit,
    weak: props.weak.includes(number),
  });
</script>

<template>
  <div class="chart">
    <div v-for="one in sections" :key="one.section.name" class="section">
      <div class="section-name">
        <b>{{ one.section.name }}</b>
        <small
          >{{ one.first }}–{{ one.last
          }}{{ one.section.times > 1 ? `, ${one.section.times} times` : '' }}</small
        >
      </div>
      <div class="lines">
        <div v-for="(line, l) in one.lines" :key="l" class="line">
          <button
            v-for="{ bar, number, small: behind, figures: said } in line"
            :key="number"
            type="button"
            class="bar"
            :class="{
              picked: picked.includes(number),
              sounding: sounding === number,
              weak: weak.includes(number),
            }"
            :aria-pressed="picked.includes(number)"
            :aria-label="spoken(bar, number)"
            @click="emit('pick', number)"
          >
            <span class="chords">
              <span v-for="(chord, c) in bar.chords" :key="c">
                <b class="display" :style="{ fontSize: `${size(bar)}px` }">{{ nameChord(chord.chord) }}</b>
                <small v-if="said[c]" class="figure">{{ said[c] }}</small>
                <small v-if="behind">{{ nameChord(behind.chords[c].chord) }}</small>
              </span>
              <span v-if="!bar.chords.length" class="held">·</span>
            </span>
            <span v-if="sung" class="words">{{ barWords(bar) }}</span>
            <span class="foot"
              ><small
                >{{ number }}{{ bar.ending ? `, time ${bar.ending}` : ''
                }}{{ barMarks(bar).length ? `, ${barMarks(bar).join(', ')}` : '' }}</small
              ><span v-if="efforts?.get(number) !== undefined" class="effort"
                ><ShimMark :effort="efforts.get(number) ?? 0" :limit="limit" :width="34" :height="14" /><b
                  :class="{ over: limit !== null && Math.round(efforts.get(number) ?? 0) > limit }"
                  >{{ Math.round(efforts.get(number) ?? 0) }}</b
                ></span
              ></span
            >
          </button>
        </div>
      </div>
    </div>
    <p v-if="piece.order" class="note order">Played: {{ piece.order.join(' ') }}</p>
    <div v-if="patterns.length" class="patterns">
      <h2>{{ patternWords }}</h2>
      <div class="rows">
        <div v-for="one in patterns" :key="one.pattern.name">
          <p class="small">{{ one.used.join(' and ') || 'unused' }}: {{ one.pattern.name }}</p>
          <StrokeRow :pattern="one.pattern" />
        </div>
      </div>
    </div>
  </div>
</template>

<style scoped>
.chords .figure {
  display: block;
  color: var(--ink2);
}
.chart {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
.section {
  display: grid;
  grid-template-columns: 62px minmax(0, 1fr);
}
.section-name b {
  font-size: var(--size-4);
  display: block;
  line-height: 1.1;
  overflow-wrap: anywhere;
}
.section-name small,
.foot small {
  color: var(--ink3);
  font-size: var(--size-1);
}
.lines {
  border-left: 2px solid var(--ink);
}
.line {
  display: grid;
  grid-template-columns: repeat(v-bind(onRow), minmax(0, 1fr));
  border-bottom: 1px solid var(--line);
}
.line:first-child {
  border-top: 1px solid var(--line);
}
.bar {
  min-height: 72px;
  padding: var(--space-1) var(--space-2);
  border: 0;
  border-right: 1px solid var(--ink);
  background: none;
  color: var(--ink);
  text-align: left;
  display: flex;
  flex-direction: column;
  min-width: 0;
}
.bar:focus-visible {
  outline-offset: -3px;
}
.bar.picked {
  background: var(--wash-crown);
}
.bar.weak {
  box-shadow: inset 0 -3px 0 var(--breast);
}
.bar.sounding {
  background: color-mix(in srgb, var(--wingbar) 40%, var(--sheet));
}
.chords {
  display: flex;
  gap: var(--space-2);
  flex: 1;
}
.chords small {
  display: block;
  color: var(--ink2);
  font-size: var(--size-1);
}
.held {
  color: var(--ink3);
  font-size: var(--size-5);
}
.words {
  font-size: var(--size-1);
  color: var(--ink2);
}
.foot {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: var(--space-1);
}
.effort {
  display: inline-flex;
  gap: var(--space-1);
  align-items: baseline;
}
.effort .over {
  color: var(--breast);
}
.order {
  margin-left: 4em;
}
.patterns {
  display: grid;
  grid-template-columns: 62px minmax(0, 1fr);
}
.rows {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-1) var(--space-4);
}
@media (max-width: 600px) {
  .section,
  .patterns {
    grid-template-columns: minmax(0, 1fr);
  }
  .section-name {
    display: flex;
    gap: var(--space-2);
    align-items: baseline;
  }
  .order {
    margin-left: 0;
  }
}
</style>
