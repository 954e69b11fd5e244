/** A lesson plan as data: blocks with minutes, what they train, and why they are there. */
import type { Recipe } from '../drills/recipe';
import type { Reason } from '../effort/explain';
import type { PracticeStep } from '../syllabus/skill';

export const BLOCK_KINDS = ['warm up', 'review', 'repair', 'new', 'rest', 'apply', 'take home'] as const;
export type BlockKind = (typeof BLOCK_KINDS)[number];

/** A part of a block: one drill for some of its minutes. */
export interface WalkPart {
  readonly step: PracticeStep;
  readonly minutes: number;
  readonly recipe: Recipe;
}

export interface PlanBlock {
  /** Stable inside one plan. */
  readonly id: string;
  readonly kind: BlockKind;
  readonly minutes: number;
  readonly title: Reason;
  readonly because: Reason;
  readonly skillId: string | null;
  /** Null for blocks without a drill (rest, take home, something brought). */
  readonly recipe: Recipe | null;
  /** The drills it goes through, its own among them, together as long as the block; left out where it has one alone. */
  readonly walk?: readonly WalkPart[];
  /** Grade of what is played, 0 to 100; 0 at rest. */
  readonly effort: number;
  /** Minutes of the block in which a barre is pressed. */
  readonly barreMinutes: number;
  /** The planner leaves it where and as it is. */
  readonly locked: boolean;
}

/** How much a goal weighs; `not now` is kept and does not weigh. */
export const GOAL_WEIGHTS = ['not now', 'a little', 'more', 'first'] as const;
export type GoalWeight = (typeof GOAL_WEIGHTS)[number];

/** What a proposal leans to: nothing more than the rules ask, mending, going on, or playing. */
export const LEANS = ['even', 'mend', 'go on', 'play'] as const;
export type Lean = (typeof LEANS)[number];

/** What of a lesson goes toward a goal, and how far that is. */
export interface TowardGoal {
  readonly id: string;
  readonly name: string;
  readonly weight: GoalWeight;
  /** YYYY-MM-DD; null without a day. */
  readonly on: string | null;
  /** Skills that it needs and that those still wait for: a block of any of them goes toward it. */
  readonly needs: readonly string[];
  /** Of its own skills. */
  readonly held: number;
  readonly of: number;
}

export interface LeftOut {
  readonly title: Reason;
  readonly skillId: string;
  readonly because: Reason;
  /** The least that would bring it in, where something small does. */
  readonly brings?: Reason;
}

export interface LessonPlan {
  readonly schemaVersion: 1;
  readonly minutes: number;
  readonly blocks: readonly PlanBlock[];
  readonly leftOut: readonly LeftOut[];
  /** Rules that were given up, since nothing keeps all of them; left out where all are kept. */
  readonly lifted?: readonly LiftedRule[];
  /** Strands not played for a month before this lesson, when they last were (null: never), and whether the lesson has them. */
  readonly unseen?: readonly {
    readonly strand: string;
    readonly lastAt: number | null;
    readonly there: boolean;
  }[];
  /** Share of worth that a better plan might have at most; left out where none has more. */
  readonly gap?: number;
  /** Left out where nothing is wished for. */
  readonly toward?: readonly TowardGoal[];
  /** Left out where it leans to nothing. */
  readonly lean?: Lean;
  readonly modelVersion: string;
}

/** Rules that give way, in this order, where nothing fits; pain, hand, minutes and locked blocks never do. */
export const LIFTED_IN_TURN = [
  'strands',
  'music',
  'reviews',
  'something new',
  'blocks',
  'promised',
  'use of the new',
  'mended',
] as const;
export type LiftedRule = (typeof LIFTED_IN_TURN)[number];

/** Minutes of some blocks that go toward a goal; a block counts for each goal that needs its skill. */
export const minutesToward = ({ needs }: Pick<TowardGoal, 'needs'>, blocks: readonly PlanBlock[]): number =>
  planMinutes(blocks.filter(({ skillId }) => skillId !== null && needs.includes(skillId)));

/** Sum of a plan's minutes. */
export function planMinutes(blocks: readonly PlanBlock[]): number {
  return blocks.reduce((sum, block) => sum + block.minutes, 0);
}

export const PLAN_MODEL_VERSION = 'plan-4';
