export {
  eventTime,
  happenedAt,
  MASTERY_STATES,
  type EventBodies,
  type EventKind,
  type EventOf,
  type EventSaid,
  type LogEvent,
  type MasteryState,
} from './log';
export { MASTERY, PAIN, STATES } from './constants';
export { makeGrader, takeLoad } from './difficulty';
export { cleanChance, forgettingLoad, learnFrom, type Belief, type CleanChance } from './ability';
export { addDays, painState, type PainState } from './pain';
export {
  dayReader,
  inOrder,
  replay,
  type HistoryPoint,
  type ReplayContext,
  type SkillState,
  type StudentState,
} from './replay';
export type { Marks } from './states';
export {
  paceFollower,
  paceOf,
  SHIFT_TAKES,
  studioShift,
  type PaceRead,
  type PaceRecords,
  type PlayedFor,
} from './pace';
export { forecastShare, type ShareForecast } from './forecast';
