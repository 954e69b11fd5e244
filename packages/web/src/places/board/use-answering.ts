/**
 * Answers to what students asked: typed in a dialog that loses nothing, kept on this device and sent when it can be, with the way
 * back. A question whose answer waits to be sent is not asked about again.
 */
import type { BoardBody } from '@finch/contract';
import { computed, ref } from 'vue';
import { useNotices } from '../../session/notices';
import { useSeat } from '../../session/seat';
import { useDraft } from '../../session/use-draft';

type Waiting = BoardBody['questions'][number];

export function useAnswering(questions: () => readonly Waiting[]) {
  const seat = useSeat();
  const notices = useNotices();
  const open = ref(false);
  const asked = ref<Waiting | null>(null);
  const text = ref('');
  const trouble = ref('');
  const busy = ref(false);
  const draft = useDraft({
    key: () => `answer:${asked.value?.id ?? ''}`,
    value: text,
    kept: () => '',
    open: () => open.value && asked.value !== null,
  });
  /** Without what this device has answered: the server may not know yet. */
  const answeredHere = ref<ReadonlySet<string>>(new Set());
  const waiting = computed(() => {
    const going = seat.records.flatMap(({ status, event }) =>
      status !== 'refused' && event.kind === 'answer' ? [event.to] : [],
    );
    return questions().filter(({ id }) => !answeredHere.value.has(id) && !going.includes(id));
  });
  async function send(): Promise<void> {
    const one = asked.value;
    const said = text.value.trim();
    if (!one || !said || busy.value) return;
    busy.value = true;
    trouble.value = '';
    const first = one.name.split(' ')[0];
    try {
      const at = new Date(seat.now()).toISOString();
      const id = await seat.keep(
        one.studentId,
        { kind: 'answer', to: one.id, text: said, at },
        `Answer to ${first}: ${one.about.title}`,
      );
      answeredHere.value = new Set([...answeredHere.value, one.id]);
      draft.done();
      open.value = false;
      const undo = async () => {
        await seat.takeBack(one.studentId, id, 'An answer taken back');
        answeredHere.value = new Set([...answeredHere.value].filter((known) => known !== one.id));
        notices.tell(`The answer to ${first} is taken back.`);
      };
      notices.tell(`Answered: ${first} finds it beside the card.`, [
        { label: 'Undo', undo: true, run: undo },
      ]);
    } catch (problem) {
      trouble.value = `Not kept on this device: ${(problem as Error).message}. Free some space and send it again.`;
    } finally {
      busy.value = false;
    }
  }
  return {
    open,
    asked,
    text,
    draft,
    trouble,
    waiting,
    begin: (one: Waiting) => {
      asked.value = one;
      trouble.value = '';
      open.value = true;
    },
    send,
  };
}
