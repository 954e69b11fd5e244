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
