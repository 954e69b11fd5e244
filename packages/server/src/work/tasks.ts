/** What is done on a thread of its own, so that no request waits behind it: by name, with what it takes and gives. */
import type { PaperBody } from '@finch/contract';
import type { Result } from '@finch/core';
import type {
  HomeWeek,
  LessonConstraints,
  LessonPlan,
  planLesson,
  planWeek,
  WeekConstraints,
} from '@finch/core/planning';
import type { WeighedSkill, WeighAsked } from '../board/weigh';
import type { Skill, Syllabus, SyllabusFault } from '@finch/core/syllabus';
import type { Why } from '@finch/core/mastery';
import type { LogRead, LogsToRead, WhyAsked } from '../practice/log-reading';
import type { PieceGoal } from '../students/goals.service';
import type { Rebuilt } from '../practice/rebuild';

/** What the planner is asked, and the pieces that are goals too once what they need is known. */
export type PlanAsked = [
  state: Parameters<typeof planLesson>[0],
  syllabus: Syllabus,
  constraints: LessonConstraints,
  pieces: readonly PieceGoal[],
  /** Id of the syllabus' version. */
  version: string,
];

type WeekAsked = readonly [
  state: Parameters<typeof planWeek>[0],
  syllabus: Syllabus,
  constraints: WeekConstraints,
  pieces: readonly PieceGoal[],
  version: string,
];

export interface Tasks {
  readonly readLogs: (asked: LogsToRead) => Promise<LogRead[]>;
  readonly rebuildLogs: (asked: LogsToRead) => Promise<Rebuilt[]>;
  readonly tellWhy: (asked: WhyAsked) => Promise<Why | null>;
  /** Drills that cannot be made for a grown hand, or do not train the skill they stand with. */
  readonly checkDrills: (skills: readonly Skill[]) => Promise<SyllabusFault[]>;
  readonly plan: (...asked: PlanAsked) => Promise<Result<LessonPlan>>;
  readonly planWeek: (...asked: WeekAsked) => Promise<Result<HomeWeek>>;
  readonly weigh: (asked: WeighAsked) => Promise<(readonly WeighedSkill[])[]>;
  /** A PDF in base 64; `at` in ms since 1970. */
  readonly print: (asked: PaperBody, at: number) => Promise<Result<string>>;
}
export type TaskName = keyof Tasks;

/** What came of a task; what goes wrong crosses a thread as data, for an error would lose its code there. */
export type Outcome = { readonly value: unknown } | { readonly fault: { code?: string; message: string } };
