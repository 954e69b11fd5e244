/** What the server answers with: the day, a student, a lesson, a card of homework; each with its type. */
import { PRACTICE_STEPS } from '@finch/core/syllabus';
import * as v from 'valibot';
import { recipeSchema } from './drills';
import { questionSchema } from './events';
import { goalSchema } from './goals';
import { handSchema, instrumentSchema, limitsSchema, playedMonthsSchema, taughtHandSchema } from './hands';
import { painSchema, skillStateSchema, strandCellSchema } from './mastery';
import { doneSchema, planSchema, planStandingSchema } from './plans';
import { marksSchema } from './marks';
import { schoolsSchema, someSchoolsSchema } from './schools';

export const minutesSchema = v.pipe(
  v.number('minutes'),
  v.integer('whole minutes'),
  v.minValue(10, 'a lesson of 10 to 180 minutes'),
  v.maxValue(180, 'a lesson of 10 to 180 minutes'),
);

const roleSchema = v.picklist(['owner', 'teacher', 'student', 'guardian', 'self-taught']);
export type Role = v.InferOutput<typeof roleSchema>;

export const seatSchema = v.object({
  membershipId: v.string(),
  name: v.string(),
  roles: v.array(roleSchema),
  /** The student this seat is, or looks after; null for teachers. */
  studentId: v.nullable(v.string()),
  about: v.string(),
});
export type Seat = v.InferOutput<typeof seatSchema>;

const studioSchema = v.object({
  id: v.string(),
  name: v.string(),
  timeZone: v.string(),
  demo: v.boolean(),
  madeFor: v.nullable(v.string()),
});
export const sessionSchema = v.object({
  seat: v.nullable(seatSchema),
  studio: v.nullable(studioSchema),
  now: v.string(),
});
export type SessionBody = v.InferOutput<typeof sessionSchema>;

export const lessonHeadSchema = v.object({
  id: v.string(),
  studentId: v.string(),
  startsAt: v.string(),
  minutes: v.number(),
  state: v.picklist(['booked', 'running', 'taught', 'written', 'cancelled']),
  /** Minutes that were taught, whole. */
  minutesDone: v.number(),
  version: v.number(),
});
export type LessonHead = v.InferOutput<typeof lessonHeadSchema>;

const boardLessonSchema = v.object({
  ...lessonHeadSchema.entries,
  name: v.string(),
  planStanding: planStandingSchema,
  planMinutes: v.number(),
  /** The first proposal for it is being made. */
  planComing: v.boolean(),
  focus: v.nullable(v.string()),
  pain: painSchema,
});
export type BoardLesson = v.InferOutput<typeof boardLessonSchema>;

const studentHeadSchema = v.object({
  id: v.string(),
  name: v.string(),
  age: v.nullable(v.number()),
  groups: v.array(v.string()),
  leftHanded: v.boolean(),
  reachMm: v.nullable(v.number()),
  takes: v.number(),
  lastTakeAt: v.nullable(v.number()),
  pain: painSchema,
  strands: v.array(strandCellSchema),
  next: v.nullable(v.string()),
});
export type StudentHead = v.InferOutput<typeof studentHeadSchema>;

export const boardSchema = v.object({
  now: v.string(),
  today: v.string(),
  timeZone: v.string(),
  /** The day whose lessons are shown: today, or the next day with lessons. */
  day: v.nullable(v.string()),
  lessons: v.array(boardLessonSchema),
  strands: v.array(v.object({ id: v.string(), name: v.string() })),
  students: v.array(studentHeadSchema),
  slipping: v.array(
    v.object({
      studentId: v.string(),
      name: v.string(),
      skill: v.string(),
      was: v.number(),
      now: v.number(),
      days: v.number(),
    }),
  ),
  stuck: v.array(
    v.object({
      studentId: v.string(),
      name: v.string(),
      skill: v.string(),
      takes: v.number(),
      now: v.number(),
    }),
  ),
  /** What students asked and nobody answered yet, whoever waited longest first. */
  questions: v.array(v.object({ ...questionSchema.entries, name: v.string() })),
  hurting: v.array(v.object({ studentId: v.string(), name: v.string(), pain: painSchema })),
  tooHard: v.array(
    v.object({
      studentId: v.string(),
      name: v.string(),
      chord: v.string(),
      effort: v.number(),
      limit: v.number(),
    }),
  ),
  /** Grips are being graded for somebody’s hand: there may be more of them. */
  gradesComing: v.boolean(),
  writeUpsOwed: v.number(),
  /** Students put away; they can be brought back. */
  archived: v.array(v.object({ id: v.string(), name: v.string() })),
});
export type BoardBody = v.InferOutput<typeof boardSchema>;

