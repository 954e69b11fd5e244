<script setup lang="ts">
/** One change of the path: what each finger does, why it takes as long as it does, other ways, what to practise. */
import { practiseFor, type OtherWay, type PathStep, type PractiseStep } from '@finch/core/changes';
import type { ChangeGrade } from '@finch/core/changes';
import { BButton } from 'bootstrap-vue-next';
import { computed } from 'vue';
import { bandWords, sayPractise, shiftWords, tempoWords, whyChange } from '../../words/change-words';
import { nameChord, spokenChord } from '../../words';
import BecauseMark from '../../instruments/BecauseMark.vue';
import ChangeDrawing from '../../instruments/ChangeDrawing.vue';
import ChangeLedger from '../../instruments/ChangeLedger.vue';
import ShapeCard from '../../instruments/ShapeCard.vue';
import ShimMark from '../../instruments/ShimMark.vue';
import { nameOfShape } from '../../words/shape-words';

const props = defineProps<{
  from: PathStep;
  to: PathStep;
  change: ChangeGrade;
  wantedBpm: number;
  gapBeats: number;
  ways: readonly OtherWay[];
  /** Where the chord gone to stands: "bar 6". */
  where: string;
  limit: number | null;
  leftHanded: boolean;
}>();
const emit = defineEmits<{ use: [way: OtherWay]; unlock: []; drill: [step: PractiseStep]; put: [] }>();
const gapSeconds = computed(() => (60 * props.gapBeats) / props.wantedBpm);
const steps = computed(() => practiseFor(props.change));
const beats = computed(() =>
  props.gapBeats === 1 ? 'one beat' : `${Math.round(props.gapBeats * 100) / 100} of a beat`,
);
const effort = computed(() => props.to.grip?.effort.total ?? 0);
const tempoOf = (way: OtherWay) =>
  Math.min(way.before?.tempoBpm ?? Infinity, way.after?.tempoBpm ?? Infinity);
</script>

<template>
  <div class="change-side">
    <div class="spread head">
      <h2
        class="display name"
        :aria-label="`${spokenChord(from.chord.symbol)} to ${spokenChord(to.chord.symbol)}`"
      >
        {{ nameChord(from.chord.symbol) }} → {{ nameChord(to.chord.symbol) }}
      </h2>
      <span class="effort"
        ><ShimMark :effort="effort" :limit="limit" :width="60" :height="30" /><b>{{
          Math.round(effort)
        }}</b></span
      >
    </div>
    <div class="drawn">
      <ChangeDrawing
        v-if="from.grip && to.grip"
        :from="from.grip.frets"
        :to="to.grip.frets"
        :to-fingers="to.grip.fingers"
        :moves="change.fingers"
        :left-handed="leftHanded"
        :label="`from ${spokenChord(from.chord.symbol)} to ${spokenChord(to.chord.symbol)} on the neck`"
      />
      <ChangeLedger :moves="change.fingers" />
    </div>
    <BecauseMark
      >{{ whyChange(change, gapSeconds) }} Nine of ten {{ tempoWords(change.tempoBpm, wantedBpm) }} (band
      {{ bandWords(change.band) }}), leaving {{ beats }} before the next.</BecauseMark
    >
    <details class="parts">
      <summary>{{ change.seconds.toFixed(2) }} s, part by part</summary>
      <ul>
        <li v-for="part in change.parts.filter((one) => Math.abs(one.seconds) > 0.004)" :key="part.name">
          <span>{{ part.name }}</span><b>{{ part.seconds.toFixed(2) }}</b>
        </li>
      </ul>
    </details>
    <div class="spread">
      <h3>Other ways, {{ where }}</h3>
      <BButton v-if="to.locked" size="sm" variant="link" @click="emit('unlock')">Unlock {{ where }}</BButton>
    </div>
    <ul v-if="ways.length" class="ways">
      <li v-for="(way, i) in ways" :key="i">
        <ShapeCard
          v-if="way.step.grip"
          size="thumb"
          :frets="way.step.grip.frets"
          :fingers="way.step.grip.fingers"
          :degrees="way.step.grip.degrees"
          :chord="to.chord.symbol"
          :left-handed="leftHanded"
        />
        <div>
          <b>{{ way.step.grip ? nameOfShape(way.step.grip) : '' }}</b>
          <p>
            <ShimMark :effort="way.step.grip?.effort.total ?? 0" :limit="limit" />
            <b :class="{ over: limit !== null && Math.round(way.step.grip?.effort.total ?? 0) > limit }">{{
              Math.round(way.step.grip?.effort.total ?? 0)
            }}</b>
            <span>{{ Math.round(tempoOf(way)) }} bpm here</span>
            <span v-if="way.before">{{ shiftWords(way.before) }}</span>
          </p>
          <p class="small">
            whole path {{ way.tempoBpm === null ? 'without changes' : `${Math.round(way.tempoBpm)} bpm` }}
          </p>
          <BButton
            size="sm"
            :variant="i ? 'outline-secondary' : 'dark'"
            :class="{ pri: i === 0 }"
            @click="emit('use', way)"
            >Use in {{ where }}</BButton
          >
        </div>
      </li>
    </ul>
    <p v-else class="small">No other grip within these limits. Widen the frets or let any note be lowest.</p>
    <template v-if="steps.length">
      <h3>What to practise</h3>
      <ol class="practise">
        <li v-for="step in steps" :key="step.kind">
          {{ sayPractise(step) }}
          <BButton
            size="sm"
            variant="link"
            :aria-label="`Drill it: ${sayPractise(step)}`"
            @click="emit('drill', step)"
            >Drill it</BButton
          >
        </li>
      </ol>
      <div class="acts">
        <BButton size="sm" variant="outline-secondary" @click="emit('put')">Loop in plan</BButton>
      </div>
    </template>
  </div>
</template>

<style scoped>
.change-side {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
.name {
  font-size: var(--size-6);
}
.head {
  align-items: center;
}
.effort {
  display: flex;
  gap: var(--space-2);
  align-items: center;
  font-size: var(--size-5);
}
.drawn {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: var(--space-2);
  align-items: center;
}
.drawn :deep(.ledger) {
  display: grid;
  gap: var(--space-2);
  font-size: var(--size-2);
}
.parts summary {
  font-size: var(--size-2);
  color: var(--ink2);
  min-height: 28px;
}
.parts li {
  display: flex;
  justify-content: space-between;
  border-top: 1px solid var(--line);
  font-size: var(--size-2);
  padding: 2px 0;
}
.ways li {
  display: grid;
  grid-template-columns: 96px minmax(0, 1fr);
  gap: var(--space-2);
  border-top: 1px solid var(--line);
  padding: var(--space-2) 0;
  font-size: var(--size-2);
}
.ways p {
  display: flex;
  flex-wrap: wrap;
  gap: 2px var(--space-2);
  align-items: baseline;
}
.ways .btn {
  margin-top: var(--space-1);
}
.over {
  color: var(--breast);
}
.practise {
  list-style: decimal;
  padding-left: var(--space-5);
  font-size: var(--size-2);
  display: grid;
  gap: var(--space-1);
}
.acts {
  display: flex;
  gap: var(--space-2);
}
</style>
