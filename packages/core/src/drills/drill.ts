/** What every family makes of a recipe: steps, items, score, effort and the question one take answers. */
import type { Pace } from '../changes/constants';
import type { Reason } from '../effort/explain';
import type { Hand } from '../fretboard/hand';
import type { Instrument } from '../fretboard/instrument';
import type { Result } from '../kernel/result';
import type { Score } from '../score/score';
import type { Item } from './items';
import type { Recipe } from './recipe';

export interface DrillContext {
  readonly hand: Hand;
  readonly instrument: Instrument;
  readonly pace?: Pace;
  /** Grade of one grip that this hand should not pass; only used to say so. */
  readonly effortLimit?: number;
}

export interface DrillStep {
  readonly startBeat: number;
  readonly beats: number;
  readonly item: Item;
  /** What is asked, as data. */
  readonly ask: Reason;
}

export interface Drill {
  readonly recipe: Recipe;
  readonly items: readonly Item[];
  readonly steps: readonly DrillStep[];
  readonly score: Score;
  /** Grade 0 to 100 of steps, changes and tempo together. */
  readonly effort: number;
  /** Grade of the heaviest single grip. */
  readonly heaviestGrip: number;
  /** Null where the drill is in free time. */
  readonly tempoBpm: number | null;
  /** Tempo at which nine of ten changes come clean for this hand; null in free time. */
  readonly predictedBpm: number | null;
  readonly hasBarre: boolean;
  readonly overLimit: boolean;
  /** How long to play and rest: a barre is pressed, checked, released, in bursts. */
  readonly bursts: { readonly count: number; readonly workSeconds: number; readonly restSeconds: number };
  /** The yes / no question of one take. */
  readonly question: Reason;
}

export interface Family<R extends Recipe> {
  readonly make: (recipe: R, context: DrillContext) => Result<Drill>;
  /** One notch; problem `drill.easiest` or `drill.hardest` at the end of the road. */
  readonly easier: (recipe: R, context: DrillContext) => Result<R>;
  readonly harder: (recipe: R, context: DrillContext) => Result<R>;
}

/**
 * Points added for tempo: this many where the tempo equals the predicted one, in proportion below and above
 * (our assumption; it keeps an easier notch from grading higher).
 */
export const TEMPO_POINTS = 12;
