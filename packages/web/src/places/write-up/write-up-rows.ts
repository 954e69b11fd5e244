/** The rows of a write-up: what was done, and what was planned and not reached; and what each row's verdict is. */
import type { DoneBody, LessonBody } from '@finch/contract';
import { notesOf, type PlanBlock } from '@finch/core/planning';

export type Row = DoneBody['blocks'][number];

/** A block counts as covered where no more than this many of its minutes are missing (our assumption). */
const COVERED_WITHIN = 1.5;

const untouched = (block: PlanBlock): Row => ({
  blockId: block.id,
  title: block.title,
  kind: block.kind,
  minutes: 0,
  takes: { clean: 0, nearly: 0, notYet: 0 },
  brought: false,
});

/** What minutes are written into where neither a plan nor a block is known. */
const WHOLE_LESSON: Row = {
  blockId: 'lesson',
  title: { code: 'title.lesson', values: {} },
  kind: 'apply',
  minutes: 0,
  takes: { clean: 0, nearly: 0, notYet: 0 },
  brought: false,
};

/** In the order of the plan, then what came besides. Nothing is filled in that nobody did. */
export function rowsOf(lesson: Pick<LessonBody, 'plan' | 'done'>): Row[] {
  const done = lesson.done?.blocks ?? [];
  const plan = lesson.plan?.blocks ?? [];
  const planned = plan.map((block) => done.find((row) => row.blockId === block.id) ?? untouched(block));
  if (plan.length === 0 && done.length === 0) return [WHOLE_LESSON];
  const besides = done.filter((row) => !plan.some((block) => block.id === row.blockId));
  return [...planned, ...besides].map((row) => ({ ...row, minutes: Math.round(row.minutes * 10) / 10 }));
}

/** The note as it was kept, else what the screens of the lesson noted. */
export const noteFrom = (lesson: Pick<LessonBody, 'note' | 'done'>, here: string): string =>
  lesson.note || notesOf(lesson.done?.shares ?? []) || here;

/** The rows as they were planned, for a lesson that was held without this screen. */
export const asPlanned = (rows: readonly Row[], plan: readonly PlanBlock[], lessonMinutes: number): Row[] =>
  rows.map((row) => ({
    ...row,
    minutes:
      row.blockId === WHOLE_LESSON.blockId
        ? lessonMinutes
        : (plan.find((block) => block.id === row.blockId)?.minutes ?? row.minutes),
  }));

/** Whole minutes or tenths; whatever is no number is none. */
export const readMinutes = (typed: unknown): number => Math.min(240, Math.max(0, Number(typed) || 0));

export type Verdict = 'brought' | 'besides' | 'left' | 'in part' | 'covered';

export function verdictOf(row: Row, plannedMinutes: number | undefined): Verdict {
  if (row.brought) return 'brought';
  if (readMinutes(row.minutes) === 0) return 'left';
  if (plannedMinutes === undefined) return 'besides';
  return readMinutes(row.minutes) + COVERED_WITHIN < plannedMinutes ? 'in part' : 'covered';
}
