/** Students: who they are, what their hands are, what they hold. Hands and limits are dated; nothing is overwritten. */
import { ageAt, type HandLimits, makeLimits } from '@finch/core/hands';
import type { KeptGoal, StudentBody, WhyBody } from '@finch/contract';
import { makeHand, makeInstrument, type Hand, type Instrument } from '@finch/core/fretboard';
import type { Recipe } from '@finch/core/drills';
import { historyPoints, type PaceRead } from '@finch/core/mastery';
import { BAND } from '@finch/core/pace';
import type { DataSource, EntityManager } from 'typeorm';
import { v7 as uuid } from 'uuid';
import { may, need, type Who } from '../accounts/rights';
import { studioOf } from '../accounts/accounts.service';
import { lessonsOfStudent } from '../lessons/diary.service';
import { lessonHead } from '../lessons/lessons.service';
import type { Clock } from '../platform/clock';
import { inStudio, writeInStudio } from '../platform/database';
import { notFound, refuse, Refusal } from '../platform/problems';
import { currentSyllabus } from '../syllabus/syllabus.service';
import type { Work } from '../work/work';
import { goalsOf, piecesOf } from './goals.service';
import { studentOf } from './roster.service';
import type { States } from './states.service';
import {
  addDated,
  addPerson,
  addStudent,
  eraseStudent,
  mergeInto,
  namesake,
  renamePerson,
  setArchived,
  studentRecords,
  isStudent,
  touchStudent,
  type StudentChange,
} from './students.repository';
import { givenHome } from '../practice/room.service';

/** Lessons on a student's page: about two years of weekly ones. */
const SHOWN_LESSONS = 120;

export interface Students {
  readonly read: (who: Who, studentId: string) => Promise<StudentBody>;
  /** Why a skill's number is what it is. */
  readonly why: (who: Who, studentId: string, skillId: string) => Promise<WhyBody>;
  readonly add: (who: Who, student: AddedStudent) => Promise<{ id: string }>;
  readonly keep: (who: Who, studentId: string, kept: KeptStudent) => Promise<{ version: number }>;
  readonly merge: (
    who: Who,
    studentId: string,
    version: number,
    double: string,
  ) => Promise<{ version: number }>;
  readonly erase: (who: Who, studentId: string, name: string) => Promise<{ id: string }>;
  readonly keepHand: (
    who: Who,
    studentId: string,
    kept: {
      version: number;
      hand: Hand;
      instrument: Instrument;
      limits: HandLimits;
      /** Left out: as it was said before. */
      playedMonths?: number | null | undefined;
    },
  ) => Promise<{ version: number }>;
  readonly keepGoals: (
    who: Who,
    studentId: string,
    version: number,
    goals: readonly KeptGoal[],
  ) => Promise<{ version: number }>;
  readonly keepPractice: (
    who: Who,
    studentId: string,
    kept: { version: number; days: readonly number[]; minutes: number },
  ) => Promise<{ version: number }>;
  readonly keepNote: (
    who: Who,
    studentId: string,
    version: number,
    note: string,
  ) => Promise<{ version: number }>;
}

interface AddedStudent {
  readonly id: string;
  readonly name: string;
  readonly bornOn: string | null;
  readonly another: boolean;
  /** Months of playing; null where nobody said. */
  readonly playedMonths: number | null;
}

interface KeptStudent {
  readonly version: number;
  readonly name: string;
  readonly bornOn: string | null;
  readonly archived: boolean;
  readonly another: boolean;
}

/** Whole years that a student can be old. */
const AGES = { least: 3, most: 110 } as const;

function checkBirthday(bornOn: string | null, now: number): void {
  const age = ageAt(bornOn, now);
  if (age !== null && (age < AGES.least || age > AGES.most))
    throw new Refusal('born.age', 'bornOn', `a birthday ${AGES.least} to ${AGES.most} years ago`);
}

async function askTwice(manager: EntityManager, name: string, studentId: string): Promise<void> {
  const other = await namesake(manager, name, studentId);
  if (other) throw new Refusal('student.twice', 'name', other);
}

/** What the pace says of every change, for whoever reads it. */
const paceBody = ({ pace, months, takes, priorLogFactor }: PaceRead): StudentBody['pace'] => {
  const wide = Math.exp(BAND * pace.logSpread);
  const factor = Math.exp(pace.logFactor);
  return {
    months,
    takes,
    factor,
    low: factor / wide,
    high: factor * wide,
    before: Math.exp(priorLogFactor),
  };
};

