export {
  arpeggioOf,
  inGroups,
  lastFret,
  wholeNeck,
  type FingeredNote,
  type PlacedNote,
  type Spot,
  type Tones,
} from './tones';
export { inPosition, unstretchedPositions, type Position, type StretchSchool } from './in-position';
export { acrossStrings, alongString, type Across, type AlongString, type WholeSteps } from './across';
export { pentatonicBoxes, scaleForms, type Box, type ScaleForm } from './boxes';
export { PAIR_STEPS, scalePairs, type Pair, type PairKind } from './pairs';
export { freeLinePoints, lineEffort, lineRate, type LineEffort, type LineHand } from './line-effort';
export { aroundForm, turnsAround, type AroundForm, type LineRole, type Turn } from './around-form';
export { LINE_STYLES, type LineStyle } from './line-styles';
export { boardSpoken, drawBoard, type BoardNote, type BoardShow } from './draw-board';
