export { EFFORT, EFFORT_BOUNDS, EFFORT_MODEL_VERSION, EFFORT_PARTS, type EffortPartName } from './constants';
export {
  easiestFingering,
  fillFixedParts,
  gradeOf,
  holdModel,
  holdPoints,
  PART_COUNT,
  pointsOf,
  type HoldModel,
} from './hold';
export {
  fingeringsFor,
  gradeGrip,
  heldFingerings,
  worthTrying,
  type Effort,
  type EffortPart,
  type Fingering,
  type HeldFingering,
} from './grade-grip';
export { preparedFingerings, type PreparedFingering } from './prepared';
export { effortBand, type EffortBand } from './bands';
export { LINE, linePoints, type LineNote } from './line';
export type { Reason } from './explain';
export { holdTable, type HoldTable } from './hold-table';