/** What is believed of all changes of a student: times the reference hand's seconds, with the 80 % band. */
const paceReadSchema = v.object({
  /** Months of playing now; null where nobody said. */
  months: v.nullable(v.number()),
  takes: v.number(),
  factor: v.number(),
  low: v.number(),
  high: v.number(),
  /** What was believed before any take. */
  before: v.number(),
});
const limitsRecord = v.object({ from: v.string(), value: limitsSchema });
export const studentSchema = v.object({
  id: v.string(),
  name: v.string(),
  bornOn: v.nullable(v.string()),
  age: v.nullable(v.number()),
  version: v.number(),
  timeZone: v.string(),
  note: v.string(),
  groups: v.array(v.string()),
  /** What they play toward: wished for, then what was given to them. */
  goals: v.array(goalSchema),
  practiceMinutes: v.number(),
  hand: v.object({ from: v.nullable(v.string()), value: handSchema }),
  instrument: v.object({ from: v.nullable(v.string()), value: instrumentSchema }),
  limits: v.object({ from: v.nullable(v.string()), value: limitsSchema }),
  limitsBefore: v.nullable(limitsRecord),
  /** What the takes of two weeks say of it: answers up to an effort and how many were easy, above it and how many were not. */
  limitSaid: v.nullable(
    v.object({
      limit: v.number(),
      upTo: v.number(),
      easy: v.number(),
      above: v.number(),
      hard: v.number(),
    }),
  ),
  /** What of all that holds now, with school, pins and pace. */
  taught: taughtHandSchema,
  /** Fingerings and hooks made for this student, each with its version. */
  marks: marksSchema,
  /** How long they had played when that was last said. */
  playedFor: v.object({ from: v.nullable(v.string()), value: v.object({ months: playedMonthsSchema }) }),
  /** What takes made of it. */
  pace: paceReadSchema,
  skills: v.array(skillStateSchema),
  pain: painSchema,
  takes: v.number(),
  feels: v.object({ easy: v.number(), tense: v.number(), pain: v.number(), unanswered: v.number() }),
  archived: v.boolean(),
  /** Since when which hand is on record, ms since 1970. */
  measured: v.array(v.number()),
  /** When playing stopped for pain, and came back; null while it has not. */
  stops: v.array(v.object({ from: v.number(), to: v.nullable(v.number()) })),
  /** The newest first; the teacher's notes for who may read them. */
  lessons: v.array(v.object({ ...lessonHeadSchema.entries, note: v.string(), inSeries: v.boolean() })),
  nextLesson: v.nullable(lessonHeadSchema),
  /** What was given home and is not done with. */
  home: v.array(v.object({ id: v.string(), title: v.string(), since: v.string(), recipe: recipeSchema })),
});
export type StudentBody = v.InferOutput<typeof studentSchema>;

export const lessonSchema = v.object({
  ...lessonHeadSchema.entries,
  timeZone: v.string(),
  plan: v.nullable(planSchema),
  planStanding: planStandingSchema,
  done: v.nullable(doneSchema),
  note: v.string(),
});
export type LessonBody = v.InferOutput<typeof lessonSchema>;

export const syllabusSchema = v.object({
  version: v.string(),
  name: v.string(),
  strands: v.array(v.object({ id: v.string(), name: v.string() })),
  skills: v.array(
    v.object({
      id: v.string(),
      name: v.string(),
      strand: v.string(),
      targetBpm: v.nullable(v.number()),
      barre: v.boolean(),
      practice: v.array(v.object({ step: v.picklist(PRACTICE_STEPS), recipe: recipeSchema })),
    }),
  ),
  courses: v.array(
    v.object({
      id: v.string(),
      kind: v.picklist(['way in', 'style']),
      name: v.string(),
      sentence: v.string(),
      skills: v.array(v.string()),
    }),
  ),
});
export type SyllabusBody = v.InferOutput<typeof syllabusSchema>;

const cardSchema = v.object({
  skillId: v.nullable(v.string()),
  title: v.string(),
  recipe: recipeSchema,
  minutes: v.number(),
  because: v.object({ code: v.string(), values: v.record(v.string(), v.union([v.number(), v.string()])) }),
});
export type PracticeCard = v.InferOutput<typeof cardSchema>;

export const practiceSchema = v.object({
  student: v.object({ id: v.string(), name: v.string() }),
  taught: taughtHandSchema,
  pain: painSchema,
  minutes: v.number(),
  marks: marksSchema,
  cards: v.array(cardSchema),
  /** The student's day that they are for, YYYY-MM-DD, by the student's clock. */
  day: v.string(),
  timeZone: v.string(),
  /** For the day after, for a device that will be without a network. */
  tomorrow: v.array(cardSchema),
});
export type PracticeBody = v.InferOutput<typeof practiceSchema>;

const schoolLayerSchema = v.object({
  subjectId: v.string(),
  version: v.number(),
  says: someSchoolsSchema,
  /** Whether whoever asks may change this layer. */
  mayChange: v.boolean(),
});
export type SchoolLayer = v.InferOutput<typeof schoolLayerSchema>;

export const schoolsBodySchema = v.object({
  studio: schoolLayerSchema,
  /** Of the student's teacher, or of the teacher who asks; null where there is none. */
  teacher: v.nullable(schoolLayerSchema),
  student: v.nullable(schoolLayerSchema),
  holds: schoolsSchema,
  marks: marksSchema,
});
export type SchoolsBody = v.InferOutput<typeof schoolsBodySchema>;
