/**
 * Lessons: booked, planned, taught, written up. A plan comes from the planner and is kept as the teacher
 * left it; a write that saw an older version is refused and says so, with nothing lost on either side.
 */
import { TZDate } from '@date-fns/tz';
import {
  MOST_BLOCKS,
  MOST_DONE,
  upcastPlan,
  type DoneBody,
  type LessonBody,
  type LessonHead,
  type PlanStanding,
} from '@finch/contract';
import {
  added,
  alikeIn,
  doneOf,
  minutesDone,
  type LessonPlan,
  type LessonShare,
  type PlanBlock,
  type Lean,
} from '@finch/core/planning';
import { addDays, addWeeks, differenceInCalendarDays, set } from 'date-fns';
import type { DataSource, EntityManager } from 'typeorm';
import { v7 as uuid } from 'uuid';
import { may, need, type Who } from '../accounts/rights';
import type { Clock } from '../platform/clock';
import { inStudio, writeInStudio } from '../platform/database';
import type { LessonRow } from '../platform/entities';
import { notFound, refuse, Refusal } from '../platform/problems';
import { askedGoals, piecesOf, type AskedGoals } from '../students/goals.service';
import { namesTaught, studentOf } from '../students/roster.service';
import type { States, StudentView } from '../students/states.service';
import type { PlanAsked } from '../work/tasks';
import type { Work } from '../work/work';
import {
  addLesson,
  changeLesson,
  lessonById,
  lessonHeld,
  lessonsBetween,
  seriesFrom,
} from './lessons.repository';
import { promisedTo } from './promised.service';

export interface Lessons {
  readonly book: (
    who: Who,
    lesson: { id: string; studentId: string; startsAt: string; minutes: number; weeks: number },
  ) => Promise<LessonBody>;
  readonly move: (who: Who, lessonId: string, to: Move) => Promise<LessonBody>;
  readonly between: (who: Who, from: Date, to: Date) => Promise<(LessonHead & { name: string })[]>;
  readonly read: (who: Who, lessonId: string) => Promise<LessonBody>;
  readonly propose: (who: Who, studentId: string, wish: Wish) => Promise<LessonPlan>;
  readonly keepPlan: (who: Who, lessonId: string, kept: KeptPlan) => Promise<LessonBody>;
  readonly putInPlan: (who: Who, lessonId: string, block: PlanBlock, again: boolean) => Promise<PutInPlan>;
  readonly keepShare: (who: Who, lessonId: string, sent: SentShare) => Promise<LessonBody>;
  readonly keepWriteUp: (who: Who, lessonId: string, written: WriteUp) => Promise<LessonBody>;
}

interface KeptPlan {
  readonly version: number;
  readonly plan: LessonPlan | null;
  readonly standing: PlanStanding;
}

interface Move {
  readonly version: number;
  readonly startsAt: string;
  readonly minutes: number;
  readonly cancelled: boolean;
  readonly following: boolean;
}

interface SentShare {
  readonly share: LessonShare;
  readonly state: 'running' | 'taught';
  readonly again: boolean;
}

interface WriteUp {
  readonly version: number;
  readonly done: DoneBody;
  readonly note: string;
  readonly nothingTaught: boolean;
}

interface PutInPlan {
  readonly lesson: LessonBody;
  readonly added: boolean;
  readonly before: { readonly plan: LessonPlan | null; readonly standing: PlanStanding };
}

export interface Wish {
  readonly minutes: number;
  readonly newSkills?: number;
  readonly lean?: Lean;
  readonly locked: readonly PlanBlock[];
}

/** What the planner is asked of a student as the log now stands. */
export function askedOf(
  view: StudentView,
  wish: Wish,
  promised: readonly string[],
  { goals, pieces }: AskedGoals,
): PlanAsked {
  const { waived } = view.record;
  const { minutes, newSkills, lean, locked } = wish;
  return [
    view.state,
    view.syllabus.content,
    {
      minutes,
      newSkills,
      lean,
      locked,
      taught: view.taught,
      goals,
      promised,
      waived,
    },
    pieces,
    view.syllabus.id,
  ];
}

/** What one student plays toward. @param now ms since 1970 */
export async function goalsAsked(
  manager: EntityManager,
  { record, syllabus }: StudentView,
  now: number,
): Promise<AskedGoals> {
  return askedGoals(record, syllabus.content, await piecesOf(manager, [record], now), now);
}

/** The planner's proposal, made on a thread. Problems of the planner are refusals. @param promised skills, see `promisedTo` */
export async function proposalFor(
  work: Work,
  view: StudentView,
  wish: Wish,
  promised: readonly string[],
  goals: AskedGoals,
): Promise<LessonPlan> {
  const made = await work.run('plan', ...askedOf(view, wish, promised, goals));
  return made.ok ? made.value : refuse(made.problem);
}

