/** Every route of the server. A stranger's input passes these schemas or reaches nothing. */
import { LEANS } from '@finch/core/planning';
import * as v from 'valibot';
import {
  birthDaySchema,
  emptySchema,
  idSchema,
  instantSchema,
  noteTextSchema,
  personNameSchema,
  seenVersionSchema,
  versionSchema,
  zoneSchema,
} from './basics';
import { checkUpSchema } from './check-ups';
import { recipeSchema } from './drills';
import { batchAnswerSchema, eventBatchSchema, questionSchema } from './events';
import { keptGoalsSchema } from './goals';
import {
  homeWeekSchema,
  homeworkSchema,
  practiceDaysSchema,
  practiceMinutesSchema,
  weekDaysSchema,
} from './homework';
import { handSchema, instrumentSchema, limitsSchema, playedMonthsSchema } from './hands';
import { paperSchema } from './paper';
import { pieceContentSchema, pieceSchema } from './pieces';
import { blockSchema, doneSchema, planSchema, planStandingSchema, shareSchema } from './plans';
import { LETTER_STATES, letterContentSchema, letterSchema, lettersSchema } from './letters';
import { hookSchema, pinSchema } from './marks';
import { classSchema, whySchema } from './mastery';
import { progressSchema } from './progress';
import { reportSchema } from './report';
import { route } from './route';
import { SCHOOL_SCOPES, someSchoolsSchema } from './schools';
import { syllabusContentSchema, syllabusVersionSchema, syllabusVersionsSchema } from './syllabus';
import {
  minutesSchema,
  seatSchema,
  sessionSchema,
  lessonHeadSchema,
  boardSchema,
  studentSchema,
  lessonSchema,
  syllabusSchema,
  practiceSchema,
  schoolsBodySchema,
} from './bodies';

