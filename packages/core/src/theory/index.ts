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
export { keyOn, keysOn, majorKeys, makeKey, minorKeys, signatureOf, type Key } from './key';
export { degreeChords, type DegreeChord, type Job, type Tension } from './degree-chords';
export { degreeOver, figureOf, type FigureSchool } from './figure';
export { midiOf, parsePitch, pitchSpelled, pitchText, writtenPitch, type Pitch } from './pitch';
export { intervalBetween, intervalText, pitchAway, type Interval } from './interval';
export { parseScale } from './read-scale';
export { parentOf, scaleKinds, scaleOn, type ParentScale, type Scale } from './scale';
export { chordOfNumeral } from './numeral';