const STALE = 'the newer version; yours is still on your screen';

/** Moves the student's version on, with what is written beside it. Refuses a student who is not there, and a stale version. */
async function touched(
  manager: EntityManager,
  studentId: string,
  version: number,
  change: StudentChange = {},
): Promise<void> {
  if (await touchStudent(manager, studentId, version, change)) return;
  if (!(await isStudent(manager, studentId))) throw notFound('studentId');
  throw new Refusal('write.stale', 'version', STALE);
}

export function makeStudents(database: DataSource, clock: Clock, states: States, work: Work): Students {
  return {
    read: async (who, studentId) => {
      need(who, 'student.read', studentId);
      return inStudio(database, who.studioId, async (manager) => {
        const now = clock.now();
        const mayReadNotes = may(who, 'note.read', studentId);
        const view = await states.view(manager, who.studioId, studentId, now);
        const { record, state } = view;
        const lessons = await lessonsOfStudent(manager, who.studioId, studentId);
        const next = [...lessons]
          .reverse()
          .find(
            (lesson) =>
              lesson.startsAt.getTime() + lesson.minutes * 60_000 > now &&
              lesson.state !== 'written' &&
              lesson.state !== 'cancelled',
          );
        return {
          id: record.id,
          name: record.name,
          bornOn: record.bornOn,
          age: ageAt(record.bornOn, now),
          version: record.version,
          timeZone: record.timeZone,
          note: mayReadNotes ? record.note : '',
          groups: [...record.groups],
          goals: goalsOf(record, view.syllabus.content, await piecesOf(manager, [record], now), now),
          practiceMinutes: record.practiceMinutes,
          hand: view.hand,
          instrument: view.instrument,
          limits: view.limits,
          limitsBefore: view.limitsBefore,
          limitSaid: state.limitSaid,
          taught: view.taught,
          marks: view.marks,
          playedFor: view.playedFor,
          pace: paceBody(view.pace),
          skills: state.skills.map((skill) => ({ ...skill, history: historyPoints(skill.history) })),
          pain: state.pain,
          takes: state.takes,
          feels: state.feels,
          archived: record.archivedAt !== null,
          measured: view.log.hands.map(({ from }) => Date.parse(from)),
          stops: [...state.stops],
          lessons: lessons.slice(0, SHOWN_LESSONS).map((lesson) => ({
            ...lessonHead(lesson),
            note: mayReadNotes ? lesson.note : '',
            inSeries: lesson.seriesId !== null,
          })),
          home: (await givenHome(manager, who.studioId, studentId)).map((card) => ({
            id: card.id,
            title: card.title,
            since: card.since.toISOString(),
            recipe: card.recipe as Recipe,
          })),
          nextLesson: next ? lessonHead(next) : null,
        };
      });
    },
    why: async (who, studentId, skillId) => {
      need(who, 'student.read', studentId);
      const { studioId } = who;
      const { syllabus, fit, log, state } = await inStudio(database, studioId, (manager) =>
        states.view(manager, studioId, studentId, clock.now()),
      );
      // At the moment the page's numbers are of, so that both say the same.
      const why = await work.run('tellWhy', {
        studioId,
        syllabus: syllabus.content,
        difficultyFit: fit,
        student: log,
        skillId,
        now: state.now,
      });
      if (!why) throw notFound('skillId');
      return { ...why, takes: [...why.takes], apart: [...why.apart] };
    },
    add: async (who, student) => {
      need(who, 'student.add');
      checkBirthday(student.bornOn, clock.now());
      return writeInStudio(database, who.studioId, async (manager) => {
        if ((await studentRecords(manager, student.id)).length)
          throw new Refusal('write.twice', 'id', 'a new id; this student is here already');
        if (!student.another) await askTwice(manager, student.name, student.id);
        const studio = await studioOf(manager);
        const personId = uuid();
        await addPerson(manager, {
          studioId: who.studioId,
          id: personId,
          name: student.name,
          bornOn: student.bornOn,
        });
        await addStudent(manager, {
          studioId: who.studioId,
          id: student.id,
          personId,
          membershipId: null,
          timeZone: studio?.timeZone ?? 'UTC',
          note: '',
          goals: [],
          waived: [],
          practiceMinutes: 12,
          practiceDays: [1, 2, 3, 4, 5, 6, 7],
          version: 1,
          createdAt: new Date(clock.now()),
        });
        if (student.playedMonths !== null)
          await addDated(manager, 'played', {
            studioId: who.studioId,
            id: uuid(),
            studentId: student.id,
            fromInstant: new Date(clock.now()),
            value: { months: student.playedMonths },
          });
        return { id: student.id };
      });
    },
    keep: async (who, studentId, { version, name, bornOn, archived, another }) => {
      need(who, 'student.write', studentId);
      return writeInStudio(database, who.studioId, async (manager) => {
        const [record] = await studentRecords(manager, studentId);
        if (!record) throw notFound('studentId');
        if (bornOn !== record.bornOn) checkBirthday(bornOn, clock.now());
        if (!another && name !== record.name) await askTwice(manager, name, studentId);
        await touched(manager, studentId, version);
        await renamePerson(manager, record.personId, name, bornOn);
        if (archived !== (record.archivedAt !== null))
          await setArchived(manager, studentId, archived ? new Date(clock.now()) : null);
        return { version: version + 1 };
      });
    },
    merge: async (who, studentId, version, double) => {
      need(who, 'student.merge', studentId);
      need(who, 'student.merge', double);
      const kept = await writeInStudio(database, who.studioId, async (manager) => {
        const [one] = await studentRecords(manager, studentId);
        const [other] = await studentRecords(manager, double);
        if (!one || !other) throw notFound(one ? 'double' : 'studentId');
        if (one.id === other.id) throw new Refusal('student.same', 'double', 'somebody else');
        await touched(manager, studentId, version);
        await mergeInto(manager, studentId, double, new Date(clock.now()));
        return { version: version + 1 };
      });
      states.forget(double);
      return kept;
    },
    erase: async (who, studentId, name) => {
      need(who, 'student.erase', studentId);
      await writeInStudio(database, who.studioId, async (manager) => {
        const [record] = await studentRecords(manager, studentId);
        if (!record) throw notFound('studentId');
        if (record.name.trim().toLowerCase() !== name.trim().toLowerCase())
          throw new Refusal('erase.name', 'name', record.name);
        await eraseStudent(manager, studentId);
      });
      states.forget(studentId);
      return { id: studentId };
    },
    keepHand: async (who, studentId, kept) => {
      need(who, 'hand.write', studentId);
      const hand = makeHand(kept.hand);
      const instrument = makeInstrument(kept.instrument);
      const limits = makeLimits(kept.limits);
      for (const made of [hand, instrument, limits]) if (!made.ok) refuse(made.problem);
      return writeInStudio(database, who.studioId, async (manager) => {
        await touched(manager, studentId, kept.version);
        const row = () => ({
          studioId: who.studioId,
          id: uuid(),
          studentId,
          fromInstant: new Date(clock.now()),
        });
        await addDated(manager, 'hand', { ...row(), value: kept.hand });
        await addDated(manager, 'instrument', { ...row(), value: kept.instrument });
        await addDated(manager, 'limits', { ...row(), value: { ...kept.limits, assumed: false } });
        if (kept.playedMonths !== undefined)
          await addDated(manager, 'played', { ...row(), value: { months: kept.playedMonths } });
        return { version: kept.version + 1 };
      });
    },
    keepGoals: async (who, studentId, version, goals) => {
      need(who, 'student.write', studentId);
      return writeInStudio(database, who.studioId, async (manager) => {
        const { content } = await currentSyllabus(manager);
        const record = await studentOf(manager, studentId);
        const asked = { ...record, goals: [...goals] };
        const pieces = await piecesOf(manager, [asked], clock.now());
        const known = goalsOf(asked, content, pieces, clock.now());
        const at = goals.findIndex(({ id }) => !known.some((one) => one.id === id));
        if (at >= 0)
          throw new Refusal('goal.unknown', `goals.${at}`, 'a skill or a course of the syllabus, or a piece');
        await touched(manager, studentId, version, { goals });
        return { version: version + 1 };
      });
    },
    keepPractice: async (who, studentId, { version, days, minutes }) => {
      need(who, 'student.write', studentId);
      return writeInStudio(database, who.studioId, async (manager) => {
        await touched(manager, studentId, version, {
          practice: { days: days.toSorted((a, b) => a - b), minutes },
        });
        return { version: version + 1 };
      });
    },
    keepNote: async (who, studentId, version, note) => {
      need(who, 'note.write', studentId);
      return writeInStudio(database, who.studioId, async (manager) => {
        await touched(manager, studentId, version, { note });
        return { version: version + 1 };
      });
    },
  };
}
