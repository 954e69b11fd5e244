<script setup lang="ts">
/** What a piece asks of the student on the bench: the weakest change, the heaviest grips, the skills it needs. */
import type { PieceDemand } from '@finch/core/score';
import { BButton } from 'bootstrap-vue-next';
import { computed } from 'vue';
import { bandWords, readyWords, tempoWords, whyChange } from '../../words/change-words';
import { nameOfShape } from '../../words/shape-words';
import { nameChord } from '../../words';
import BecauseMark from '../../instruments/BecauseMark.vue';
import CalliperRule from '../../instruments/CalliperRule.vue';
import ShapeCard from '../../instruments/ShapeCard.vue';
import ShimMark from '../../instruments/ShimMark.vue';
import type { Need } from './needs';

const props = defineProps<{
  demand: PieceDemand;
  tempoBpm: number;
  limit: number | null;
  needs: readonly Need[];
  leftHanded: boolean;
  who: string;
}>();
const emit = defineEmits<{ loop: []; shape: [chord: number] }>();
const weakest = computed(() => {
  const { demand } = props;
  if (demand.weakest === null) return null;
  const change = demand.changes[demand.weakest];
  const [from, to] = [demand.chords[change.from], demand.chords[change.to]];
  return { change, from, to, under: !change.ready };
});
const heavy = computed(() =>
  props.demand.heaviest.flatMap((i) => {
    const { step, number } = props.demand.chords[i];
    return step.grip ? [{ i, chord: step.chord.symbol, grip: step.grip, number }] : [];
  }),
);
const BAR = { left: 8, right: 196 };
const scale = computed(() => {
  const one = weakest.value?.change;
  if (!one) return null;
  const high = Math.max(one.grade.band.highBpm, one.wantedBpm) * 1.1;
  const low = Math.min(one.grade.band.lowBpm, one.wantedBpm) * 0.85;
  const x = (bpm: number) => BAR.left + ((bpm - low) / (high - low)) * (BAR.right - BAR.left);
  const step = high - low > 60 ? 20 : 10;
  const ticks: number[] = [];
  for (let bpm = Math.ceil(low / step) * step; bpm <= high; bpm += step) ticks.push(bpm);
  return { x, ticks, low: x(one.grade.band.lowBpm), high: x(one.grade.band.highBpm) };
});
const barsText = (bars: readonly number[]) =>
  `bar ${bars.slice(0, 5).join(', ')}${bars.length > 5 ? ` and ${bars.length - 5} more` : ''}`;
</script>

