/** The curated surface of the core. Subpath exports (`@finch/core/shapes`, ...) serve workers and lazy views. */
export { fail, must, ok, seededRandom, type Problem, type Random, type Result } from './kernel';
export {
  chordNotes,
  degreeChords,
  majorKeys,
  makeChord,
  makeKey,
  minorKeys,
  noteText,
  parseChord,
  QUALITIES,
  type Chord,
  type DegreeChord,
  type Key,
} from './theory';
export {
  averageHand,
  makeHand,
  makeInstrument,
  pitchAt,
  standardGuitar,
  type Hand,
  type Instrument,
} from './fretboard';
export { fretsText, parseFrets, type FingerLabel, type Frets } from './grips';
export { effortBand, gradeGrip, type Effort, type EffortBand, type Reason } from './effort';
export { easierStandIns, findShapes, type GradedGrip, type ShapeLimits, type StandIn } from './shapes';
export { makePaceFilter, stagePace, type Pace } from './pace';
export { findKeys, keysThrough, type KeyFound, type KeyStretch } from './harmony';
export { gradeChange, type ChangeGrade, type FingerMove } from './changes';
export { taughtHand, type DrillContext, type HandLimits, type TaughtHand } from './hands';
export { checkScore, neckFrames, tabText, type Score } from './score';
export { clickSamples, pluckSamples, soundSchedule, type Sound } from './sound';
export { easier, harder, makeDrill, type Drill, type Item, type Recipe, type Take } from './drills';
export { firstSyllabus, skillsOf, type Skill, type Syllabus } from './syllabus';
export { replay, type LogEvent, type SkillState, type StudentState } from './mastery';
export { handLoad, planLesson, type LessonPlan, type PlanBlock } from './planning';
export { liveThrough, makePlayer, type Life } from './simulation';