const none = { params: emptySchema, query: emptySchema, body: emptySchema };
const studentParams = v.object({ studentId: idSchema });
const lessonParams = v.object({ lessonId: idSchema });
const pieceParams = v.object({ pieceId: idSchema });
export const routes = {
  health: route({
    method: 'get',
    path: '/api/health',
    ...none,
    output: v.object({
      ok: v.boolean(),
      database: v.boolean(),
      migration: v.nullable(v.string()),
      strayEvents: v.number(),
    }),
  }),
  seats: route({
    method: 'get',
    path: '/api/seats',
    ...none,
    output: v.object({ seats: v.array(seatSchema) }),
  }),
  session: route({ method: 'get', path: '/api/session', ...none, output: sessionSchema }),
  sitDown: route({
    method: 'post',
    path: '/api/session',
    ...none,
    body: v.object({ membershipId: idSchema }),
    output: sessionSchema,
  }),
  standUp: route({ method: 'delete', path: '/api/session', ...none, output: sessionSchema }),

  nameStudio: route({
    method: 'put',
    path: '/api/studio',
    ...none,
    body: v.object({ name: personNameSchema, teacher: personNameSchema, timeZone: zoneSchema }),
    output: sessionSchema,
  }),
  nameSeat: route({
    method: 'put',
    path: '/api/seats/:membershipId',
    ...none,
    params: v.object({ membershipId: idSchema }),
    body: v.object({ name: personNameSchema }),
    output: v.object({ membershipId: v.string() }),
  }),
  board: route({ method: 'get', path: '/api/board', ...none, output: boardSchema }),
  /** All skills by all students. */
  class: route({ method: 'get', path: '/api/class', ...none, output: classSchema }),
  syllabus: route({ method: 'get', path: '/api/syllabus', ...none, output: syllabusSchema }),
  /** Keeps a changed syllabus as a newer version of the one it began from; earlier ones stay. */
  keepSyllabus: route({
    method: 'put',
    path: '/api/syllabus',
    ...none,
    body: v.object({ version: idSchema, content: syllabusContentSchema }),
    output: v.object({ version: v.string() }),
  }),
  syllabusVersions: route({
    method: 'get',
    path: '/api/syllabus/versions',
    ...none,
    output: syllabusVersionsSchema,
  }),
  syllabusVersion: route({
    method: 'get',
    path: '/api/syllabus/versions/:versionId',
    ...none,
    params: v.object({ versionId: idSchema }),
    output: syllabusVersionSchema,
  }),

  addStudent: route({
    method: 'post',
    path: '/api/students',
    ...none,
    body: v.object({
      id: idSchema,
      name: personNameSchema,
      bornOn: v.nullable(birthDaySchema),
      playedMonths: v.optional(playedMonthsSchema, null),
      /** Somebody of this name is here already, and this is another. */
      another: v.optional(v.boolean(), false),
    }),
    output: v.object({ id: v.string() }),
  }),
  keepStudent: route({
    method: 'put',
    path: '/api/students/:studentId',
    ...none,
    params: studentParams,
    body: v.object({
      version: versionSchema,
      name: personNameSchema,
      bornOn: v.nullable(birthDaySchema),
      archived: v.boolean(),
      another: v.optional(v.boolean(), false),
    }),
    output: v.object({ version: v.number() }),
  }),
  /** Somebody was entered twice: everything of the double comes to this student. */
  mergeStudent: route({
    method: 'post',
    path: '/api/students/:studentId/double',
    ...none,
    params: studentParams,
    body: v.object({ version: versionSchema, double: idSchema }),
    output: v.object({ version: v.number() }),
  }),
  /** Everything of a student is gone for good; their name is asked so that it is no slip. */
  eraseStudent: route({
    method: 'delete',
    path: '/api/students/:studentId',
    ...none,
    params: studentParams,
    body: v.object({ name: personNameSchema }),
    output: v.object({ id: v.string() }),
  }),
  student: route({
    method: 'get',
    path: '/api/students/:studentId',
    ...none,
    params: studentParams,
    output: studentSchema,
  }),
  why: route({
    method: 'get',
    path: '/api/students/:studentId/skills/:skillId/why',
    ...none,
    params: v.object({ studentId: idSchema, skillId: v.pipe(v.string(), v.minLength(1), v.maxLength(80)) }),
    output: whySchema,
  }),
  keepHand: route({
    method: 'put',
    path: '/api/students/:studentId/hand',
    ...none,
    params: studentParams,
    body: v.object({
      version: versionSchema,
      hand: handSchema,
      instrument: instrumentSchema,
      limits: limitsSchema,
      /** Left out, what was said before stays. */
      playedMonths: v.optional(playedMonthsSchema),
    }),
    output: v.object({ version: v.number() }),
  }),
  /** What a parent asks about a student. */
  report: route({
    method: 'get',
    path: '/api/students/:studentId/report',
    ...none,
    params: studentParams,
    output: reportSchema,
  }),
  /** What the logs say a teacher should look at. */
  progress: route({ method: 'get', path: '/api/progress', ...none, output: progressSchema }),
  letters: route({ method: 'get', path: '/api/letters', ...none, output: lettersSchema }),
  /** Puts a letter about a student in the outbox. */
  sendLetter: route({
    method: 'post',
    path: '/api/students/:studentId/letters',
    ...none,
    params: studentParams,
    body: v.object({ id: idSchema, content: letterContentSchema }),
    output: letterSchema,
  }),
  changeLetter: route({
    method: 'put',
    path: '/api/letters/:letterId',
    ...none,
    params: v.object({ letterId: idSchema }),
    body: v.object({
      version: versionSchema,
      state: v.picklist(LETTER_STATES),
      content: letterContentSchema,
    }),
    output: letterSchema,
  }),
  /** What a student wishes for, and how much each weighs: skills, ways in and styles of the syllabus, pieces. */
  keepGoals: route({
    method: 'put',
    path: '/api/students/:studentId/goals',
    ...none,
    params: studentParams,
    body: v.object({
      version: versionSchema,
      goals: keptGoalsSchema,
    }),
    output: v.object({ version: v.number() }),
  }),
  keepNote: route({
    method: 'put',
    path: '/api/students/:studentId/note',
    ...none,
    params: studentParams,
    body: v.object({ version: versionSchema, note: noteTextSchema }),
    output: v.object({ version: v.number() }),
  }),
  propose: route({
    method: 'post',
    path: '/api/students/:studentId/proposal',
    ...none,
    params: studentParams,
    body: v.object({
      minutes: minutesSchema,
      newSkills: v.optional(v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(6))),
      lean: v.optional(v.picklist(LEANS)),
      locked: v.pipe(v.array(blockSchema), v.maxLength(40)),
    }),
    output: planSchema,
  }),
  practice: route({
    method: 'get',
    path: '/api/students/:studentId/practice',
    ...none,
    params: studentParams,
    output: practiceSchema,
  }),
  /** What a check-up asks of a student now, and what those of earlier terms heard. */
  checkUp: route({
    method: 'get',
    path: '/api/students/:studentId/check-up',
    ...none,
    params: studentParams,
    output: checkUpSchema,
  }),
  /** What a student asked from the practice room and what came back. */
  questions: route({
    method: 'get',
    path: '/api/students/:studentId/questions',
    ...none,
    params: studentParams,
    output: v.object({ questions: v.array(questionSchema) }),
  }),

  /** Books a lesson, or one each week at the same time of that zone's clock. */
  bookLesson: route({
    method: 'post',
    path: '/api/lessons',
    ...none,
    body: v.object({
      id: idSchema,
      studentId: idSchema,
      startsAt: instantSchema,
      minutes: minutesSchema,
      weeks: v.optional(
        v.pipe(v.number(), v.integer(), v.minValue(1, '1 to 52 weeks'), v.maxValue(52, '1 to 52 weeks')),
        1,
      ),
    }),
    output: lessonSchema,
  }),
  /** Moves a lesson, cancels it or brings it back; with `following`, all booked ones of its series from it on. */
  moveLesson: route({
    method: 'put',
    path: '/api/lessons/:lessonId',
    ...none,
    params: lessonParams,
    body: v.object({
      version: versionSchema,
      startsAt: instantSchema,
      minutes: minutesSchema,
      cancelled: v.boolean(),
      following: v.optional(v.boolean(), false),
    }),
    output: lessonSchema,
  }),
  /** The lessons of some days, everybody's or one's own, cancelled ones too. */
  lessons: route({
    method: 'get',
    path: '/api/lessons',
    ...none,
    query: v.object({ from: instantSchema, to: instantSchema }),
    output: v.object({ lessons: v.array(v.object({ ...lessonHeadSchema.entries, name: v.string() })) }),
  }),
  lesson: route({
    method: 'get',
    path: '/api/lessons/:lessonId',
    ...none,
    params: lessonParams,
    output: lessonSchema,
  }),
  keepPlan: route({
    method: 'put',
    path: '/api/lessons/:lessonId/plan',
    ...none,
    params: lessonParams,
    body: v.object({
      version: versionSchema,
      plan: v.nullable(planSchema),
      /** Kept, unless this takes a change back or fits what was put in. */
      standing: v.optional(planStandingSchema, 'kept'),
    }),
    output: lessonSchema,
  }),
  /**
   * Puts one block into a lesson's plan and keeps all that is in it, over its minutes or not. Where no plan was kept, the
   * rest is proposed around the block. One that is in already is not put in twice unless asked for.
   */
  putInPlan: route({
    method: 'post',
    path: '/api/lessons/:lessonId/plan/blocks',
    ...none,
    params: lessonParams,
    body: v.object({ block: blockSchema, again: v.optional(v.boolean(), false) }),
    output: v.object({
      lesson: lessonSchema,
      /** False when the same was in already; nothing was changed then. */
      added: v.boolean(),
      /** What undo puts back. */
      before: v.object({ plan: v.nullable(planSchema), standing: planStandingSchema }),
    }),
  }),
  /**
   * One screen's share of what was done. Sent again it replaces itself and nobody else's, so it needs no version. A written
   * lesson is opened again only where that is asked for; a taught one is not set running by a screen that did not hear of it.
   */
  keepShare: route({
    method: 'put',
    path: '/api/lessons/:lessonId/done',
    ...none,
    params: lessonParams,
    body: v.object({
      share: shareSchema,
      state: v.picklist(['running', 'taught']),
      again: v.optional(v.boolean(), false),
    }),
    output: lessonSchema,
  }),
  keepWriteUp: route({
    method: 'put',
    path: '/api/lessons/:lessonId/write-up',
    ...none,
    params: lessonParams,
    body: v.object({
      version: versionSchema,
      done: doneSchema,
      note: noteTextSchema,
      /** Said so: nothing was taught. Otherwise a write-up of no minutes at all is refused. */
      nothingTaught: v.optional(v.boolean(), false),
    }),
    output: lessonSchema,
  }),
  assignHome: route({
    method: 'post',
    path: '/api/students/:studentId/home',
    ...none,
    params: studentParams,
    body: v.object({
      id: idSchema,
      recipe: recipeSchema,
      skillId: v.nullable(v.pipe(v.string(), v.maxLength(80))),
      title: personNameSchema,
    }),
    output: v.object({ id: v.string() }),
  }),
  /** Takes a card that was given home back, or gives it again. */
  endHome: route({
    method: 'put',
    path: '/api/students/:studentId/home/:cardId',
    ...none,
    params: v.object({ studentId: idSchema, cardId: idSchema }),
    body: v.object({ ended: v.boolean() }),
    output: v.object({ id: v.string() }),
  }),

  /** The week that was given home, and what it rests on. */
  homework: route({
    method: 'get',
    path: '/api/students/:studentId/homework',
    ...none,
    params: studentParams,
    output: homeworkSchema,
  }),
  /** A week for the days asked for; without them for the student's own, from tomorrow until they come again. */
  proposeWeek: route({
    method: 'post',
    path: '/api/students/:studentId/homework/proposal',
    ...none,
    params: studentParams,
    body: v.object({ days: v.optional(weekDaysSchema) }),
    output: homeWeekSchema,
  }),
  /** Gives a week home over the version seen (0: none yet), or takes it back. */
  keepWeek: route({
    method: 'put',
    path: '/api/students/:studentId/homework',
    ...none,
    params: studentParams,
    body: v.object({ version: seenVersionSchema, week: v.nullable(homeWeekSchema) }),
    output: v.object({ version: v.number() }),
  }),
  /** The days on which a student practises, and for how long. */
  keepPractice: route({
    method: 'put',
    path: '/api/students/:studentId/practice',
    ...none,
    params: studentParams,
    body: v.object({
      version: versionSchema,
      days: practiceDaysSchema,
      minutes: practiceMinutesSchema,
    }),
    output: v.object({ version: v.number() }),
  }),

  schools: route({
    method: 'get',
    path: '/api/schools',
    ...none,
    query: v.object({ student: v.optional(idSchema) }),
    output: schoolsBodySchema,
  }),
  keepSchools: route({
    method: 'put',
    path: '/api/schools/:scope/:subjectId',
    ...none,
    params: v.object({ scope: v.picklist(SCHOOL_SCOPES), subjectId: idSchema }),
    body: v.object({ version: seenVersionSchema, says: someSchoolsSchema }),
    output: v.object({ version: v.number() }),
  }),
  keepPin: route({
    method: 'put',
    path: '/api/students/:studentId/pins',
    ...none,
    params: studentParams,
    body: v.object({ ...pinSchema.entries, fingers: v.nullable(pinSchema.entries.fingers) }),
    output: v.object({ version: v.number() }),
  }),
  keepHook: route({
    method: 'put',
    path: '/api/hooks',
    ...none,
    body: hookSchema,
    output: v.object({ version: v.number() }),
  }),

  pieces: route({
    method: 'get',
    path: '/api/pieces',
    ...none,
    output: v.object({ pieces: v.array(pieceSchema) }),
  }),
  /** Makes a piece (version 0) or writes over the version seen; one taken away comes back. */
  keepPiece: route({
    method: 'put',
    path: '/api/pieces/:pieceId',
    ...none,
    params: pieceParams,
    body: v.object({ version: seenVersionSchema, ...pieceContentSchema.entries }),
    output: pieceSchema,
  }),
  removePiece: route({
    method: 'delete',
    path: '/api/pieces/:pieceId',
    ...none,
    params: pieceParams,
    query: v.object({ version: v.pipe(v.string(), v.regex(/^\d{1,9}$/, 'a version')) }),
    output: v.object({ version: v.number() }),
  }),

  /** The PDF of some shape cards or of a chart, in base 64. */
  paper: route({
    method: 'post',
    path: '/api/paper',
    ...none,
    body: paperSchema,
    output: v.object({ pdf: v.string() }),
  }),

  sendEvents: route({
    method: 'post',
    path: '/api/events',
    ...none,
    body: eventBatchSchema,
    judgesEach: true,
    output: batchAnswerSchema,
  }),
} as const;
