export { noteText, pitchClassOf, readNote, rootNamed, mod12, type Letter, type NoteName } from './note';
export { degreeParts, degreeSemitones, noteAtDegree, type Degree } from './degree';
export { namedQuality, QUALITIES, qualityOfFormula, type Quality } from './qualities';
export {
  chordNotes,
  degreeOfPitchClass,
  isThirdLike,
  makeChord,
  noChord,
  parseChord,
  transposeChord,
  type Chord,
  type ChordTone,
  type ParseOptions,
} from './chord';
export { degreeChords, majorKeys, makeKey, type DegreeChord, type Key, type Tension } from './key';
export { midiOf, parsePitch, pitchSpelled, pitchText, writtenPitch, type Pitch } from './pitch';
export { intervalBetween, intervalText, pitchAway, type Interval } from './interval';
export { parseScale, scaleKinds, scaleOn, type Scale } from './scale';
export { chordOfNumeral } from './numeral';
