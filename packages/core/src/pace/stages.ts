/**
 * How long somebody has played, by name: what a hand nobody is known of is taken for, and what a student's first tempi rest
 * on. Which months stand for a name is our reading of what teachers say.
 */
import { makePaceFilter } from './pace-filter';
import type { Pace } from './pace';

export const STAGES = ['first month', 'first year', 'some years', 'stage player'] as const;
export type Stage = (typeof STAGES)[number];

/** Months of playing that a name stands for. */
const STAGE_MONTHS: Readonly<Record<Stage, number>> = {
  'first month': 1,
  'first year': 12,
  'some years': 60,
  'stage player': 200,
};
/** Months up to which a hand is called by the name before. */
const UNTIL: readonly (readonly [number, Stage])[] = [
  [2, 'first month'],
  [18, 'first year'],
  [120, 'some years'],
];

/** What somebody of whom only the stage is known plays at; null: not even that. */
export const stagePace = (stage: Stage | null): Pace =>
  makePaceFilter(stage === null ? null : STAGE_MONTHS[stage]).pace();

/** The name of so many months of playing. */
export const stageOf = (months: number): Stage =>
  UNTIL.find(([until]) => months < until)?.[1] ?? 'stage player';

const DAYS_A_MONTH = 30.44;
const DAY_MS = 86_400_000;

/** Months played at an instant (ms since 1970) by somebody who had played so many on a day (ISO 8601); never below none. */
export const monthsAt = (months: number, on: string, ms: number): number =>
  Math.max(0, months + (ms - Date.parse(on)) / (DAYS_A_MONTH * DAY_MS));
