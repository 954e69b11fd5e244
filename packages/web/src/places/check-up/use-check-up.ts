/**
 * A check-up as it goes: three easy minutes, each item once, as the teacher heard it. What was heard is kept take by take, so that a
 * reload goes on where it stood; the check-up itself is one event that names its takes, once the last was heard or a hand hurt.
 */
import type { CheckUpBody } from '@finch/contract';
import { endsPlaying, makeDrill, type Drill, type Feel, type TakeResult } from '@finch/core/drills';
import { computed, ref, shallowRef, watch } from 'vue';
import type { Drafts } from '../../session/drafts';
import type { useSeat } from '../../session/seat';

type Item = CheckUpBody['items'][number];
type Seat = Pick<ReturnType<typeof useSeat>, 'keep' | 'takeBack' | 'now'>;

interface Heard {
  readonly skillId: string;
  readonly takeId: string;
  readonly result: TakeResult;
}
interface Going {
  readonly day: string;
  readonly phase: 'ready' | 'easy' | 'items' | 'done';
  /** ms since 1970; when the easy minutes began. */
  readonly easySince: number | null;
  readonly heard: readonly Heard[];
  /** What is asked, as it was when the first item came: takes move chances, and what they order stays. Null before. */
  readonly items: readonly Item[] | null;
  /** ms since 1970; when it was begun. */
  readonly since: number;
}

/** Easy minutes before anything is asked, ms; a take is not timed: it is taken for this long. */
export const EASY_MS = 3 * 60_000;
const TAKE_SECONDS = 30;

export function useCheckUp(
  body: () => CheckUpBody | undefined,
  seat: Seat,
  drafts: Drafts,
  timeZone: () => string,
) {
  const key = () => `check-up:${body()?.student.id ?? ''}`;
  const today = () => new Date(seat.now()).toDateString();
  const begin = (): Going => ({
    day: today(),
    phase: 'ready',
    easySince: null,
    heard: [],
    items: null,
    since: seat.now(),
  });
  const going = shallowRef<Going>(begin());
  const trouble = ref('');
  const hurts = ref<Feel | null>(null);
  const busy = ref(false);
  watch(
    key,
    () => {
      const stored = drafts.read<Going>(key())?.value;
      going.value = stored?.day === today() ? stored : begin();
    },
    { immediate: true },
  );
  const put = (next: Partial<Going>) => {
    going.value = { ...going.value, ...next };
    drafts.write(key(), going.value);
  };
  const items = computed<readonly Item[]>(() => going.value.items ?? body()?.items ?? []);
  /** The first that nothing was heard of. */
  const item = computed(() =>
    going.value.phase === 'items'
      ? (items.value.find(({ skillId }) => !going.value.heard.some((one) => one.skillId === skillId)) ?? null)
      : null,
  );
  const drill = computed<Drill | null>(() => {
    const on = body()?.taught;
    if (!item.value || !on) return null;
    const made = makeDrill(item.value.recipe, on);
    return made.ok ? made.value : null;
  });
  const labelOf = (one: Item) => `Check-up: ${one.name}`;
  /** One thing after the other; what cannot be kept is said and changes nothing. */
  async function attempt(work: () => Promise<void>): Promise<void> {
    if (busy.value) return;
    busy.value = true;
    trouble.value = '';
    try {
      await work();
    } catch (problem) {
      trouble.value = `Not kept on this device: ${(problem as Error).message}. Free some space and press again.`;
    } finally {
      busy.value = false;
    }
  }
  async function finish(): Promise<void> {
    const student = body()?.student.id;
    const { heard } = going.value;
    if (student && heard.length) {
      const takes = heard.map(({ skillId, takeId }) => ({ skillId, takeId }));
      const at = new Date(seat.now()).toISOString();
      await seat.keep(student, { kind: 'check-up', takes, at }, 'Check-up');
    }
    put({ phase: 'done' });
  }
  const hear = (result: TakeResult, feel: Feel | null = null) =>
    attempt(async () => {
      const student = body()?.student.id;
      const one = item.value;
      const made = drill.value;
      if (!student || !one || !made) return;
      const take = {
        recipe: made.recipe,
        items: made.items,
        startedAt: new Date(seat.now() - TAKE_SECONDS * 1000).toISOString(),
        timeZone: timeZone(),
        durationSeconds: TAKE_SECONDS,
        tempoBpm: made.tempoBpm,
        steps: [],
        result,
        feel,
        source: 'teacher' as const,
      };
      const takeId = await seat.keep(student, { kind: 'attempt', take }, `${labelOf(one)}: ${result}`);
      put({ heard: [...going.value.heard, { skillId: one.skillId, takeId, result }] });
      if (endsPlaying(feel)) {
        hurts.value = feel;
        return finish();
      }
      if (going.value.heard.length >= items.value.length) await finish();
    });
  return {
    going,
    items,
    item,
    drill,
    trouble,
    hurts,
    /** Easy minutes still to go at an instant, ms. */
    easyLeft: (now: number) => Math.max(0, EASY_MS - (now - (going.value.easySince ?? now))),
    warmUp: () => put({ phase: 'easy', easySince: seat.now() }),
    toItems: () => put({ phase: 'items', items: body()?.items ?? [] }),
    hear,
    /** The last answer was a slip: that item is heard again. */
    back: () =>
      attempt(async () => {
        const last = going.value.heard.at(-1);
        const student = body()?.student.id;
        if (!last || !student || going.value.phase !== 'items') return;
        await seat.takeBack(student, last.takeId, 'Check-up: taken back');
        put({ heard: going.value.heard.slice(0, -1) });
      }),
    again: () => {
      hurts.value = null;
      put(begin());
    },
  };
}

export type CheckUpRun = ReturnType<typeof useCheckUp>;