export function lessonHead(row: LessonRow) {
  return {
    id: row.id,
    studentId: row.studentId,
    startsAt: row.startsAt.toISOString(),
    minutes: row.minutes,
    state: row.state,
    minutesDone: Math.round(minutesDone((row.done as DoneBody | null)?.blocks ?? [])),
    version: row.version,
  };
}

function lessonBody(row: LessonRow): LessonBody {
  return {
    ...lessonHead(row),
    timeZone: row.timeZone,
    plan: upcastPlan(row.plan),
    planStanding: row.planStanding,
    done: row.done as DoneBody | null,
    note: row.note,
  };
}

/** The same time by the clock of the lesson's zone, weeks later, over a change of summer time too. */
function weeksLater(row: LessonRow, weeks: number): Date {
  return new Date(addWeeks(new TZDate(row.startsAt.getTime(), row.timeZone), weeks).getTime());
}

/** Another lesson of a series moved by as many days, to the same time by the clock. */
function movedAlike(from: LessonRow, to: Date, other: LessonRow): Date {
  const [was, now, there] = [from.startsAt, to, other.startsAt].map(
    (at) => new TZDate(at.getTime(), from.timeZone),
  );
  const moved = addDays(there, differenceInCalendarDays(now, was));
  return new Date(set(moved, { hours: now.getHours(), minutes: now.getMinutes() }).getTime());
}

const MOST_SHARES = 20;

/** What was done with one screen's share put in the place of its earlier one; the oldest of very many are summed up. */
function withShare(done: DoneBody | null, share: LessonShare): DoneBody {
  let before = done?.shares ? (done.before ?? []) : (done?.blocks ?? []);
  const known = done?.shares ?? [];
  let shares = known.some((one) => one.id === share.id)
    ? known.map((one) => (one.id === share.id ? share : one))
    : [...known, share];
  if (shares.length > MOST_SHARES) {
    before = doneOf([shares[0]], before);
    shares = shares.slice(1);
  }
  const blocks = doneOf(shares, before);
  if (blocks.length > MOST_DONE) throw new Refusal('lesson.full', 'share', `at most ${MOST_DONE} blocks`);
  return { schemaVersion: 1, blocks, before: [...before], shares };
}

const STALE = 'the newer version; yours is still on your screen';

