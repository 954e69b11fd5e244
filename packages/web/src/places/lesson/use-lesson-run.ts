/**
 * The lesson as it runs: its blocks in order (planned, and brought on any screen), the one that is on, time and takes of
 * all screens together, and this screen's share on its way to the server. A share is sent again until it arrives; one that
 * is refused says why.
 */
import { routes, type LessonBody } from '@finch/contract';
import type { TakeResult } from '@finch/core/drills';
import { latestShare, spannedMs, type LessonShare, type PlanBlock } from '@finch/core/planning';
import { useQueryClient } from '@tanstack/vue-query';
import { v7 as uuid } from 'uuid';
import { computed, onScopeDispose, ref, watch, type Ref } from 'vue';
import { sayError } from '../../words';
import { readAnew } from '../../session/queries';
import { call, Refused } from '../../session/api';
import {
  broughtBlock,
  goTo,
  logged,
  shareOf,
  startRun,
  takenBack,
  useRuns,
  type LessonRun,
} from '../../session/lesson-run';

const AGAIN_MS = 3000;

export interface LessonRunSeat {
  readonly now: () => number;
  readonly gone: () => void;
  readonly back: () => void;
}

export function useLessonRun(
  lesson: Readonly<Ref<LessonBody | undefined>>,
  proposed: Readonly<Ref<readonly PlanBlock[]>>,
  seat: LessonRunSeat,
) {
  const client = useQueryClient();
  const runs = useRuns();
  const trouble = ref('');
  const run = computed<LessonRun | null>(() => runs.value[lesson.value?.id ?? ''] ?? null);
  const put = (next: LessonRun) => {
    if (lesson.value) runs.value = { ...runs.value, [lesson.value.id]: next };
  };
  /** What the other screens did. */
  const others = computed<readonly LessonShare[]>(() =>
    (lesson.value?.done?.shares ?? []).filter((share) => share.id !== run.value?.id),
  );
  const blocks = computed<readonly PlanBlock[]>(() => {
    const rows = [...(lesson.value?.plan?.blocks ?? proposed.value)];
    const there = others.value.flatMap((share) =>
      share.blocks.filter((row) => row.brought).map((row) => broughtBlock(row.blockId, row.title)),
    );
    const here = (run.value?.brought ?? []).map((one) =>
      broughtBlock(one.id, { code: 'title.blank', values: { text: one.text } }),
    );
    for (const block of [...there, ...here])
      if (!rows.some((row) => row.id === block.id)) rows.splice(Math.max(0, rows.length - 1), 0, block);
    return rows;
  });
  /** Where the lesson stands: as this screen has it, or where another went on later. */
  const at = computed(() => {
    const other = latestShare(others.value);
    const mine = run.value;
    const id = mine && (!other || mine.movedAt >= other.movedAt || mine.at === null) ? mine.at : other?.at;
    return Math.max(
      0,
      blocks.value.findIndex((block) => block.id === id),
    );
  });
  const block = computed(() => blocks.value[at.value] ?? null);
  const begun = computed(() => run.value !== null);

  function begin(again = false) {
    if (run.value && !again) return;
    const first = block.value;
    const next = startRun(uuid(), null, seat.now(), again);
    put(first ? goTo(next, first, seat.now()) : next);
  }
  // A run that began before its plan was there stands on the first block as soon as it is.
  watch(block, (now) => {
    if (now && run.value && run.value.at === null)
      put(goTo({ ...run.value, since: seat.now() }, now, seat.now()));
  });

  const now = ref(seat.now());
  const tick = setInterval(() => (now.value = seat.now()), 500);
  onScopeDispose(() => clearInterval(tick));
  /** Seconds the block on has had, on every screen. */
  const spentSeconds = computed(() => {
    const id = block.value?.id ?? '';
    const mine = run.value;
    const open: [number, number][] = mine?.at === id ? [[mine.since, Math.max(mine.since, now.value)]] : [];
    const spans = others.value.flatMap(
      (share) => share.blocks.find((row) => row.blockId === id)?.spans ?? [],
    );
    const before = (lesson.value?.done?.before ?? []).find((row) => row.blockId === id)?.minutes ?? 0;
    return before * 60 + spannedMs([...spans, ...(mine?.spans[id] ?? []), ...open]) / 1000;
  });
  /** Takes of the block on, those of other screens first. */
  const takes = computed<TakeResult[]>(() => {
    const id = block.value?.id ?? '';
    const elsewhere = others.value.flatMap((share) => {
      const row = share.blocks.find((one) => one.blockId === id);
      return row
        ? ([
            ...Array<TakeResult>(row.takes.clean).fill('clean'),
            ...Array<TakeResult>(row.takes.nearly).fill('nearly'),
            ...Array<TakeResult>(row.takes.notYet).fill('not yet'),
          ] as const)
        : [];
    });
    return [...elsewhere, ...(run.value?.takes[id] ?? []).map((take) => take.result)];
  });
  const lastTake = computed(() => run.value?.takes[block.value?.id ?? '']?.at(-1) ?? null);

  let timer: ReturnType<typeof setTimeout> | undefined;
  let sending: Promise<unknown> = Promise.resolve();
  onScopeDispose(() => clearTimeout(timer));
  /** Sends this screen's share; whether it is there. One that nobody answered is sent again by itself. */
  function send(state: 'running' | 'taught'): Promise<boolean> {
    const sent = sending.then(() => sendNow(state));
    sending = sent;
    return sent;
  }
  async function sendNow(state: 'running' | 'taught'): Promise<boolean> {
    clearTimeout(timer);
    const [mine, of] = [run.value, lesson.value];
    if (!mine || !of) return false;
    try {
      const kept = await call(routes.keepShare, {
        params: { lessonId: of.id },
        body: { share: shareOf(mine, blocks.value, seat.now()), state, again: mine.again },
      });
      client.setQueryData(['lesson', kept.id], kept);
      if (of.state !== kept.state) void readAnew(client, 'board');
      seat.back();
      trouble.value = '';
      return true;
    } catch (problem) {
      trouble.value = sayError(problem);
      if (problem instanceof Refused) return false;
      seat.gone();
      if (state === 'running') timer = setTimeout(() => void send('running'), AGAIN_MS);
      return false;
    }
  }
  return {
    run,
    blocks,
    block,
    at,
    begun,
    spentSeconds,
    takes,
    lastTake,
    trouble,
    begin,
    send,
    goTo: (to: number) => {
      begin();
      const target = blocks.value[Math.min(Math.max(0, to), blocks.value.length - 1)];
      const after = latestShare(others.value)?.movedAt;
      if (target && run.value) put(goTo(run.value, target, seat.now(), after));
    },
    /** Counts the time of the block on up to now. */
    rest: () => run.value && block.value && put(goTo(run.value, block.value, seat.now())),
    logged: (result: TakeResult, id: string) => {
      begin();
      if (run.value && block.value) put(logged(run.value, block.value.id, { id, result }));
    },
    takenBack: (id: string) => run.value && put(takenBack(run.value, id)),
    note: (text: string) => {
      begin();
      if (run.value) put({ ...run.value, note: text });
    },
    /** Puts what was brought before the last block; its id. */
    bring: (text: string) => {
      begin();
      const id = uuid();
      if (run.value) put({ ...run.value, brought: [...run.value.brought, { id, text }] });
      return id;
    },
  };
}
