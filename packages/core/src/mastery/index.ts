export {
  happenedAt,
  MASTERY_STATES,
  type AttemptEvent,
  type ClearanceEvent,
  type EventBase,
  type LogEvent,
  type MasteryState,
  type OverrideEvent,
  type VoidEvent,
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
export { countsOf, paceFrom } from './pace';
export { forecastShare, type ShareForecast } from './forecast';