export function makeLessons(database: DataSource, clock: Clock, states: States, work: Work): Lessons {
  const find = async (manager: EntityManager, studioId: string, id: string): Promise<LessonRow> => {
    const row = await lessonById(manager, studioId, id);
    if (!row) throw notFound('lessonId');
    return row;
  };
  const change = async (
    who: Who,
    id: string,
    version: number,
    what: Parameters<typeof changeLesson>[4],
    /** Refuses what may not be written, once it is known that this person may write. */
    check: () => void = () => undefined,
  ): Promise<LessonBody> =>
    writeInStudio(database, who.studioId, async (manager) => {
      const row = await find(manager, who.studioId, id);
      need(who, 'lesson.write', row.studentId);
      check();
      if (!(await changeLesson(manager, who.studioId, id, version, what)))
        throw new Refusal('write.stale', 'version', STALE);
      return lessonBody(await find(manager, who.studioId, id));
    });
  const proposed = async (manager: EntityManager, studioId: string, studentId: string, wish: Wish) => {
    const now = clock.now();
    const view = await states.view(manager, studioId, studentId, now);
    const promised = (await promisedTo(manager, [studentId], now)).get(studentId) ?? [];
    return proposalFor(work, view, wish, promised, await goalsAsked(manager, view, now));
  };
  return {
    book: async (who, lesson) => {
      need(who, 'lesson.write', lesson.studentId);
      return writeInStudio(database, who.studioId, async (manager) => {
        const record = await studentOf(manager, lesson.studentId);
        const before = await lessonById(manager, who.studioId, lesson.id);
        // Sent again because the answer was lost: booked once.
        if (
          before?.studentId === lesson.studentId &&
          before.startsAt.getTime() === Date.parse(lesson.startsAt) &&
          before.minutes === lesson.minutes
        )
          return lessonBody(before);
        if (before) throw new Refusal('write.twice', 'id', 'a new id; this lesson is booked already');
        const first: LessonRow = {
          studioId: who.studioId,
          id: lesson.id,
          studentId: lesson.studentId,
          teacherId: who.membershipId,
          startsAt: new Date(lesson.startsAt),
          timeZone: record.timeZone,
          minutes: lesson.minutes,
          state: 'booked',
          plan: null,
          planStanding: 'none',
          done: null,
          note: '',
          seriesId: lesson.weeks > 1 ? lesson.id : null,
          version: 1,
        };
        await addLesson(manager, first);
        for (let week = 1; week < lesson.weeks; week++)
          await addLesson(manager, { ...first, id: uuid(), startsAt: weeksLater(first, week) });
        return lessonBody(first);
      });
    },
    move: async (who, lessonId, to) =>
      writeInStudio(database, who.studioId, async (manager) => {
        const row = await lessonHeld(manager, who.studioId, lessonId);
        if (!row) throw notFound('lessonId');
        need(who, 'lesson.write', row.studentId);
        if (row.version !== to.version) throw new Refusal('write.stale', 'version', STALE);
        if (row.state !== 'booked' && row.state !== 'cancelled')
          throw new Refusal('lesson.begun', 'lessonId', 'a lesson that has not begun');
        const rows =
          to.following && row.seriesId ? await seriesFrom(manager, row.seriesId, row.startsAt) : [row];
        for (const one of rows)
          await changeLesson(manager, who.studioId, one.id, one.version, {
            startsAt: one.id === row.id ? new Date(to.startsAt) : movedAlike(row, new Date(to.startsAt), one),
            minutes: to.minutes,
            state: to.cancelled ? 'cancelled' : 'booked',
          });
        return lessonBody(await find(manager, who.studioId, lessonId));
      }),
    between: async (who, from, to) =>
      inStudio(database, who.studioId, async (manager) => {
        const rows = (await lessonsBetween(manager, from, to, true)).filter((row) =>
          may(who, 'lesson.read', row.studentId),
        );
        const names = await namesTaught(manager);
        return rows.map((row) => ({ ...lessonHead(row), name: names.get(row.studentId) ?? '' }));
      }),
    read: async (who, lessonId) =>
      inStudio(database, who.studioId, async (manager) => {
        const row = await find(manager, who.studioId, lessonId);
        need(who, 'lesson.read', row.studentId);
        return lessonBody(row);
      }),
    propose: async (who, studentId, wish) => {
      need(who, 'plan.propose', studentId);
      return inStudio(database, who.studioId, async (manager) =>
        proposed(manager, who.studioId, studentId, wish),
      );
    },
    keepPlan: (who, lessonId, { version, plan, standing }) =>
      change(who, lessonId, version, { plan, planStanding: plan ? standing : 'none' }),
    putInPlan: async (who, lessonId, block, again) =>
      writeInStudio(database, who.studioId, async (manager) => {
        const row = await lessonHeld(manager, who.studioId, lessonId);
        if (!row) throw notFound('lessonId');
        need(who, 'lesson.write', row.studentId);
        if (row.state === 'written')
          throw new Refusal('lesson.written', 'lessonId', 'a lesson that is not written up yet');
        const kept = upcastPlan(row.plan);
        const before = { plan: kept, standing: row.planStanding };
        if (kept && !again && alikeIn(kept.blocks, block))
          return { lesson: lessonBody(row), added: false, before };
        if (kept && kept.blocks.length >= MOST_BLOCKS)
          throw new Refusal('plan.full', 'block', `at most ${MOST_BLOCKS} blocks; take one out first`);
        const plan = kept
          ? { ...kept, blocks: added(kept.blocks, block).blocks }
          : await proposed(manager, who.studioId, row.studentId, { minutes: row.minutes, locked: [block] });
        const standing: PlanStanding =
          row.planStanding === 'kept' || row.planStanding === 'changed' ? 'changed' : 'begun';
        await changeLesson(manager, who.studioId, lessonId, row.version, { plan, planStanding: standing });
        return { lesson: lessonBody(await find(manager, who.studioId, lessonId)), added: true, before };
      }),
    keepShare: async (who, lessonId, { share, state, again }) =>
      writeInStudio(database, who.studioId, async (manager) => {
        const row = await lessonHeld(manager, who.studioId, lessonId);
        if (!row) throw notFound('lessonId');
        need(who, 'lesson.write', row.studentId);
        if (row.state === 'written' && !again)
          throw new Refusal('lesson.written', 'lessonId', 'a lesson that is not written up yet');
        if (row.state === 'cancelled')
          throw new Refusal('lesson.cancelled', 'lessonId', 'a lesson that takes place');
        const done = withShare(row.done as DoneBody | null, share);
        await changeLesson(manager, who.studioId, lessonId, row.version, {
          done,
          state: row.state === 'taught' && !again ? 'taught' : state,
        });
        return lessonBody(await find(manager, who.studioId, lessonId));
      }),
    keepWriteUp: async (who, lessonId, { version, done, note, nothingTaught }) =>
      change(
        who,
        lessonId,
        version,
        { done: { schemaVersion: 1, blocks: done.blocks }, note, state: 'written' },
        () => {
          if (!nothingTaught && minutesDone(done.blocks) === 0)
            throw new Refusal('write-up.empty', 'done', 'the minutes taught, or that nothing was');
        },
      ),
  };
}