<template>
  <div class="piece-side">
    <template v-if="weakest && scale">
      <p class="ready-line" :class="{ ready: demand.readyShare === 1 }">{{ readyWords(demand, tempoBpm) }}</p>
      <div class="spread">
        <span class="note"
          >weakest change, bar {{ weakest.from.number }} to {{ weakest.to.number
          }}{{ weakest.change.times > 1 ? `, ${weakest.change.times} times` : '' }}</span
        >
        <b class="display pair"
          >{{ nameChord(weakest.from.step.chord.symbol) }} → {{ nameChord(weakest.to.step.chord.symbol) }}</b
        >
      </div>
      <div class="weak-line">
        <svg
          width="204"
          height="60"
          viewBox="0 0 204 60"
          role="img"
          :aria-label="`${tempoWords(weakest.change.grade.tempoBpm, weakest.change.wantedBpm)}, band ${bandWords(weakest.change.grade.band)}`"
        >
          <path :d="`M${BAR.left} 38H${BAR.right}`" stroke="var(--ink3)" />
          <g v-for="bpm in scale.ticks" :key="bpm">
            <path :d="`M${scale.x(bpm)} 38v5`" stroke="var(--ink3)" />
            <text :x="scale.x(bpm)" y="56">{{ bpm }}</text>
          </g>
          <rect :x="scale.low" :width="scale.high - scale.low" y="24" height="14" fill="var(--m2)" />
          <path
            :d="`M${scale.low + 4} 24h-4v14M${scale.high - 4} 24h4v14`"
            fill="none"
            stroke="var(--crown)"
            stroke-width="2"
          />
          <path
            :d="`M${scale.x(weakest.change.grade.tempoBpm)} 14V38`"
            stroke="var(--ink)"
            stroke-width="3"
          />
          <path
            :d="`M${scale.x(weakest.change.wantedBpm)} 8V38`"
            stroke="var(--ink)"
            stroke-width="1.6"
            stroke-dasharray="5 4"
          />
        </svg>
        <p class="weak-bpm" :class="{ over: weakest.under }">
          <b>{{ Math.round(weakest.change.grade.tempoBpm) }}{{ weakest.under ? '↓' : '' }}</b>
          <small
            >clean {{ weakest.under ? 'now, ' : 'there, ' }}{{ weakest.change.wantedBpm }} wanted; band
            {{ bandWords(weakest.change.grade.band) }}</small
          >
        </p>
      </div>
      <BecauseMark>{{
        whyChange(weakest.change.grade, (60 * weakest.change.gapBeats) / weakest.change.wantedBpm)
      }}</BecauseMark>
      <BButton size="sm" variant="outline-secondary" @click="emit('loop')"
        >Loop bars {{ weakest.from.number }} to {{ weakest.to.number }}</BButton
      >
    </template>
    <p v-else class="note">No change to judge: one grip throughout, or none.</p>
    <div class="spread">
      <h3>Heaviest grips</h3>
      <span class="small">{{ limit === null ? '' : `limit ${limit}` }}</span>
    </div>
    <ul class="heavy">
      <li v-for="one in heavy" :key="one.i">
        <button type="button" @click="emit('shape', one.i)">
          <ShapeCard
            size="thumb"
            :frets="one.grip.frets"
            :fingers="one.grip.fingers"
            :degrees="one.grip.degrees"
            :chord="one.chord"
            :left-handed="leftHanded"
          />
          <span
            ><b class="display">{{ nameChord(one.chord) }}</b
            ><small>{{ nameOfShape(one.grip) }}, bar {{ one.number }}</small></span
          >
          <ShimMark :effort="one.grip.effort.total" :limit="limit" :width="44" />
          <b :class="{ over: limit !== null && Math.round(one.grip.effort.total) > limit }">{{
            Math.round(one.grip.effort.total)
          }}</b>
        </button>
      </li>
    </ul>
    <div class="spread">
      <h3>Needs, read from the chart</h3>
      <span class="small">triangle: clean from 80</span>
    </div>
    <ul class="needs">
      <li v-for="need in needs" :key="need.id">
        <span
          >{{ need.name }} <small>{{ barsText(need.bars) }}</small></span
        >
        <CalliperRule
          v-if="need.state?.chance"
          :mean="need.state.chance.mean"
          :low="need.state.chance.low"
          :high="need.state.chance.high"
          :width="110"
          :label="need.name"
        />
        <span v-else class="small">not met</span>
        <b>{{ need.state?.chance ? Math.round(100 * need.state.chance.mean) : '–' }}</b>
      </li>
      <li v-if="!needs.length" class="small">
        None of the syllabus’ skills: its grips and changes have no skill of their own yet.
      </li>
    </ul>
  </div>
</template>

<style scoped>
.piece-side {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
.pair {
  white-space: nowrap;
}
.ready-line {
  font-weight: 700;
}
.weak-line {
  display: flex;
  gap: var(--space-2);
  align-items: center;
}
svg text {
  font-size: var(--size-1);
  fill: var(--ink2);
  text-anchor: middle;
}
.weak-bpm b {
  font-size: var(--size-6);
  display: block;
  line-height: 1;
}
.weak-bpm small {
  font-size: var(--size-1);
  color: var(--ink2);
}
.over,
.weak-bpm.over b {
  color: var(--breast);
}
.heavy li {
  border-top: 1px solid var(--line);
}
.heavy button {
  width: 100%;
  background: none;
  border: 0;
  color: var(--ink);
  display: grid;
  grid-template-columns: 62px minmax(0, 1fr) auto 28px;
  gap: var(--space-2);
  align-items: center;
  text-align: left;
  padding: var(--space-1) 0;
}
.heavy :deep(.shape-card) {
  width: 58px;
  height: auto;
}
.heavy small,
.needs small {
  display: block;
  font-size: var(--size-1);
  color: var(--ink3);
}
.heavy .display {
  font-size: var(--size-4);
}
.needs li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto 28px;
  gap: var(--space-2);
  align-items: center;
  border-top: 1px solid var(--line);
  padding: var(--space-1) 0;
  font-size: var(--size-2);
}
</style>
