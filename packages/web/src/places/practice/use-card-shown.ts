/** What of a card is on the stand: the grip or the change it is at, the question first, the bars and the neck as it plays. */
import { calledAt, changeIn, gripsInOrder, instrumentFor, needsNoNeck } from '@finch/core/drills';
import { changeMark, gripMark } from '@finch/core/grips';
import { neckFrames, ticksOf } from '@finch/core/score';
import type { Form } from '@finch/core/shapes';
import { useWindowSize } from '@vueuse/core';
import { computed, ref } from 'vue';
import { barsAround } from '../../instruments/bars-around';
import { chordAmong, offerChord } from '../../session/chord-in-hand';
import { formText, nameChord, spokenGrip } from '../../words';
import type { PracticeRoom } from './use-practice-room';

const PHONE = 700;
const BARS_SHOWN = { phone: 1, room: 3 };

export function useCardShown(room: PracticeRoom) {
  const { drill, data, context } = room;
  const { width } = useWindowSize();
  const phone = computed(() => width.value < PHONE);
  /** Prelude questions answered so far. */
  const predicted = ref(0);
  const guess = ref('');
  const loopAt = ref(0);
  /** The beat whose bars are shown: the one that sounds, or the one turned to. */
  const beatShown = ref(0);
  function begin() {
    predicted.value = loopAt.value = beatShown.value = 0;
    guess.value = '';
  }
  const grips = computed(() => (drill.value ? gripsInOrder(drill.value) : []));
  const isLoop = computed(() => drill.value?.judged === 'changes' || drill.value?.judged === 'time');
  const instrument = computed(() =>
    drill.value && data.value ? instrumentFor(drill.value, data.value.taught.instrument) : null,
  );
  const question = computed(() => drill.value?.prelude[predicted.value] ?? null);
  function predict(choice: string) {
    const asked = question.value?.answer;
    if (asked?.kind !== 'choice') return;
    guess.value = `${choice === asked.right ? 'Right' : 'Not that one'}: ${formText(asked.right as Form)}.`;
    predicted.value += 1;
  }
  const pair = computed(() => {
    const all = grips.value;
    if (!isLoop.value || !all.length) return all.slice(0, 1);
    return [all[loopAt.value % all.length], all[(loopAt.value + 1) % all.length]];
  });
  offerChord(() => chordAmong(pair.value, pair.value.length - 1));
  const target = computed(() => (isLoop.value ? pair.value[1] : pair.value[0]) ?? null);
  const change = computed(() => {
    if (!isLoop.value || pair.value.length < 2 || !context.value) return null;
    const graded = changeIn(pair.value[0].frets, pair.value[1].frets, context.value);
    return graded.ok ? graded.value : null;
  });
  /** The teacher's own hooks on what is shown: the grip, and the change to it. */
  const hooks = computed(() => {
    const pitches = data.value?.taught.instrument.openPitches ?? [];
    const [from, to] = [pair.value[0], pair.value[1] ?? pair.value[0]];
    if (!from || !to || question.value) return [];
    const subjects = [gripMark(to.frets, pitches), changeMark(from.frets, to.frets, pitches)];
    return (data.value?.marks.hooks ?? []).filter((hook) => subjects.includes(hook.subject));
  });
  const around = computed(() =>
    drill.value && instrument.value
      ? barsAround(
          drill.value.score,
          instrument.value,
          beatShown.value,
          phone.value ? BARS_SHOWN.phone : BARS_SHOWN.room,
        )
      : null,
  );
  /** Numbers called, whose chords are named when they are over. */
  const called = computed(() => (drill.value ? calledAt(drill.value, beatShown.value) : null));
  /** The note of a line on the neck, as it sounds or as the bars shown begin. */
  const line = computed(() => {
    const now = drill.value;
    if (!now || target.value || now.judged === 'calls' || needsNoNeck(now) || called.value) return null;
    const frames = neckFrames(now.score);
    return (
      frames.findLast((one) => one.startTick <= ticksOf(Math.max(0, beatShown.value))) ?? frames[0] ?? null
    );
  });
  return {
    phone,
    begin,
    isLoop,
    instrument,
    question,
    guess,
    predict,
    pair,
    target,
    change,
    hooks,
    around,
    line,
    called,
    beatShown,
    /** Another change of the loop can be looked at. */
    more: computed(() => new Set(grips.value.map((grip) => grip.frets.join())).size > 2),
    nextChange: () => (loopAt.value += 1),
    /** Tab and sound would give the answers of a quiz away; the walk along a string is played first. */
    answersHidden: (done: boolean) =>
      question.value !== null ||
      (drill.value?.judged === 'calls' && drill.value.recipe.family !== 'string walk' && !done),
    spoken: computed(() =>
      target.value
        ? `${nameChord(target.value.chord)}: ${spokenGrip(target.value.frets, target.value.fingers)}`
        : '',
    ),
    silentCount: computed(() => target.value?.frets.filter((fret) => fret === null).length ?? 0),
    turn: (by: number) => {
      const now = around.value;
      if (now) beatShown.value = now.starts[Math.min(now.lines - 1, Math.max(0, now.line + by))];
    },
  };
}

export type CardShown = ReturnType<typeof useCardShown>;
