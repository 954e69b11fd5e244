export { noteText, pitchClassOf, readNote, mod12, type Letter, type NoteName } from './note';
export { degreeParts, degreeSemitones, noteAtDegree, type Degree } from './degree';
export { QUALITIES, type Quality } from './qualities';
export {
  chordNotes,
  degreeOfPitchClass,
  isThirdLike,
  makeChord,
  parseChord,
  transposeChord,
  type Chord,
  type ChordTone,
  type ParseOptions,
} from './chord';
export { degreeChords, majorKeys, makeKey, type DegreeChord, type Key, type Tension } from './key';
