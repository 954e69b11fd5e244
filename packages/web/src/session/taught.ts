/**
 * What is asked of the student on the bench: the hand as its school has it play, the instrument, the limit, the
 * fingerings pinned and the hooks to show. Nobody on the bench: a middle hand of the stage chosen, under the school of
 * whoever sits.
 */
import type { Marks } from '@finch/contract';
import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { changeMark, gripMark, type Frets } from '@finch/core/grips';
import type { PlayedBy } from '@finch/core/hands';
import { stagePace } from '@finch/core/pace';
import { handFor } from '@finch/core/shapes';
import { useQueryClient } from '@tanstack/vue-query';
import { computed, type MaybeRefOrGetter } from 'vue';
import { stageWords } from '../words/played-words';
import { school } from '../words/school';
import { useBench } from './bench';
import { plain } from './plain';
import { useStudent } from './queries';
import { useSchools } from './schools';

const NO_MARKS: Marks = { pins: [], hooks: [] };

export function useTaught(studentId: MaybeRefOrGetter<string | null>) {
  const client = useQueryClient();
  const bench = useBench();
  const { data: student } = useStudent(studentId);
  const { data: schools } = useSchools(studentId);
  const marks = computed(() => schools.value?.marks ?? student.value?.marks ?? NO_MARKS);
  const limit = computed(() => student.value?.taught.limits.gripEffort ?? null);
  // As plain data: what the query holds is wrapped, and the core would read through the wrapping a million times.
  const drilling = computed<PlayedBy>(() =>
    plain(
      student.value?.taught ?? {
        hand: handFor(averageHand, school()),
        instrument: standardGuitar,
        pace: stagePace(bench.stage),
        school: school(),
      },
    ),
  );
  const hand = computed(() => drilling.value.hand);
  const instrument = computed(() => drilling.value.instrument);
  const hookOn = (frets: Frets) =>
    marks.value.hooks.find((hook) => hook.subject === gripMark(frets, instrument.value.openPitches)) ?? null;
  const hookOnChange = (from: Frets, to: Frets) =>
    marks.value.hooks.find((hook) => hook.subject === changeMark(from, to, instrument.value.openPitches)) ??
    null;
  /** After a mark or a school was written: everything that shows it is read anew. */
  const refresh = () =>
    Promise.all(
      ['schools', 'student', 'practice', 'proposal'].map((key) =>
        client.invalidateQueries({ queryKey: [key] }),
      ),
    );
  /** Whose hand it is, in words. */
  const whose = computed(() => student.value?.name ?? stageWords[bench.stage]);
  return { student, whose, marks, limit, drilling, hand, instrument, hookOn, hookOnChange, refresh };
}
