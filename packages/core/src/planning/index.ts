export {
  BLOCK_KINDS,
  GOAL_WEIGHTS,
  LEANS,
  LIFTED_IN_TURN,
  minutesToward,
  PLAN_MODEL_VERSION,
  planMinutes,
  type BlockKind,
  type GoalWeight,
  type Lean,
  type LeftOut,
  type LessonPlan,
  type LiftedRule,
  type PlanBlock,
  type TowardGoal,
} from './plan';
export { checkUpItems, type CheckUpItem } from './check-up';
export { breachesOf, CAREFUL_RULES, type Breach, type CarefulRule } from './careful-rules';
export type { Goal } from './goals';
export { handLoad, peakLoad, type LoadPoint } from './load';
export { PLAN, type LessonConstraints } from './lesson-limits';
export { planLesson } from './plan-lesson';
export {
  dayBarreMinutes,
  dayBlocks,
  dayMinutes,
  WEEK_MODEL_VERSION,
  type HomeWeek,
  type WeekDay,
  type WeekRow,
} from './home-week';
export { planWeek } from './plan-week';
export { weekBreachesOf, WEEK_RULES, type WeekRule } from './careful-week';
export { cellLengthened, rowTakenOut } from './week-edits';
export { WEEK, type GivenHome, type WeekConstraints } from './week-offers';
export { promisesOf } from './promises';
export {
  added,
  alikeIn,
  byHand,
  fitted,
  inOrder,
  lengthened,
  lockTurned,
  moved,
  swapped,
  without,
} from './plan-edits';
export {
  doneOf,
  latestShare,
  LONGEST_DONE_MINUTES,
  minutesDone,
  notesOf,
  spannedMs,
  type DoneBlock,
  type LessonShare,
  type RunBlock,
  type TakeCounts,
} from './done';
export { waitingFor, worthOf, type Clock, type Prospect } from './worth';
export { rekeyBlocks, rootOfBlocks, type Followed, type RekeyedBlock } from './rekey-blocks';
