export {
  CHANGE,
  CHANGE_MODEL_VERSION,
  NINE_OF_TEN,
  UNKNOWN_PACE,
  type ChangePartName,
  type Pace,
} from './constants';
export {
  gradeChange,
  plainChangeSeconds,
  type ChangeGrade,
  type ChangeOptions,
  type FingerDeed,
  type FingerMove,
} from './grade-change';
export { couldStay, type StayOffer } from './could-stay';
