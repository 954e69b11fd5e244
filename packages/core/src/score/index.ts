export {
  checkScore,
  gripNotes,
  neckFrames,
  scoreBeats,
  type Bar,
  type NeckFrame,
  type Score,
  type ScoreEvent,
  soundingMidi,
  type ScoreNote,
  type Slur,
  type Struck,
} from './score';
export { staffBars, type StaffBar, type StaffEvent, type StaffNote } from './staff';
export { tabColumns, tabText, type TabColumn } from './tab';
export { beatsOf, beatsWords, readTicks, TICKS_A_BEAT, ticksOf, ticksText } from './ticks';
export { writtenValues, type NoteValue, type Tuplet, type WrittenValue } from './notation';
export {
  PIECE_LIMITS,
  playedBars,
  playedChords,
  readPieceKey,
  SWING_AT,
  SWINGS,
  writtenChords,
  type MelodyNote,
  type Piece,
  type PieceBar,
  type PlayedBar,
  type PlayedChord,
  type Pluck,
  type Section,
  type Stroke,
  type StrokePattern,
  type TimeSignature,
  type WrittenChord,
} from './piece';
export { CHART_LIMITS, EMPTY_PIECE, readChart, type ChartProblem, type ChartReading } from './chart';
export { chordPlace, readChordPlace } from './chord-place';
export { makePiece, type PieceRequest } from './make-piece';
export { PIECE_LENGTHS } from './piece-asked';
export { writeChart } from './write-chart';
export { patternText, readPattern } from './pattern';
export {
  chordOf,
  gapBeatsOf,
  pieceDemand,
  type PieceChange,
  type PieceChord,
  type PieceDemand,
} from './piece-path';
export {
  asIfWithoutCapo,
  keyOffers,
  rekeyPiece,
  type KeyNearness,
  type KeyOffer,
  type SingerRange,
} from './rekey-piece';
export {
  assignParts,
  PART_KINDS,
  partsOf,
  tellingTones,
  type Assigned,
  type Assignment,
  type PartGrade,
  type PartKind,
  type Player,
} from './parts';
export { excerptOf, type Excerpt } from './excerpt';
