/**
 * A lesson as it runs on this screen, kept in this browser until the write-up: which block since when, how long each was
 * on, what was logged, brought and noted. A reload, a closed tab or a server that is away loses none of it. To the server
 * it goes as this screen's share, beside those of other screens. Blocks are named by id, since a plan may change meanwhile.
 */
import type { TakeResult } from '@finch/core/drills';
import type { LessonShare, PlanBlock } from '@finch/core/planning';
import { useLocalStorage } from '@vueuse/core';

/** Runs of this browser by lesson. */
export const useRuns = () => useLocalStorage<Record<string, LessonRun>>('finch-lesson-runs', {});

interface Brought {
  readonly id: string;
  readonly text: string;
}
export interface RunTake {
  readonly id: string;
  readonly result: TakeResult;
}
type Named = Pick<PlanBlock, 'title' | 'kind'>;

export interface LessonRun {
  /** Of this screen's share. */
  readonly id: string;
  readonly at: string | null;
  /** When the present block began, ms. */
  readonly since: number;
  /** When the run last moved, ms; later than whatever it moved on from, even where clocks differ. */
  readonly movedAt: number;
  readonly spans: Readonly<Record<string, readonly (readonly [number, number])[]>>;
  readonly takes: Readonly<Record<string, readonly RunTake[]>>;
  /** What the blocks were called that were on, for a plan that no longer has them. */
  readonly named: Readonly<Record<string, Named>>;
  readonly brought: readonly Brought[];
  readonly note: string;
  /** A written lesson was opened again on purpose. */
  readonly again: boolean;
}

export const startRun = (id: string, at: string | null, now: number, again = false): LessonRun => ({
  id,
  at,
  since: now,
  movedAt: now,
  spans: {},
  takes: {},
  named: {},
  brought: [],
  note: '',
  again,
});

/** The run with the time on the present block counted up to now. */
function counted(run: LessonRun, now: number): LessonRun {
  if (run.at === null || now <= run.since) return { ...run, since: now };
  const spans = [...(run.spans[run.at] ?? []), [run.since, now] as const];
  return { ...run, since: now, spans: { ...run.spans, [run.at]: spans } };
}

/** On to another block, which counts as later than `after`; going to the one that is on counts its time so far. */
export function goTo(
  run: LessonRun,
  block: Pick<PlanBlock, 'id' | 'title' | 'kind'>,
  now: number,
  after = 0,
): LessonRun {
  const { id, title, kind } = block;
  return {
    ...counted(run, now),
    at: id,
    movedAt: Math.max(now, after + 1),
    named: { ...run.named, [id]: { title, kind } },
  };
}

export function logged(run: LessonRun, blockId: string, take: RunTake): LessonRun {
  return { ...run, takes: { ...run.takes, [blockId]: [...(run.takes[blockId] ?? []), take] } };
}

/** Without the take of that id. */
export function takenBack(run: LessonRun, takeId: string): LessonRun {
  const takes = Object.fromEntries(
    Object.entries(run.takes).map(([id, list]) => [id, list.filter((take) => take.id !== takeId)]),
  );
  return { ...run, takes };
}

/** This screen's share, as it goes to the server. */
export function shareOf(run: LessonRun, blocks: readonly PlanBlock[], now: number): LessonShare {
  const here = counted(run, now);
  const touched = new Set([
    ...Object.keys(here.spans),
    ...Object.keys(here.takes),
    ...here.brought.map((one) => one.id),
  ]);
  const named = (id: string): Named | undefined => blocks.find((block) => block.id === id) ?? here.named[id];
  const count = (id: string, result: TakeResult) =>
    (here.takes[id] ?? []).filter((one) => one.result === result).length;
  const order = [...blocks.map((block) => block.id), ...Object.keys(here.named)];
  return {
    id: here.id,
    at: here.at,
    movedAt: run.movedAt,
    note: here.note,
    blocks: [...touched]
      .sort((a, b) => order.indexOf(a) - order.indexOf(b))
      .flatMap((id) => {
        const block = named(id);
        return block
          ? [
              {
                blockId: id,
                title: block.title,
                kind: block.kind,
                spans: here.spans[id] ?? [],
                takes: {
                  clean: count(id, 'clean'),
                  nearly: count(id, 'nearly'),
                  notYet: count(id, 'not yet'),
                },
                brought: here.brought.some((one) => one.id === id),
              },
            ]
          : [];
      }),
  };
}

/** A block for what was brought instead of the plan. */
export const broughtBlock = (id: string, title: PlanBlock['title']): PlanBlock => ({
  id,
  kind: 'apply',
  minutes: 5,
  title,
  because: { code: 'because.chosen', values: {} },
  skillId: null,
  recipe: null,
  effort: 25,
  barreMinutes: 0,
  locked: true,
});
