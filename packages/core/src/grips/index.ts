export { checkFrets, fretsText, parseFrets, type FingerLabel, type Fret, type Frets } from './grip';
export {
  fingeringsOf,
  MAX_RELATIVE_FRET,
  nibble,
  relativePattern,
  THUMB,
  type FingeringStructure,
} from './fingerings';
export { barresOf, fingerLabels, isFullBarre, type Barre } from './barre';
