<script setup lang="ts">
/** The week on one page of A4, for this hand: to print, as PDF, as a picture. */
import type { HomeworkBody } from '@finch/contract';
import { makeDrill } from '@finch/core/drills';
import type { PlayedBy } from '@finch/core/hands';
import type { HomeWeek } from '@finch/core/planning';
import { computed } from 'vue';
import HouseDialog from '../../furniture/HouseDialog.vue';
import type { PaperJob } from '../../paper/paper-files';
import PaperSheet from '../../paper/PaperSheet.vue';
import { useSeat } from '../../session/seat';
import { nameChord, say, whenText } from '../../words';
import { spanText, weekdayText, whenPlayed } from './week-words';

const open = defineModel<boolean>({ required: true });
const props = defineProps<{ body: HomeworkBody; week: HomeWeek | null; drilling: PlayedBy }>();
const seat = useSeat();
/** More than the page has room for; the warm-up needs no tab. */
const MOST_DRILLS = 5;
const made = computed(() => {
  if (!open.value || !props.week) return [];
  return props.week.rows
    .flatMap((row, i) => {
      const drill = row.kind === 'warm up' ? null : makeDrill(row.recipe, props.drilling);
      return drill?.ok ? [{ row: i, of: row, drill: drill.value }] : [];
    })
    .slice(0, MOST_DRILLS);
});
const names = computed(() => {
  const chords = made.value.flatMap(({ drill }) => [
    ...drill.score.parts.flatMap((part) =>
      part.bars.flatMap((bar) => bar.events.flatMap((one) => one.chord ?? [])),
    ),
    ...drill.steps.flatMap(({ grip }) => grip?.chord ?? []),
  ]);
  return Object.fromEntries(chords.map((symbol) => [symbol, nameChord(symbol)]));
});
const job = computed<PaperJob | null>(() => {
  const { week, body, drilling } = props;
  if (!open.value || !week) return null;
  return {
    layout: 'week',
    title: body.student.name,
    head: [
      `Homework, ${spanText(week.days)}`,
      ...(body.nextLessonAt ? [`next lesson ${whenText(body.nextLessonAt, body.timeZone)}`] : []),
    ],
    foot: ['Zealous Finch', seat.studio?.name, 'String 1 is the thinnest. Frets count from the nut.']
      .filter(Boolean)
      .join(' · '),
    show: 'fingers',
    leftHanded: drilling.instrument.leftHanded,
    context: drilling,
    days: week.days.map(({ day, minutes }) => ({ name: weekdayText(day), off: minutes === 0 })),
    rows: week.rows.map((row) => ({ name: say(row.title), minutes: row.minutes })),
    drills: made.value.map(({ row, of, drill }) => ({
      row,
      title: say(of.title),
      aside: whenPlayed(of, week.days),
      line: say(drill.question),
      drill,
      asks: drill.steps.map((step) => say(step.ask)),
    })),
    cautions: [
      'Pain in a joint, the wrist or the arm, or tingling: stop for the day, tell your teacher.',
      'Sore fingertips: shorten. A buzz: is the finger close behind the wire?',
      'This is no medical advice; a doctor or a hand therapist gives that.',
    ],
    words: {
      minutes: 'min',
      take: 'take',
      tempo: 'bpm',
      clean: 'came clean',
      felt: 'hand felt',
      feels: ['easy', 'tense', 'pain'],
      question: 'A question for the lesson:',
    },
    names: names.value,
  };
});
</script>

<template>
  <HouseDialog v-model="open" size="lg" title="The week on paper">
    <PaperSheet :job="job">
      <p class="small">As many drills as the page has room for; the others stand in the table.</p>
    </PaperSheet>
  </HouseDialog>
</template>
