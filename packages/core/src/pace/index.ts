export { BAND, PACE } from './constants';
export {
  chanceWithin,
  changeKey,
  expectedSeconds,
  kindOfChange,
  REFERENCE_PACE,
  sayPace,
  type ChangePace,
  type ExpectedSeconds,
  type Pace,
  type PaceSaid,
} from './pace';
export {
  copyOfPace,
  makePaceFilter,
  newPaceMemory,
  paceFilterOn,
  stageFactor,
  type CountRow,
  type PaceFilter,
  type PaceMemory,
  type PaceRow,
  type TempoRow,
} from './pace-filter';
export { monthsAt, STAGES, stageOf, stagePace, type Stage } from './stages';
