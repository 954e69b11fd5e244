/** One try at a card: what is said of it as it goes on, the tempo ladder, the hand's feel, and the take it is kept as. */
import {
  endsPlaying,
  type Drill,
  type Feel,
  type Ladder,
  type Take,
  type TimeHeard,
} from '@finch/core/drills';
import { computed, ref, type Ref } from 'vue';
import { emptyDraft, isComplete, takeOf, withLadder, type Draft } from './take-draft';

interface Card {
  readonly title: string;
}
/** Who sits here: the clock of the house, and where takes go. */
interface Keeper {
  readonly now: () => number;
  readonly keep: (studentId: string, body: KeptAttempt, label: string) => Promise<string>;
  readonly takeBack: (studentId: string, takeId: string, label: string) => Promise<void>;
}
interface KeptAttempt {
  readonly kind: 'attempt';
  readonly take: Take;
}
interface Trying {
  readonly drill: Readonly<Ref<Drill | null>>;
  readonly card: Readonly<Ref<Card | null>>;
  readonly studentId: Readonly<Ref<string | null>>;
}
const TEMPO = { lowest: 30, highest: 208 };
const LONGEST_SECONDS = 7200;
/** A take that was never started by a button is taken for a minute. */
const UNSTARTED_MS = 60_000;
const NEXT_ANSWER = { clean: 'buzz', buzz: 'dead', dead: 'clean' } as const;

export function useTry({ drill, card, studentId }: Trying, seat: Keeper) {
  const draft = ref<Draft | null>(null);
  const ladder = ref<Ladder | null>(null);
  const feel = ref<Feel | null>(null);
  /** ms since 1970 of the first sound or call; null before. */
  const started = ref<number | null>(null);
  const takesHere = ref(0);
  const lastTake = ref<{ readonly id: string; readonly label: string } | null>(null);
  const said = ref('');
  const trouble = ref('');
  const stoppedHere = ref<Feel | null>(null);
  const askedTwice = ref(false);
  const complete = computed(() =>
    draft.value && drill.value ? isComplete(draft.value, drill.value) : false,
  );

  function begin(now: Drill | null): void {
    draft.value = now ? emptyDraft(now) : null;
    ladder.value = null;
    feel.value = null;
    started.value = null;
    takesHere.value = 0;
    lastTake.value = null;
  }
  const start = () => (started.value ??= seat.now());
  const patch = (more: Partial<Draft>) => {
    if (draft.value) draft.value = { ...draft.value, ...more };
  };
  function faster(by: number): void {
    // Another tempo than the ladder found is another take.
    ladder.value = null;
    const bpm = draft.value?.tempoBpm;
    if (bpm) patch({ ladder: null, tempoBpm: Math.min(TEMPO.highest, Math.max(TEMPO.lowest, bpm + by)) });
  }
  function counted(clean: number): void {
    // What is counted now is what is kept, and no ladder.
    ladder.value = null;
    if (draft.value) patch({ clean: Math.min(draft.value.of, Math.max(0, clean)), done: true, ladder: null });
  }
  const countedBy = (by: number) => counted((draft.value?.clean ?? 0) + by);
  /** What a machine heard of its bars, which is put right by counting. */
  function heardInTime({ bars }: TimeHeard): void {
    const count = (wanted: TimeHeard['bars'][number]['how']) =>
      bars.filter(({ how }) => how === wanted).length;
    ladder.value = null;
    const missed = count('early') > count('late') ? 'early' : 'late';
    patch({ clean: count('in time'), of: bars.length, missed, done: true, ladder: null });
  }
  const found = (now: Ladder) => {
    if (draft.value) draft.value = withLadder(draft.value, now.rounds);
  };
  const answer = (s: number, value: Draft['strings'][number]) => {
    if (draft.value) patch({ strings: draft.value.strings.map((one, i) => (i === s ? value : one)) });
  };
  /** Every string not answered yet rang as it should. */
  const allClean = () => {
    if (draft.value) patch({ strings: draft.value.strings.map((one) => one ?? 'clean') });
  };
  /** The next answer of a string by its number. */
  function cycle(string: number): void {
    const strings = draft.value?.strings ?? [];
    const s = strings.length - string;
    if (s < 0 || strings.length === 0) return;
    const now = strings[s];
    answer(s, now ? NEXT_ANSWER[now] : 'clean');
  }
  /** Pain at any time: the try so far is made complete as it stands. Whether it is to be kept now. */
  function hurt(answered: Feel | null): boolean {
    feel.value = answered;
    if (!answered || !endsPlaying(answered) || !drill.value || !draft.value) return false;
    if (!isComplete(draft.value, drill.value)) {
      if (ladder.value?.rounds.length) found(ladder.value);
      else patch({ strings: draft.value.strings.map((one) => one ?? 'dead'), done: true });
    }
    return true;
  }
  /** Keeps the take and begins another; `feel` where the hand has to be asked about first. */
  async function keep(): Promise<'kept' | 'feel' | 'incomplete' | 'failed'> {
    const made = drill.value;
    if (!made || !draft.value || !studentId.value || !card.value) return 'failed';
    if (!complete.value) {
      said.value = made.judged === 'strings' ? 'Say how each string rang first.' : 'Say how it went first.';
      return 'incomplete';
    }
    if ((made.hasBarre || made.overLimit) && feel.value === null && !askedTwice.value) {
      askedTwice.value = true;
      said.value = 'A barre: how did the hand feel? Answer, or keep once more.';
      return 'feel';
    }
    askedTwice.value = false;
    const begun = started.value ?? seat.now() - UNSTARTED_MS;
    const take = takeOf(draft.value, made, feel.value, {
      startedAt: new Date(begun).toISOString(),
      timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC',
      durationSeconds: Math.min(LONGEST_SECONDS, Math.max(1, Math.round((seat.now() - begun) / 1000))),
    });
    trouble.value = '';
    let id: string;
    try {
      id = await seat.keep(studentId.value, { kind: 'attempt', take }, `${card.value.title}: ${take.result}`);
    } catch (problem) {
      trouble.value = `Not kept on this device: ${(problem as Error).message}. Free some space and keep it again.`;
      return 'failed';
    }
    takesHere.value += 1;
    // Pain that was reported stays reported.
    lastTake.value = endsPlaying(take.feel) ? null : { id, label: `${card.value.title}: taken back` };
    said.value = `Kept: ${take.result}.`;
    if (endsPlaying(take.feel)) stoppedHere.value = take.feel;
    draft.value = { ...emptyDraft(made), tempoBpm: draft.value.tempoBpm };
    ladder.value = null;
    feel.value = null;
    started.value = null;
    return 'kept';
  }
  /** The last take was a slip: it does not count. */
  async function takeBack(): Promise<void> {
    const last = lastTake.value;
    if (!last || !studentId.value) return;
    lastTake.value = null;
    try {
      await seat.takeBack(studentId.value, last.id, last.label);
      takesHere.value = Math.max(0, takesHere.value - 1);
      said.value = 'Taken back: that take does not count.';
    } catch (problem) {
      lastTake.value = last;
      trouble.value = `Not taken back: ${(problem as Error).message}. Try again.`;
    }
  }
  return {
    lastTake,
    takeBack,
    allClean,
    draft,
    ladder,
    feel,
    started,
    takesHere,
    said,
    trouble,
    stoppedHere,
    complete,
    begin,
    start,
    patch,
    faster,
    counted,
    countedBy,
    heardInTime,
    found,
    answer,
    cycle,
    hurt,
    keep,
  };
}

export type Try = ReturnType<typeof useTry>;
