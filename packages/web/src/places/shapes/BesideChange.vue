<script setup lang="ts">
/** The change from the grip kept to the one in hand, there and back, and the fingers that could stay. */
import { couldStay, type StayOffer } from '@finch/core/changes';
import { changeIn } from '@finch/core/drills';
import type { Frets } from '@finch/core/grips';
import type { DrillContext } from '@finch/core/hands';
import type { GradedGrip } from '@finch/core/shapes';
import type { Chord } from '@finch/core/theory';
import { BButton } from 'bootstrap-vue-next';
import { computed } from 'vue';
import { degreeText, fretsMoved, nameChord } from '../../words';
import BecauseMark from '../../instruments/BecauseMark.vue';
import ChangeLedger from '../../instruments/ChangeLedger.vue';
import { bandWords } from '../../words/change-words';

interface Side {
  readonly grip: GradedGrip;
  readonly chord: Chord;
}
/** As many as stand under the change without scrolling. */
const MOST_OFFERS = 3;
const props = defineProps<{ kept: Side; now: Side; drilling: DrillContext }>();
const emit = defineEmits<{ take: [symbol: string, frets: Frets] }>();
const ways = computed(() =>
  [
    [props.kept, props.now],
    [props.now, props.kept],
  ].flatMap(([from, to]) => {
    const graded = changeIn(from.grip.frets, to.grip.frets, props.drilling);
    if (!graded.ok) return [];
    return [
      { title: `${nameChord(from.chord.symbol)} → ${nameChord(to.chord.symbol)}`, grade: graded.value },
    ];
  }),
);
/** Fingers of the kept grip that might be left where they are, and what the chord in hand then becomes. */
const stays = computed(() =>
  couldStay(props.kept.grip.frets, props.now.grip.frets, props.now.chord, props.drilling).slice(
    0,
    MOST_OFFERS,
  ),
);
const keptWords = (kept: StayOffer['kept']) =>
  kept.map((one) => `string ${one.string} on fret ${one.fret}`).join(', ');
const quicker = (seconds: number) => {
  const text = Math.abs(seconds).toFixed(2);
  return Number(text) === 0 ? 'as quick' : `${text} s ${seconds > 0 ? 'quicker' : 'slower'}`;
};
const wordsOf = (one: StayOffer) =>
  [
    ...one.lost.map((degree) => `${degreeText(degree)} is lost`),
    ...one.gained.map((degree) => `${degreeText(degree)} comes in`),
    quicker(one.plainSeconds - one.seconds),
  ].join('; ');
</script>

<template>
  <p v-if="!ways.length" class="empty">This hand does not get from one to the other.</p>
  <div v-else class="ways">
    <section v-for="{ title, grade } in ways" :key="title" class="way">
      <h2>{{ title }}</h2>
      <p>
        <b>{{ Math.round(grade.changesPerMinute) }} a minute · {{ Math.round(grade.tempoBpm) }} bpm</b>
      </p>
      <ChangeLedger :moves="grade.fingers" />
      <BecauseMark
        >{{ grade.seconds.toFixed(2) }} s{{
          grade.shiftFrets
            ? `, the hand goes ${fretsMoved(grade.shiftFrets)}`
            : ', the hand stays where it is'
        }}; nine of ten clean at {{ Math.round(grade.tempoBpm) }} now, band {{ bandWords(grade.band) }}, with
        one beat before the bar line.</BecauseMark
      >
    </section>
  </div>
  <template v-if="stays.length">
    <h2>Fingers that could stay</h2>
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
</template>

<style scoped>
.ways {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: var(--space-4);
  font-size: var(--size-2);
}
.could-stay li {
  display: grid;
  grid-template-columns: 92px minmax(0, 1fr) auto;
  gap: var(--space-3);
  align-items: center;
  border-top: 1px solid var(--line);
  padding: 2px 0;
  font-size: var(--size-2);
  line-height: 1.25;
}
.could-stay b {
  font-size: var(--size-4);
}
.could-stay small {
  display: block;
  color: var(--ink2);
}
@media (max-width: 600px) {
  .ways {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
