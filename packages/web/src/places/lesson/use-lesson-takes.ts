/**
 * Takes logged in a lesson: one key each, the hand's feel asked after it. The last take is held back until something is
 * said of the hand or the lesson goes on, so that feel and take are one event; silence goes unanswered, never as easy.
 */
import { endsPlaying, type Drill, type Feel, type Take, type TakeResult } from '@finch/core/drills';
import { ref, type Ref } from 'vue';

export interface LessonSeat {
  readonly now: () => number;
  /** Keeps a take, held back where asked; gives its id. */
  readonly keep: (
    studentId: string,
    body: { readonly kind: 'attempt'; readonly take: Take },
    label: string,
    held: boolean,
  ) => Promise<string>;
  readonly settle: (id: string, feel: Feel | null) => Promise<void>;
  readonly takeBack: (studentId: string, takeId: string, label: string) => Promise<void>;
}

export interface LessonTaking {
  readonly drill: Readonly<Ref<Drill | null>>;
  readonly tempo: Readonly<Ref<number | null>>;
  /** Whose takes they are, in which zone, and who judges them; null while no lesson is there. */
  readonly who: Readonly<
    Ref<{ readonly studentId: string; readonly timeZone: string; readonly source: Take['source'] } | null>
  >;
  /** What the block is called. */
  readonly title: () => string;
  readonly onLogged: (result: TakeResult, id: string) => void;
  /** Playing has to stop now. */
  readonly onPain: () => void;
  /** What could not be kept. */
  readonly onTrouble: (problem: unknown) => void;
}

/** A take of a lesson is not timed: it is taken for this long. */
const TAKE_SECONDS = 30;

export function useLessonTakes(taking: LessonTaking, seat: LessonSeat) {
  const heldId = ref<string | null>(null);
  const feel = ref<Feel | null>(null);
  /** The hand has to be asked about. */
  const asks = ref(false);
  const stopped = ref('');
  const said = ref('');
  const askedAtEnd = ref(false);
  /** One thing after the other: keys come faster than the browser's store answers. */
  let queue: Promise<void> = Promise.resolve();
  function inTurn(work: () => Promise<void>): Promise<void> {
    queue = queue.then(work, work);
    return queue;
  }
  async function settle(answer: Feel | null): Promise<void> {
    const going = heldId.value;
    if (going === null) return;
    heldId.value = null;
    await seat.settle(going, answer);
  }
  async function logNow(result: TakeResult, answer: Feel | null = null): Promise<void> {
    const drill = taking.drill.value;
    const who = taking.who.value;
    if (!drill || !who || stopped.value) return;
    // Nothing was said about the hand after the last take: it goes unanswered, never as easy.
    await settle(null);
    feel.value = null;
    const take: Take = {
      recipe: drill.recipe,
      items: drill.items,
      startedAt: new Date(seat.now() - TAKE_SECONDS * 1000).toISOString(),
      timeZone: who.timeZone,
      durationSeconds: TAKE_SECONDS,
      tempoBpm: drill.tempoBpm === null ? null : taking.tempo.value,
      steps: [],
      result,
      feel: answer,
      source: who.source,
    };
    asks.value = answer === null && (drill.hasBarre || drill.overLimit);
    try {
      const id = await seat.keep(
        who.studentId,
        { kind: 'attempt', take },
        `${taking.title()}: ${result}`,
        answer === null,
      );
      taking.onLogged(result, id);
      heldId.value = answer === null ? id : null;
      said.value = `Logged: ${result}.`;
    } catch (problem) {
      taking.onTrouble(problem);
    }
  }
  async function feltNow(answer: Feel | null): Promise<void> {
    feel.value = answer;
    asks.value = false;
    if (!answer) return;
    if (heldId.value) await settle(answer);
    else if (answer.hand !== 'easy' && taking.drill.value) await logNow('not yet', answer);
    if (endsPlaying(answer) && answer.hand === 'pain') {
      taking.onPain();
      stopped.value = `Pain (${answer.where}, ${answer.side}): no more playing today, with either hand. Listen, name, sing, tap. See a doctor or a hand therapist; this is no medical advice. Hard work stays locked until you clear it and two days were free of pain.`;
    } else if (answer.hand === 'tense')
      said.value = 'Tense: shake out, then slower. Tension is a signal to stop, not to push.';
  }
  /** The take of that id was a slip. */
  async function takeBackNow(takeId: string): Promise<void> {
    const who = taking.who.value;
    if (!who) return;
    if (stopped.value) {
      said.value = 'Pain was reported: that stays. Clear it on the student’s page when it is over.';
      return;
    }
    try {
      await seat.takeBack(who.studentId, takeId, `${taking.title()}: taken back`);
      if (heldId.value === takeId) {
        heldId.value = null;
        asks.value = false;
        feel.value = null;
      }
      said.value = 'Taken back: that take does not count.';
    } catch (problem) {
      taking.onTrouble(problem);
    }
  }
  /** Before the lesson goes on: asks once about the hand, then lets the take go. Whether it may go on. */
  async function leave(): Promise<boolean> {
    if (heldId.value && !feel.value) {
      asks.value = true;
      if (!askedAtEnd.value) {
        askedAtEnd.value = true;
        said.value = 'How did the hand feel? Answer, or press next again.';
        return false;
      }
    }
    askedAtEnd.value = false;
    await settle(null);
    asks.value = false;
    feel.value = null;
    return true;
  }
  return {
    feel,
    asks,
    stopped,
    said,
    inTurn,
    log: (result: TakeResult) => inTurn(() => logNow(result)),
    felt: (answer: Feel | null) => inTurn(() => feltNow(answer)),
    takeBack: (takeId: string) => inTurn(() => takeBackNow(takeId)),
    leave,
    /** The last take goes with what was said of the hand. */
    end: () => settle(feel.value),
  };
}
