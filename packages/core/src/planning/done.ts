/**
 * What was done in a lesson, gathered from every screen it ran on. A screen's run says when it stood on which block
 * (spans, ms since 1970), which takes were logged there, what was brought and noted; sent again it replaces itself, so
 * nothing counts twice and no screen writes over another. Time that two screens spent on one block counts once.
 */
import type { Reason } from '../effort/explain';
import type { BlockKind } from './plan';

export interface TakeCounts {
  readonly clean: number;
  readonly nearly: number;
  readonly notYet: number;
}
interface Named {
  readonly blockId: string;
  readonly title: Reason;
  readonly kind: BlockKind;
  readonly takes: TakeCounts;
  /** Not in the plan: the student brought it. */
  readonly brought: boolean;
}
export interface RunBlock extends Named {
  /** From and to, ms; a span still open ends when it was sent. */
  readonly spans: readonly (readonly [number, number])[];
}
export interface DoneBlock extends Named {
  /** Tenths of a minute. */
  readonly minutes: number;
}
/** One screen's share of a lesson. */
export interface LessonShare {
  readonly id: string;
  /** The block it stands on, and since when, ms. */
  readonly at: string | null;
  readonly movedAt: number;
  readonly blocks: readonly RunBlock[];
  readonly note: string;
}

/** A screen left lying on one block does not teach for longer than this (our assumption). */
const LONGEST_SPAN_MS = 90 * 60_000;
/** No block of a lesson lasts longer, whatever screens say. */
export const LONGEST_DONE_MINUTES = 240;

/** Length of the union of spans, ms; each no longer than ninety minutes, backward ones empty. */
export function spannedMs(spans: readonly (readonly [number, number])[]): number {
  const sorted = spans
    .map(([from, to]) => [from, Math.min(to, from + LONGEST_SPAN_MS)] as const)
    .filter(([from, to]) => to > from)
    .sort((a, b) => a[0] - b[0]);
  let sum = 0;
  let end = Number.NEGATIVE_INFINITY;
  for (const [from, to] of sorted) {
    sum += Math.max(0, to - Math.max(from, end));
    end = Math.max(end, to);
  }
  return sum;
}

const NONE: TakeCounts = { clean: 0, nearly: 0, notYet: 0 };
const plus = (a: TakeCounts, b: TakeCounts): TakeCounts => ({
  clean: a.clean + b.clean,
  nearly: a.nearly + b.nearly,
  notYet: a.notYet + b.notYet,
});
const tenths = (ms: number): number => Math.round(ms / 6000) / 10;

/** Block by block what all shares did, on top of what was written before; in the order first met. */
export function doneOf(shares: readonly LessonShare[], before: readonly DoneBlock[] = []): DoneBlock[] {
  const rows = new Map<string, { named: Named; spans: (readonly [number, number])[]; was: number }>();
  for (const block of before) rows.set(block.blockId, { named: block, spans: [], was: block.minutes });
  for (const share of shares)
    for (const block of share.blocks) {
      const row = rows.get(block.blockId) ?? { named: { ...block, takes: NONE }, spans: [], was: 0 };
      rows.set(block.blockId, {
        named: { ...row.named, takes: plus(row.named.takes, block.takes) },
        spans: [...row.spans, ...block.spans],
        was: row.was,
      });
    }
  return [...rows.values()].map(({ named: { blockId, title, kind, takes, brought }, spans, was }) => ({
    blockId,
    title,
    kind,
    takes,
    brought,
    minutes: Math.min(LONGEST_DONE_MINUTES, Math.round((was + tenths(spannedMs(spans))) * 10) / 10),
  }));
}

/** The share that moved last: where a lesson goes on. */
export function latestShare(shares: readonly LessonShare[]): LessonShare | null {
  return shares.reduce<LessonShare | null>(
    (best, share) => (best && best.movedAt >= share.movedAt ? best : share),
    null,
  );
}

/** Everything noted, each once, in the order of the shares. */
export function notesOf(shares: readonly LessonShare[]): string {
  return [...new Set(shares.map((share) => share.note.trim()).filter(Boolean))].join('\n');
}

/** Minutes of all blocks together. */
export const minutesDone = (blocks: readonly DoneBlock[]): number =>
  blocks.reduce((sum, block) => sum + block.minutes, 0);
