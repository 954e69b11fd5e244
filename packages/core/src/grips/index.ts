export { checkFrets, fretsText, parseFrets, type FingerLabel, type Fret, type Frets } from './grip';
export {
  fingeringsOf,
  MAX_RELATIVE_FRET,
  nibble,
  relativePattern,
  THUMB,
  type FingeringStructure,
} from './fingerings';
export { changeMark, gripMark } from './mark';
export { barresOf, fingerLabels, isFullBarre, type Barre } from './barre';
export { beakPath, dotAt, MARKED_FRETS, windowOf, wireAt, type FretWindow } from './drawn-neck';
