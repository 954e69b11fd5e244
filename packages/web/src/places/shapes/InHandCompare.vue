<script setup lang="ts">
/** Two grips side by side: what each costs, what each sounds, and the change there and back. */
import type { DrillContext } from '@finch/core/drills';
import { changeIn, gradeIn } from '@finch/core/drills';
import { EFFORT_PARTS } from '@finch/core/effort';
import { positionOf, trueSigns, type GradedGrip } from '@finch/core/shapes';
import type { Chord } from '@finch/core/theory';
import { BButton } from 'bootstrap-vue-next';
import { computed } from 'vue';
import { degreeText, nameChord, PART_WORDS } from '../../words';
import ChangeLedger from '../../instruments/ChangeLedger.vue';
import ShapeCard from '../../instruments/ShapeCard.vue';
import { nameOfShape } from '../../words/shape-words';
import type { ShapeActions } from './use-shape-actions';

const props = defineProps<{
  grip: GradedGrip;
  chord: Chord;
  drilling: DrillContext;
  actions: ShapeActions;
  leftHanded: boolean;
  show: 'fingers' | 'degrees' | 'notes';
}>();
const { held } = props.actions;
const sides = computed(() => (held.value ? [held.value, { grip: props.grip, chord: props.chord }] : []));
const efforts = computed(() =>
  sides.value.map((side) => {
    const graded = gradeIn(side.grip.frets, props.drilling);
    return graded.ok ? graded.value : null;
  }),
);
const parts = computed(() =>
  EFFORT_PARTS.map((name, i) => ({
    name: PART_WORDS[name],
    points: efforts.value.map((effort) => effort?.parts[i].points ?? 0),
  })).filter((part) => part.points.some((points) => points >= 0.05)),
);
const facts = computed(() => {
  const list = (of: (grip: GradedGrip) => string) => sides.value.map((side) => of(side.grip));
  return [
    { name: 'Strings', values: list((grip) => String(grip.frets.filter((fret) => fret !== null).length)) },
    { name: 'Position', values: list((grip) => (positionOf(grip) ? `fret ${positionOf(grip)}` : 'open')) },
    {
      name: 'Lowest',
      values: list((grip) => (grip.inversion === 'bass' ? 'bass' : degreeText(grip.inversion))),
    },
    { name: 'Left out', values: list((grip) => grip.omitted.map(degreeText).join(', ') || 'nothing') },
    {
      name: 'Notes',
      values: list((grip) => grip.notes.flatMap((note) => (note ? [trueSigns(note)] : [])).join(' ')),
    },
  ];
});
const shared = computed(() => {
  const [a, b] = sides.value.map((side) => new Set(side.grip.notes.filter((note) => note !== null)));
  return a && b ? [...a].filter((note) => b.has(note)).map((note) => trueSigns(String(note))) : [];
});
const changes = computed(() =>
  sides.value.length < 2
    ? []
    : [
        [sides.value[0], sides.value[1]],
        [sides.value[1], sides.value[0]],
      ].flatMap(([from, to]) => {
        const graded = changeIn(from.grip.frets, to.grip.frets, props.drilling);
        return graded.ok
          ? [
              {
                title: `${nameChord(from.chord.symbol)} → ${nameChord(to.chord.symbol)}`,
                grade: graded.value,
              },
            ]
          : [];
      }),
);
</script>

<template>
  <p v-if="!held" class="empty">
    Keep a grip beside you, then pick another one: both stand here side by side.
    <BButton size="sm" variant="outline-secondary" @click="actions.hold">Keep this one</BButton>
  </p>
  <div v-else class="compare">
    <table>
      <thead>
        <tr>
          <th scope="col"><span class="visually-hidden">what is compared</span></th>
          <th v-for="(side, i) in sides" :key="i" scope="col">
            <span class="display">{{ nameChord(side.chord.symbol) }}</span>
            <ShapeCard
              :frets="side.grip.frets"
              :fingers="efforts[i]?.fingering.fingers ?? side.grip.fingers"
              :degrees="side.grip.degrees"
              :notes="side.grip.notes"
              :chord="side.chord.symbol"
              :show="show"
              :left-handed="leftHanded"
            />
            <small>{{ i === 0 ? 'kept: ' : '' }}{{ nameOfShape(side.grip) }}</small>
          </th>
        </tr>
      </thead>
      <tbody>
        <tr class="sum">
          <th scope="row">Effort</th>
          <td v-for="(effort, i) in efforts" :key="i" class="num">
            <b>{{ effort ? Math.round(effort.total) : 'out of reach' }}</b>
          </td>
        </tr>
        <tr v-for="part in parts" :key="part.name">
          <th scope="row">{{ part.name }}</th>
          <td
            v-for="(points, i) in part.points"
            :key="i"
            class="num"
            :class="{ more: points > part.points[1 - i] + 0.5 }"
          >
            {{ points.toFixed(1) }}
          </td>
        </tr>
        <tr v-for="fact in facts" :key="fact.name">
          <th scope="row">{{ fact.name }}</th>
          <td v-for="(value, i) in fact.values" :key="i">{{ value }}</td>
        </tr>
      </tbody>
    </table>
    <p class="note">
      {{ shared.length ? `In both: ${shared.join(', ')}.` : 'No note in common.' }}
    </p>
    <div v-for="change in changes" :key="change.title" class="way">
      <div class="spread">
        <h3>{{ change.title }}</h3>
        <b
          >{{ Math.round(change.grade.changesPerMinute) }} a minute ·
          {{ Math.round(change.grade.tempoBpm) }} bpm</b
        >
      </div>
      <ChangeLedger :moves="change.grade.fingers" />
    </div>
    <BButton variant="link" size="sm" @click="actions.letGo()">Put the kept one away</BButton>
  </div>
</template>

<style scoped>
.compare {
  display: flex;
  flex-direction: column;
  gap: var(--space-2);
}
.compare table {
  width: 100%;
  font-size: var(--size-2);
}
.compare th,
.compare td {
  padding: 2px var(--space-2) 2px 0;
  vertical-align: top;
  text-align: left;
}
.compare thead .display {
  font-size: var(--size-5);
  display: block;
}
.compare thead small {
  font-weight: 400;
  display: block;
}
.compare tbody tr {
  border-top: 1px solid var(--line);
}
.compare .more {
  font-weight: 700;
  color: var(--breast);
}
.way h3 {
  font-size: var(--size-3);
}
</style>
