<script setup lang="ts">
/** Why the grip in hand is as hard as it is, what it changes into, and what would be easier. */
import { couldStay, type StayOffer } from '@finch/core/changes';
import type { DrillContext } from '@finch/core/drills';
import { pointsOf, type Effort } from '@finch/core/effort';
import type { Frets } from '@finch/core/grips';
import type { GradedGrip, StandIn } from '@finch/core/shapes';
import type { Chord } from '@finch/core/theory';
import { BButton } from 'bootstrap-vue-next';
import { computed } from 'vue';
import { degreeText, fretsMoved, nameChord, PART_WORDS, say } from '../../words';
import BecauseMark from '../../instruments/BecauseMark.vue';
import { PART_CATEGORY } from '../../instruments/categories';
import ChangeLedger from '../../instruments/ChangeLedger.vue';
import PurflingBar from '../../instruments/PurflingBar.vue';
import ShapeCard from '../../instruments/ShapeCard.vue';
import ShimMark from '../../instruments/ShimMark.vue';
import { givenUp, STAND_IN_WORDS } from '../../words/shape-words';
import type { ShapeActions } from './use-shape-actions';

const props = defineProps<{
  grip: GradedGrip;
  chord: Chord;
  effort: Effort;
  limit: number | null;
  standIns: readonly StandIn[];
  actions: ShapeActions;
  drilling: DrillContext;
  leftHanded: boolean;
}>();
const emit = defineEmits<{ use: [one: StandIn]; take: [symbol: string, frets: Frets] }>();
const { held, change } = props.actions;
/** Fingers of the held grip that might be left where they are, and what the chord in hand then becomes. */
const stays = computed(() =>
  held.value && change.value
    ? couldStay(held.value.grip.frets, props.grip.frets, props.chord, props.drilling)
    : [],
);
const keptWords = (kept: StayOffer['kept']) =>
  kept.map((one) => `string ${one.string} on fret ${one.fret}`).join(', ');
const wordsOf = (one: StayOffer) =>
  [
    ...one.lost.map((degree) => `${degreeText(degree)} is lost`),
    ...one.gained.map((degree) => `${degreeText(degree)} comes in`),
    `${Math.abs(one.plainSeconds - one.seconds).toFixed(2)} s ${one.seconds <= one.plainSeconds ? 'quicker' : 'slower'}`,
  ].join('; ');
const strips = computed(() =>
  props.effort.parts
    .filter((part) => part.points >= 0.05)
    .sort((a, b) => b.points - a.points)
    .map((part) => ({
      name: PART_WORDS[part.name],
      value: part.points,
      category: PART_CATEGORY[part.name],
      why: say(part.why),
    })),
);
const limitPoints = computed(() => (props.limit === null ? null : pointsOf(props.limit)));
</script>

