/**
 * A lesson as it runs, kept in this browser until the write-up: which block, how long each took, what was
 * logged in it, what was brought. A reload, a closed tab or a server that is away loses none of it.
 */
import type { DoneBody } from '@finch/contract';
import type { TakeResult } from '@finch/core/drills';
import type { PlanBlock } from '@finch/core/planning';

interface Brought {
  readonly id: string;
  readonly text: string;
}

export interface LessonRun {
  readonly at: number;
  /** When the present block began, ms. */
  readonly since: number;
  readonly spentSeconds: Readonly<Record<string, number>>;
  readonly takes: Readonly<Record<string, readonly TakeResult[]>>;
  readonly brought: readonly Brought[];
  readonly note: string;
}

export const startRun = (now: number): LessonRun => ({
  at: 0,
  since: now,
  spentSeconds: {},
  takes: {},
  brought: [],
  note: '',
});

const spentWith = (run: LessonRun, id: string, now: number) => ({
  ...run.spentSeconds,
  [id]: (run.spentSeconds[id] ?? 0) + Math.max(0, now - run.since) / 1000,
});

export function goTo(
  run: LessonRun,
  blocks: readonly { readonly id: string }[],
  to: number,
  now: number,
): LessonRun {
  const here = blocks[run.at];
  return {
    ...run,
    at: Math.min(Math.max(0, to), blocks.length - 1),
    since: now,
    spentSeconds: here ? spentWith(run, here.id, now) : run.spentSeconds,
  };
}

export function logged(run: LessonRun, blockId: string, result: TakeResult): LessonRun {
  return { ...run, takes: { ...run.takes, [blockId]: [...(run.takes[blockId] ?? []), result] } };
}

/** Done against planned, as it goes to the server. */
export function doneOf(run: LessonRun, blocks: readonly PlanBlock[], now: number): DoneBody {
  const here = blocks[run.at];
  const spent = here ? spentWith(run, here.id, now) : run.spentSeconds;
  const count = (id: string, result: TakeResult) =>
    (run.takes[id] ?? []).filter((one) => one === result).length;
  const line = (id: string, title: PlanBlock['title'], kind: PlanBlock['kind'], brought: boolean) => ({
    blockId: id,
    title,
    kind,
    minutes: Math.round((spent[id] ?? 0) / 6) / 10,
    takes: { clean: count(id, 'clean'), nearly: count(id, 'nearly'), notYet: count(id, 'not yet') },
    brought,
  });
  return {
    schemaVersion: 1,
    blocks: [
      ...blocks.map((block) =>
        line(
          block.id,
          block.title,
          block.kind,
          run.brought.some((one) => one.id === block.id),
        ),
      ),
    ],
  };
}
