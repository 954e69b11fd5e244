/** Where the story of a student is drawn: weeks from left to right, a row for each strand. */
import { scaleLinear, scaleTime } from 'd3-scale';
import { area, curveStepAfter, line } from 'd3-shape';
import type { StoryPoint, StrandStory } from '@finch/core/mastery';

export const STORY = { width: 640, label: 150, row: 30, top: 26, foot: 22 } as const;
const WEEK_MS = 7 * 86_400_000;
const MOST_WEEKS = 14;

export interface StoryMoment {
  readonly at: number;
  readonly words: string;
}

/** From when it is drawn: the first take, at least a week and at most fourteen back. */
export function storyFrom(stories: readonly StrandStory[], now: number): number {
  const first = Math.min(now, ...stories.flatMap(({ points }) => points[0]?.at ?? now));
  return Math.max(now - MOST_WEEKS * WEEK_MS, Math.min(now - WEEK_MS, first));
}

export interface StoryRow {
  readonly strandId: string;
  readonly y: number;
  readonly band: string;
  readonly line: string;
  /** Where clean begins, in the row. */
  readonly clean: number;
  /** Where the strand was begun, if within the weeks drawn. */
  readonly begun: number | null;
}

export function storyDrawing(stories: readonly StrandStory[], from: number, now: number) {
  const { width, label, row, top, foot } = STORY;
  const x = scaleTime([new Date(from), new Date(now)], [label, width - 10]);
  const rows = stories.map(({ strandId, points }, i): StoryRow => {
    const y = scaleLinear([0, 1], [top + (i + 1) * row - 3, top + i * row + 3]);
    const shown = inSight(points, from);
    return {
      strandId,
      y: top + i * row,
      clean: y(0.8),
      begun: points[0] && points[0].at >= from ? x(points[0].at) : null,
      band:
        area<StoryPoint>(
          (d) => x(d.at),
          (d) => y(d.low),
          (d) => y(d.high),
        ).curve(curveStepAfter)(shown) ?? '',
      line:
        line<StoryPoint>(
          (d) => x(d.at),
          (d) => y(d.mean),
        ).curve(curveStepAfter)(shown) ?? '',
    };
  });
  const weeks = Math.max(1, Math.round((now - from) / WEEK_MS));
  const every = Math.ceil(weeks / 7);
  const ticks = Array.from({ length: Math.floor(weeks / every) }, (_, i) => ({
    x: x(now - i * every * WEEK_MS),
    ago: i * every,
  }));
  return { x, rows, ticks, height: top + stories.length * row + foot };
}

/** Points from an instant on, beginning with what held then. */
function inSight(points: readonly StoryPoint[], from: number): StoryPoint[] {
  const before = points.findLast(({ at }) => at < from);
  return [...(before ? [{ ...before, at: from }] : []), ...points.filter(({ at }) => at >= from)];
}

interface Told {
  readonly lessons: readonly { readonly startsAt: string; readonly state: string }[];
  readonly measured: readonly number[];
  readonly stops: readonly { readonly from: number; readonly to: number | null }[];
}

/** What happened on the way, the earliest first: lessons begun, hands measured, pain and the word to play again. */
export function storyMoments({ lessons, measured, stops }: Told, from: number): StoryMoment[] {
  const taught = lessons.filter(({ state }) => state === 'taught' || state === 'written');
  const first = taught.map(({ startsAt }) => Date.parse(startsAt)).sort((a, b) => a - b)[0];
  return [
    ...(first === undefined ? [] : [{ at: first, words: 'first lesson on record' }]),
    ...measured.map((at) => ({ at, words: 'hand on record' })),
    ...stops.flatMap(({ from: at, to }) => [
      { at, words: 'pain' },
      ...(to === null ? [] : [{ at: to, words: 'cleared to play' }]),
    ]),
  ]
    .filter(({ at }) => at >= from)
    .sort((a, b) => a.at - b.at);
}
