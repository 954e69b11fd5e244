export { findKeys, keysThrough, MOST_CHORDS, type KeyFound, type KeyStretch } from './find-keys';
export type { ChordInKey, Reading } from './chord-in-key';
export {
  MOST_NUMBERS,
  numbersOf,
  readNumbers,
  readsAsNumbers,
  type NumberProgression,
} from './number-progression';
export { PROGRESSIONS, type PlainProgression } from './progressions';
export { clashOf, type Clash } from './clash';
export {
  borrowedInto,
  sharedNotes,
  susNotes,
  swapsFor,
  tritoneNeighbour,
  type SusNote,
  type Swap,
  type SwapCondition,
  type SwapKind,
} from './swaps';
export { approachesTo, bassWalks, type Approach, type ApproachKind, type BassWalk } from './approaches';
export {
  heardOver,
  overRoot,
  sidePairs,
  stackedPairs,
  type HeardOver,
  type OverRoot,
  type TriadPair,
} from './over-root';
export { noteOver, scalesOver, type NoteOver, type ScaleOver, type ScaleReason } from './scale-choice';
export { chordsIn, type ChordsOnNote } from './scale-chords';
export { guideTones, type GuideTones } from './guide-tones';
export { guideNeck, type GuidePair } from './guide-neck';
export { readNoteSet, setOver, type NoteSet } from './note-set';
export { isPlayable, playedWalks, type PlayedWalk } from './played-walks';
export {
  cadenceOf,
  circleOfFifths,
  modalColour,
  parallelOf,
  relativeOf,
  roundOf,
  type Cadence,
  type CirclePlace,
} from './circle';
export { topVoicings, type TopVoicing } from './top-voicings';
export {
  harmonizeMelody,
  MOST_MELODY,
  readMelody,
  scaleMelody,
  type HarmonizeBy,
  type HarmonizedNote,
  type HarmonizeRequest,
  type PassedOver,
} from './melody';