<template>
  <div class="why">
    <PurflingBar
      :strips="strips"
      :total="Math.max(effort.points, limitPoints ?? 0) * 1.12"
      :pointer="limitPoints"
      :pointer-text="limitPoints === null ? '' : `limit ${Math.round(limitPoints)} points, grade ${limit}`"
      unit="points"
    />
    <table class="parts">
      <tbody>
        <tr v-for="strip in strips" :key="strip.name">
          <td>
            <svg width="16" height="13" aria-hidden="true">
              <rect width="16" height="13" :fill="`url(#cat-${strip.category})`" />
            </svg>
          </td>
          <th scope="row">{{ strip.name }}</th>
          <td>{{ strip.why }}</td>
          <td class="num">{{ strip.value.toFixed(1) }}</td>
        </tr>
        <tr class="sum">
          <td />
          <th scope="row">Sum</th>
          <td>
            grade 100 (1 − e<sup>−{{ Math.round(effort.points) }}/60</sup>) = {{ Math.round(effort.total) }}
          </td>
          <td class="num">{{ effort.points.toFixed(1) }}</td>
        </tr>
      </tbody>
    </table>
    <div v-if="change && held" class="change">
      <div class="spread">
        <h2>{{ nameChord(held.chord.symbol) }} → {{ nameChord(chord.symbol) }}</h2>
        <b>{{ Math.round(change.changesPerMinute) }} a minute · {{ Math.round(change.tempoBpm) }} bpm</b>
      </div>
      <ChangeLedger :moves="change.fingers" />
      <BecauseMark
        >{{ change.seconds.toFixed(2) }} s{{
          change.shiftFrets
            ? `, the hand goes ${fretsMoved(change.shiftFrets)}`
            : ', the hand stays where it is'
        }}; nine of ten clean at {{ Math.round(change.tempoBpm) }} bpm ({{
          Math.round(change.band.lowBpm)
        }}
        to {{ Math.round(change.band.highBpm) }}) with one beat before the bar line.</BecauseMark
      >
      <template v-if="stays.length">
        <h3>Fingers that could stay</h3>
        <ul class="could-stay">
          <li v-for="one in stays" :key="one.frets.join()">
            <b class="display">{{ nameChord(one.chord.symbol) }}</b>
            <span
              >{{ keptWords(one.kept) }}<small>{{ wordsOf(one) }}</small></span
            >
            <BButton variant="outline-secondary" size="sm" @click="emit('take', one.chord.symbol, one.frets)"
              >Take it</BButton
            >
          </li>
        </ul>
      </template>
      <BButton variant="link" size="sm" @click="actions.letGo()">Let it go</BButton>
    </div>
    <template v-if="standIns.length">
      <h2>Easier, same job</h2>
      <ul class="stand-ins">
        <li v-for="one in standIns" :key="one.kind">
          <ShapeCard
            size="thumb"
            :frets="one.grip.frets"
            :fingers="one.grip.fingers"
            :degrees="one.grip.degrees"
            :left-handed="leftHanded"
          />
          <div>
            <b>{{ STAND_IN_WORDS[one.kind] }}</b>
            <p class="note">{{ givenUp(one) }}</p>
          </div>
          <span class="score"
            ><ShimMark :effort="one.grip.effort.total" :limit="limit" />
            <b>{{ Math.round(one.grip.effort.total) }}</b></span
          >
          <BButton v-if="!one.capo" variant="outline-secondary" size="sm" @click="emit('use', one)"
            >Use it</BButton
          >
          <span v-else class="small">with capo</span>
        </li>
      </ul>
    </template>
  </div>
</template>

<style scoped>
.parts {
  font-size: var(--size-2);
  width: 100%;
}
.parts th {
  padding: 1px var(--space-2) 1px var(--space-2);
  font-weight: 700;
  text-align: left;
  vertical-align: top;
}
.parts td {
  padding: 1px 0;
  vertical-align: top;
}
.parts td.num {
  text-align: right;
}
.parts .sum td,
.parts .sum th {
  border-top: 1px solid var(--line);
  padding-top: var(--space-1);
}
.change {
  border-top: 2px solid var(--ink);
  padding-top: var(--space-2);
}
.could-stay li {
  display: grid;
  grid-template-columns: 92px minmax(0, 1fr) auto;
  gap: var(--space-3);
  align-items: center;
  border-top: 1px solid var(--line);
  padding: var(--space-1) 0;
  font-size: var(--size-2);
}
.could-stay b {
  font-size: var(--size-4);
}
.could-stay small {
  display: block;
  color: var(--ink2);
}
.change h3 {
  font-size: var(--size-2);
  margin-top: var(--space-2);
}
.stand-ins li {
  display: grid;
  grid-template-columns: 92px minmax(0, 1fr) auto auto;
  gap: var(--space-3);
  align-items: center;
  border-top: 1px solid var(--line);
  padding: var(--space-1) 0;
  font-size: var(--size-2);
}
.why {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
</style>
