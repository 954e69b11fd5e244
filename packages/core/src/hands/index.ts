export { datedAt, type Dated } from './dated';
export { ageAt, assumedLimits, CHILD_LIMITS, DEFAULT_LIMITS, makeLimits, type HandLimits } from './limits';
export {
  gripLimit,
  NOTHING_ON_RECORD,
  overLimit,
  playedBy,
  PRIOR_FIT,
  taughtHand,
  type DifficultyFit,
  type DrillContext,
  type HandRecords,
  type Pins,
  type PlayedBy,
  type TaughtHand,
} from './taught-hand';
export { MEASURED_AT, measuredReach, type MeasuredReach, type NeckReading } from './measure';
