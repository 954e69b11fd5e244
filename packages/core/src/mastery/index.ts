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
export { addDays, dayReader } from './days';
export { allowedHand, staysOpen, type PainState } from './pain';
export { replay, stateAt, type ReplayContext, type StudentState } from './replay';
export { historyPoints, type HistoryPoint } from './history';
export { experienceOf, stageOf, type PlayedFor } from './experience';
export type { SkillState } from './skill-state';
export { isDated, makeLogReader, type LogContext, type LogReader, type LogSoFar } from './log-so-far';
export type { Marks } from './states';
export { checkUpsOf, type CheckUp, type CheckUpHeard } from './check-ups';
export { isAbout, questionsOf, type Question } from './questions';
export type { AskedAbout } from './log';
export {
  paceAt,
  paceFollower,
  paceOf,
  SHIFT_TAKES,
  studioShift,
  type PaceRead,
  type PaceRecords,
} from './pace';
export { forecastShare, type ShareForecast } from './forecast';
export { whyOf, type ToldTake, type Why } from './why';
export { progressOf } from './progress';
export { heldOf, NOTHING_FORETOLD, together, type Held, type HeldClass, type Surprise } from './foretold';
export type { TenseSkill } from './felt';
export type { PainStop } from './pain';
export { strandStories, type StrandStory, type StoryPoint } from './story';
export { studioFit, type FirstTakes } from './studio-fit';
