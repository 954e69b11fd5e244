/** The one boundary: schemas and types of everything that crosses between browser, server and database. */
export { idSchema, problemSchema, type ProblemBody } from './basics';
export { fretsSchema, recipeSchema, takeSchema } from './drills';
export { handSchema, instrumentSchema, limitsSchema } from './hands';
export { EVENT_KINDS, MOST_SAID, sentEventSchema, type BatchAnswer, type SentEvent } from './events';
export { type CheckUpBody } from './check-ups';
export { keptGoalsSchema, type GoalBody, type KeptGoal } from './goals';
export { upcastWeek, type HomeworkBody } from './homework';
export { type LetterBody, type LetterContent } from './letters';
export { type HeldBody, type ProgressBody } from './progress';
export { type ReportBody } from './report';
export {
  MARK_BITS,
  type ClassBody,
  type PainBody,
  type SkillStateBody,
  type StrandCell,
  type WhyBody,
} from './mastery';
export { hookSchema, marksSchema, pinSchema, type Hook, type Marks, type Pin } from './marks';
export { type PaperBody } from './paper';
export { pieceSchema, readPieceContent, type PieceBody, type PieceContent } from './pieces';
export {
  doneSchema,
  MOST_BLOCKS,
  MOST_DONE,
  planSchema,
  upcastPlan,
  type DoneBody,
  type PlanStanding,
} from './plans';
export { type AnySchema, type Route } from './route';
export {
  type BoardBody,
  type BoardLesson,
  type LessonBody,
  type LessonHead,
  type PracticeBody,
  type PracticeCard,
  type Role,
  type SchoolLayer,
  type SchoolsBody,
  type Seat,
  type SessionBody,
  type StudentBody,
  type StudentHead,
  type SyllabusBody,
} from './bodies';
export { routes } from './routes';
export {
  MOST_SKILLS,
  syllabusContentSchema,
  type SyllabusVersionBody,
  type SyllabusVersionsBody,
} from './syllabus';
export { SCHOOL_SCOPES, someSchoolsSchema, type SchoolScope, type SomeSchools } from './schools';
