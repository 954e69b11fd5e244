/** A student's week at home as data: days with their minutes, and rows of one drill each with its minutes day by day. */
import type { Recipe } from '../drills/recipe';
import type { Reason } from '../effort/explain';
import type { BlockKind, LeftOut, PlanBlock } from './plan';

export interface WeekDay {
  /** YYYY-MM-DD by the student's clock. */
  readonly day: string;
  /** At most so many; 0 on a day off. */
  readonly minutes: number;
}

export interface WeekRow {
  /** Stable inside one week. */
  readonly id: string;
  readonly kind: BlockKind;
  readonly title: Reason;
  readonly because: Reason;
  readonly skillId: string | null;
  readonly recipe: Recipe;
  /** Grade of what is played, 0 to 100. */
  readonly effort: number;
  /** Share of its minutes in which a barre is pressed, 0 to 1. */
  readonly barreShare: number;
  /** By day of the week; 0 where it is not played. */
  readonly minutes: readonly number[];
  /** Tempo to end the week at, whole beats a minute; null in free time. */
  readonly aimBpm: number | null;
}

export interface HomeWeek {
  readonly schemaVersion: 1;
  /** One after the other. */
  readonly days: readonly WeekDay[];
  /** In the order of a day. */
  readonly rows: readonly WeekRow[];
  /** What was given or begun and has no room. */
  readonly leftOut: readonly LeftOut[];
  readonly modelVersion: string;
}

export const WEEK_MODEL_VERSION = 'week-1';

/** Minutes of one day. @param at index in `days` */
export const dayMinutes = ({ rows }: Pick<HomeWeek, 'rows'>, at: number): number =>
  rows.reduce((sum, { minutes }) => sum + (minutes[at] ?? 0), 0);

/** Minutes of one day in which a barre is pressed. @param at index in `days` */
export const dayBarreMinutes = ({ rows }: Pick<HomeWeek, 'rows'>, at: number): number =>
  rows.reduce((sum, { minutes, barreShare }) => sum + (minutes[at] ?? 0) * barreShare, 0);

/** One day as blocks, in order. @param at index in `days` */
export const dayBlocks = ({ rows }: Pick<HomeWeek, 'rows'>, at: number): PlanBlock[] =>
  rows.flatMap(({ id, kind, title, because, skillId, recipe, effort, barreShare, minutes }) => {
    const lasts = minutes[at] ?? 0;
    return lasts > 0
      ? [
          {
            id,
            kind,
            minutes: lasts,
            title,
            because,
            skillId,
            recipe,
            effort,
            barreMinutes: lasts * barreShare,
            locked: false,
          },
        ]
      : [];
  });
