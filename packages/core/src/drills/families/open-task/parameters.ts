/** What an open task may be given. */
import { key, oneOf, optional, stringNumber, whole } from '../../parameters';

/** What is looked for. */
export const QUESTIONS = [
  'what sounds at home',
  'what rubs',
  'two notes only',
  'three endings',
  'asked and answered',
  'the same rhythm',
  'late entries',
  'loud and soft',
  'another grip',
  'what leads out',
] as const;
/** A rule more, once the bounds are narrow. */
export const RULES = [
  'never a note twice running',
  'as much rest as sound',
  'no step by step',
  'end on the third',
] as const;
const GROUNDS = ['drone', 'two chords', 'nothing'] as const;
const TASK_NOTES = ['all of the key', 'the five', 'the chord'] as const;

export const parameters = {
  key,
  question: oneOf(QUESTIONS),
  /** Bounds: frets and strings from thick to thin. */
  lowFret: whole(0, 20),
  highFret: whole(1, 24),
  thickString: stringNumber,
  thinString: stringNumber,
  notes: oneOf(TASK_NOTES),
  ground: oneOf(GROUNDS),
  minutes: whole(1, 10),
  rule: optional(oneOf(RULES)),
};
