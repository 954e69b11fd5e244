/** What can be done with the grip in hand: hear it, hold it beside another, put it in the plan, send it home. */
import { routes } from '@finch/contract';
import { changeIn, changeLoop, ringCheck, type DrillContext, type Recipe } from '@finch/core/drills';
import type { Reason } from '@finch/core/effort';
import { pitchAt } from '@finch/core/fretboard';
import type { Frets } from '@finch/core/grips';
import { PLAIN_LEVEL } from '@finch/core/sound';
import type { GradedGrip } from '@finch/core/shapes';
import type { Chord } from '@finch/core/theory';
import { v7 as uuid } from 'uuid';
import { computed, ref, shallowRef, type ComputedRef, type Ref } from 'vue';
import { nameChord, say, sayError } from '../../app/words';
import { inPlainSchool } from '../../app/school';
import { call } from '../../session/api';
import { useBench } from '../../session/bench';
import { blockOf, putInPlan } from '../../session/plan-actions';
import { usePlayer } from '../../workers/player';

const ARPEGGIO_SECONDS = 0.38;
const STRUM_SECONDS = 0.014;

export function useShapeActions(given: {
  readonly picked: ComputedRef<GradedGrip | null>;
  readonly chord: Ref<Chord | null>;
  readonly drilling: ComputedRef<DrillContext>;
}) {
  const { picked, chord, drilling } = given;
  const instrument = computed(() => drilling.value.instrument);
  const bench = useBench();
  const player = usePlayer();
  const held = shallowRef<{ grip: GradedGrip; chord: Chord } | null>(null);
  const said = ref('');
  const trouble = ref('');

  const change = computed(() => {
    if (!held.value || !picked.value || held.value.grip.frets.join() === picked.value.frets.join())
      return null;
    const graded = changeIn(held.value.grip.frets, picked.value.frets, drilling.value);
    return graded.ok ? graded.value : null;
  });
  /** String by string, then as a strum. */
  async function hear(frets: Frets | undefined = picked.value?.frets) {
    if (!frets) return;
    const notes = frets.flatMap((fret, s) =>
      fret === null ? [] : [{ stringIndex: s, fret, midiPitch: pitchAt(instrument.value, s, fret) }],
    );
    const strumAt = notes.length * ARPEGGIO_SECONDS + 0.2;
    const pluck = { kind: 'pluck' as const, touch: 'ring' as const, level: PLAIN_LEVEL };
    await player.play(
      [
        ...notes.map((note, i) => ({ ...pluck, ...note, atSeconds: i * ARPEGGIO_SECONDS, seconds: 1 })),
        ...notes.map((note, i) => ({
          ...pluck,
          ...note,
          atSeconds: strumAt + i * STRUM_SECONDS,
          seconds: 1.6,
        })),
      ],
      { instrument: instrument.value },
    );
  }
  function hold() {
    if (!picked.value || !chord.value) return;
    held.value = { grip: picked.value, chord: chord.value };
    said.value = `${nameChord(chord.value.symbol)} is held. Pick another grip or type another chord to see the change.`;
  }
  /** The drill that the grip in hand makes: a loop with the one held beside it, else a ring check. */
  function drill(): { recipe: Recipe; title: Reason } | null {
    if (!picked.value || !chord.value) return null;
    const grip = { chord: chord.value.symbol, frets: picked.value.frets };
    if (!held.value || !change.value)
      return { recipe: ringCheck(grip), title: { code: 'title.shape', values: { chord: grip.chord } } };
    const from = { chord: held.value.chord.symbol, frets: held.value.grip.frets };
    return {
      recipe: changeLoop({ grips: [from, grip], beatsEach: 4 }),
      title: { code: 'title.loop', values: { from: from.chord, to: grip.chord } },
    };
  }
  async function attempt(
    work: (made: { recipe: Recipe; title: Reason }, studentId: string) => Promise<string>,
  ) {
    trouble.value = '';
    const made = drill();
    if (!bench.studentId || !made) {
      said.value = 'Put a student on the bench first: pick one on the Board.';
      return;
    }
    try {
      said.value = await work(made, bench.studentId);
    } catch (error) {
      trouble.value = sayError(error);
    }
  }
  const put = () =>
    attempt(async ({ recipe, title }, studentId) => {
      bench.lessonId = await putInPlan(studentId, blockOf(recipe, title, drilling.value));
      return `${say(title)} is in the next plan, locked; the rest was planned around it.`;
    });
  const home = () =>
    attempt(async ({ recipe, title }, studentId) => {
      const words = say(title);
      await call(routes.assignHome, {
        params: { studentId },
        body: { id: uuid(), recipe, skillId: null, title: inPlainSchool(() => say(title)) },
      });
      return `${words} goes home.`;
    });
  return { held, change, said, trouble, hear, hold, put, home, letGo: () => (held.value = null) };
}

export type ShapeActions = ReturnType<typeof useShapeActions>;
