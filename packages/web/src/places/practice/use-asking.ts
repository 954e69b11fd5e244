/**
 * Questions from the practice room: what was asked of the card on the stand, what came back, and what is typed. A question goes
 * into the log like a take: kept on this device first, sent when somebody answers, and once however often it is sent.
 */
import { isAbout, type AskedAbout, type Question } from '@finch/core/mastery';
import { computed, ref, type Ref } from 'vue';
import { useQuestions } from '../../session/queries';
import { useSeat } from '../../session/seat';
import { useDraft } from '../../session/use-draft';

/** A question, and whether the server has it. */
export interface Asked extends Pick<Question, 'id' | 'about' | 'text' | 'answer'> {
  readonly sent: boolean;
}

/** Tuning up, which is no card. */
export const TUNING: AskedAbout = { title: 'Tuning up', recipe: null };

/** @param cards today's; an answer to what is none of them stands with the first */
export function useAsking(
  studentId: Readonly<Ref<string | null>>,
  about: () => AskedAbout,
  cards: () => readonly AskedAbout[],
) {
  const seat = useSeat();
  const { data } = useQuestions(studentId);
  const text = ref('');
  const trouble = ref('');
  const busy = ref(false);
  const draft = useDraft({
    key: () => `question:${studentId.value ?? ''}:${about().title}`,
    value: text,
    kept: () => '',
  });
  /** Not with the server yet: asked, and taken back. */
  const waiting = computed(() => {
    const events = seat.records.flatMap(({ status, event }) => (status === 'refused' ? [] : [event]));
    const back = new Set(events.flatMap((event) => (event.kind === 'void' ? [event.voids] : [])));
    return { back, asked: events.flatMap((event) => (event.kind === 'question' ? [event] : [])) };
  });
  const all = computed<Asked[]>(() => {
    const { back, asked: here } = waiting.value;
    const known = data.value?.questions ?? [];
    return [
      ...known.map((one) => ({ ...one, sent: true })),
      ...here
        .filter(({ id }) => known.every((one) => one.id !== id))
        .map((event) => ({ ...event, answer: null, sent: false })),
    ].filter((one) => !back.has(one.id));
  });
  const here = computed(() => all.value.filter((one) => isAbout(one, about())));
  /** Answers to this card; with the first card those to what is not among today's. */
  const answered = computed(() => {
    const [first] = cards();
    const atFirst = first === undefined || first === about();
    const elsewhere = (one: Asked) => !cards().some((card) => isAbout(one, card));
    return all.value.filter((one) => one.answer && (isAbout(one, about()) || (atFirst && elsewhere(one))));
  });
  async function attempt(work: () => Promise<unknown>): Promise<boolean> {
    if (busy.value) return false;
    busy.value = true;
    trouble.value = '';
    try {
      await work();
      return true;
    } catch (problem) {
      trouble.value = `Not kept on this device: ${(problem as Error).message}. Free some space and send it again.`;
      return false;
    } finally {
      busy.value = false;
    }
  }
  return {
    /** Who plays may ask; who teaches answers on the Board. */
    mayAsk: computed(() => seat.has('student')),
    text,
    draft,
    trouble,
    /** Asked of this card and not answered yet. */
    open: computed(() => here.value.filter(({ answer }) => answer === null)),
    answered,
    /** Whether it was kept, to be sent. */
    ask: async (): Promise<boolean> => {
      const said = text.value.trim();
      const student = studentId.value;
      if (!said || !student) return false;
      const at = new Date(seat.now()).toISOString();
      const { title, recipe } = about();
      return attempt(async () => {
        await seat.keep(
          student,
          { kind: 'question', about: { title, recipe }, text: said, at },
          `Question about ${title}`,
        );
        draft.drop();
      });
    },
    /** Takes a question back, answered or not: it stands nowhere any more. */
    putAway: (id: string) =>
      attempt(async () => {
        if (studentId.value) await seat.takeBack(studentId.value, id, 'A question taken back');
      }),
  };
}

export type Asking = ReturnType<typeof useAsking>;
