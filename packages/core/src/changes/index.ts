export { CHANGE, CHANGE_MODEL_VERSION, type ChangePartName } from './constants';
export {
  gradeChange,
  heldStates,
  packedChanges,
  tempoFor,
  plainChangeSeconds,
  type ChangeGrade,
  type ChangeOptions,
  type FingerDeed,
  type FingerMove,
} from './grade-change';
export { couldStay, type StayOffer } from './could-stay';
export {
  GIVING_WAY,
  OBJECTIVES,
  PATH_WEIGHTS,
  type GivenWay,
  type Path,
  type PathFound,
  type PathLimits,
  type PathLock,
  type PathObjective,
  type PathOptions,
  type PathStep,
} from './path';
export { pathMemory, planPath, type PathMemory } from './plan-path';
export { otherWays, type OtherWay } from './other-ways';
export { practiseFor, type PractiseKind, type PractiseStep } from './practise';
