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
export { MASTERY, MASTERY_MODEL_VERSION, PAIN, STATES } from './constants';
export { makeGrader, PRIOR_FIT, takeLoad, type DifficultyFit } from './difficulty';
export { cleanChance, forgettingLoad, learnFrom, type Belief, type CleanChance } from './ability';
export { addDays, painState, type PainState } from './pain';
export {
  datedAt,
  dayReader,
  inOrder,
  replay,
  type Dated,
  type HistoryPoint,
  type ReplayContext,
  type SkillState,
  type StudentState,
} from './replay';
export type { Marks } from './states';
export { countsOf, paceFrom } from './pace';
export { forecastShare, type ShareForecast } from './forecast';
