<script setup lang="ts">
/** Two grips side by side: what each costs and what each sounds. */
import { gradeIn } from '@finch/core/drills';
import { EFFORT_PARTS } from '@finch/core/effort';
import type { DrillContext } from '@finch/core/hands';
import { positionOf, trueSigns, type GradedGrip } from '@finch/core/shapes';
import type { Chord } from '@finch/core/theory';
import { computed } from 'vue';
import { degreeText, PART_WORDS } from '../../words';
import ChordName from '../../instruments/ChordName.vue';
import ShapeCard from '../../instruments/ShapeCard.vue';
import { nameOfShape } from '../../words/shape-words';

interface Side {
  readonly grip: GradedGrip;
  readonly chord: Chord;
}
const props = defineProps<{
  kept: Side;
  now: Side;
  drilling: DrillContext;
  leftHanded: boolean;
  show: 'fingers' | 'degrees' | 'notes';
}>();
const sides = computed(() => [props.kept, props.now]);
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
</script>

<template>
  <div class="compare">
    <div class="cards">
      <figure v-for="(side, i) in sides" :key="i">
        <ShapeCard
          :frets="side.grip.frets"
          :fingers="efforts[i]?.fingering.fingers ?? side.grip.fingers"
          :degrees="side.grip.degrees"
          :notes="side.grip.notes"
          :chord="side.chord.symbol"
          :show="show"
          :left-handed="leftHanded"
        />
        <figcaption>{{ i === 0 ? 'kept: ' : '' }}{{ nameOfShape(side.grip) }}</figcaption>
      </figure>
    </div>
    <table>
      <thead>
        <tr>
          <th scope="col"><span class="visually-hidden">what is compared</span></th>
          <th v-for="(side, i) in sides" :key="i" scope="col">
            <ChordName :symbol="side.chord.symbol" />
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
        <tr>
          <th scope="row">In both</th>
          <td colspan="2">{{ shared.join(', ') || 'no note' }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.compare {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: var(--space-4);
  font-size: var(--size-2);
  line-height: 1.2;
}
.cards {
  display: grid;
  gap: var(--space-1);
  align-content: start;
}
figure {
  margin: 0;
}
.cards :deep(svg) {
  height: 118px;
  width: auto;
}
figcaption {
  max-width: 120px;
  font-size: var(--size-1);
  color: var(--ink2);
}
table {
  width: 100%;
  align-self: start;
}
th,
td {
  padding: 1px var(--space-2) 1px 0;
  vertical-align: top;
  text-align: left;
}
thead th {
  font-size: var(--size-4);
}
tbody tr {
  border-top: 1px solid var(--line);
}
.more {
  font-weight: 700;
  color: var(--breast);
}
@media (max-width: 600px) {
  .compare {
    grid-template-columns: minmax(0, 1fr);
  }
  .cards {
    grid-auto-flow: column;
  }
}
</style>
