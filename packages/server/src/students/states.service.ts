/**
 * What a student holds now: what the log told so far, read at this moment. Reading is kept while nothing changed for a few
 * minutes, since fading is a matter of days; dropping what is kept changes nothing but time.
 */
import { createHash } from 'node:crypto';
import type { Marks } from '@finch/contract';
import { averageHand, standardGuitar, type Hand, type Instrument } from '@finch/core/fretboard';
import {
  assumedLimits,
  datedAt,
  PRIOR_FIT,
  taughtHand,
  type Dated,
  type HandLimits,
  type TaughtHand,
} from '@finch/core/hands';
import {
  paceAt,
  SHIFT_TAKES,
  stateAt,
  studioShift,
  type LogSoFar,
  type PaceRead,
  type PlayedFor,
  type StudentState,
} from '@finch/core/mastery';
import type { EntityManager } from 'typeorm';
import { markBook, type MarkBook } from '../marks/marks.service';
import type { DatedRow } from '../platform/entities';
import { notFound } from '../platform/problems';
import { logsOf } from '../practice/log.service';
import { schoolBook, type SchoolBook } from '../schools/schools.service';
import { currentSyllabus, type SyllabusVersion } from '../syllabus/syllabus.service';
import type { Work } from '../work/work';
import { makeLogBook, type WantedLog } from './log-book';
import { datedRecords, studentRecords, type DatedRecords, type StudentRecord } from './students.repository';

interface Held<T> {
  readonly from: string | null;
  readonly value: T;
}

export interface StudentView {
  readonly record: StudentRecord;
  readonly state: StudentState;
  readonly syllabus: SyllabusVersion;
  readonly hand: Held<Hand>;
  readonly instrument: Held<Instrument>;
  readonly limits: Held<HandLimits>;
  readonly limitsBefore: { readonly from: string; readonly value: HandLimits } | null;
  readonly marks: Marks;
  /** This student's pace, and how long they had played when somebody last said so. */
  readonly pace: PaceRead;
  readonly playedFor: Held<PlayedFor>;
  /** What every question about this student takes. */
  readonly taught: TaughtHand;
}

const NOBODY_SAID: PlayedFor = { months: null };

/** What was read stays fresh this long. */
const FRESH_MS = 10 * 60_000;

export interface States {
  readonly view: (
    manager: EntityManager,
    studioId: string,
    studentId: string,
    now: number,
  ) => Promise<StudentView>;
  readonly viewAll: (manager: EntityManager, studioId: string, now: number) => Promise<StudentView[]>;
  /** Drops what is held of a student who is gone, so that nothing rests on it. */
  readonly forget: (studentId: string) => void;
}

/** What is read of a log at a moment, for as long as it is fresh. */
interface Standing {
  readonly key: string;
  readonly studioId: string;
  readonly state: StudentState;
  /** Without what the studio taught, so that one student's pace never rests on another's. */
  readonly alone: PaceRead;
}

interface Taught {
  readonly key: string;
  readonly pace: PaceRead;
  readonly taught: TaughtHand;
}

/** @param code names the program that reads logs: of another one nothing that was kept is believed */
export function makeStates(work: Work, code: string): States {
  const book = makeLogBook(work);
  const standings = new Map<string, Standing>();
  const taughtHands = new Map<string, Taught>();

  const standingOf = (one: Student, sofar: LogSoFar, now: number): Standing => {
    const { id, studioId, timeZone } = one.record;
    // Students grow stale one after the other, not all at once.
    const slot = Math.floor((now + staggered(id)) / FRESH_MS);
    const key = JSON.stringify([one.log.ground, sofar.last, sofar.ahead.length, one.log.places, slot]);
    const kept = standings.get(id);
    if (kept?.key === key) return kept;
    const context = { syllabus: one.syllabus.content, timeZone };
    const made = {
      key,
      studioId,
      state: stateAt(sofar.skills, context, now),
      alone: paceAt(sofar.pace, one.log, now),
    };
    standings.set(id, made);
    return made;
  };

  const taughtOf = (
    one: Student,
    standing: Standing,
    sofar: LogSoFar,
    marks: Marks,
    school: ReturnType<SchoolBook['forStudent']>,
    now: number,
  ): Taught => {
    const { id, studioId, bornOn } = one.record;
    const { alone } = standing;
    const others = [...standings].flatMap(([of, other]) =>
      of !== id && other.studioId === studioId ? [other.alone] : [],
    );
    // In hundredths: what another student played a minute ago is nobody's news.
    const shift = alone.takes < SHIFT_TAKES ? Math.round(100 * studioShift(others)) / 100 : 0;
    const key = JSON.stringify([standing.key, one.limits, bornOn, marks.pins, school, shift]);
    const kept = taughtHands.get(id);
    if (kept?.key === key) return kept;
    const pace = shift === 0 ? alone : paceAt(sofar.pace, one.log, now, shift);
    const { hands, instruments } = one.log;
    const taught = taughtHand(
      {
        hands,
        instruments,
        limits: one.limits,
        bornOn,
        school,
        pins: Object.fromEntries(marks.pins.map((pin) => [pin.subject, pin.fingers])),
        pace: pace.pace,
        difficultyFit: PRIOR_FIT,
      },
      now,
    );
    const made = { key, pace, taught };
    taughtHands.set(id, made);
    return made;
  };

  const viewsOf = async (
    manager: EntityManager,
    studioId: string,
    records: readonly StudentRecord[],
    asked: readonly string[] | null,
    now: number,
  ): Promise<StudentView[]> => {
    const shared = await sharedBy(manager);
    const { syllabus } = shared;
    const dated = await datedRecords(manager, asked);
    const logs = await logsOf(manager, asked);
    const students = records.map((record) =>
      studentOf(record, dated(record.id), logs(record.id), syllabus, code),
    );
    const read = await book.read(
      studioId,
      syllabus,
      students.map((one) => one.log),
      now,
    );
    const standing = students.flatMap((one) => {
      const sofar = read.get(one.record.id);
      return sofar ? [{ one, sofar, standing: standingOf(one, sofar, now) }] : [];
    });
    return standing.map(({ one, sofar, standing }) => {
      const { record, log, limits } = one;
      const marks = shared.marks.forStudent(record.id);
      const school = shared.book.forStudent(record.id);
      const { pace, taught } = taughtOf(one, standing, sofar, marks, school, now);
      return {
        record,
        state: standing.state,
        syllabus,
        hand: held(log.hands, now, averageHand),
        instrument: held(log.instruments, now, standardGuitar),
        limits: held(limits, now, assumedLimits(record.bornOn, now)),
        marks,
        pace,
        playedFor: held(log.playedFor, now, NOBODY_SAID),
        taught,
        limitsBefore: limits.length > 1 ? limits[limits.length - 2] : null,
      };
    });
  };

  return {
    view: async (manager, studioId, studentId, now) => {
      const records = await studentRecords(manager, studentId);
      const [view] = await viewsOf(manager, studioId, records, [studentId], now);
      if (!view) throw notFound('studentId');
      return view;
    },
    viewAll: async (manager, studioId, now) =>
      viewsOf(manager, studioId, await studentRecords(manager), null, now),
    forget: (studentId) => {
      book.forget(studentId);
      standings.delete(studentId);
      taughtHands.delete(studentId);
    },
  };
}

/** A student and all that is on record of them, before the log is read. */
interface Student {
  readonly record: StudentRecord;
  readonly syllabus: SyllabusVersion;
  readonly limits: readonly Dated<HandLimits>[];
  readonly log: WantedLog;
}

function studentOf(
  record: StudentRecord,
  dated: DatedRecords,
  { places, doubles }: Pick<WantedLog, 'places' | 'doubles'>,
  syllabus: SyllabusVersion,
  code: string,
): Student {
  const { id: studentId, timeZone } = record;
  const hands = dated.hands.map(asDated<Hand>);
  const instruments = dated.instruments.map(asDated<Instrument>);
  const playedFor = dated.played.map(asDated<PlayedFor>);
  const ground = createHash('sha256')
    .update(JSON.stringify([code, syllabus.id, PRIOR_FIT.version, timeZone, hands, instruments, playedFor]))
    .digest('base64url');
  const log = { studentId, doubles, places, ground, hands, instruments, playedFor, timeZone };
  return { record, syllabus, limits: dated.limits.map(asDated<HandLimits>), log };
}

/** What is read once for however many students are viewed. */
interface Shared {
  readonly syllabus: SyllabusVersion;
  readonly book: SchoolBook;
  readonly marks: MarkBook;
}

async function sharedBy(manager: EntityManager): Promise<Shared> {
  return {
    syllabus: await currentSyllabus(manager),
    book: await schoolBook(manager),
    marks: await markBook(manager),
  };
}

const staggered = (id: string): number => Number.parseInt(id.replaceAll('-', '').slice(-8), 16) % FRESH_MS;

function asDated<T>(row: DatedRow): Dated<T> {
  return { from: row.fromInstant.toISOString(), value: row.value as T };
}

function held<T>(records: readonly Dated<T>[], now: number, fallback: T): Held<T> {
  const value = datedAt(records, now, fallback);
  return { from: records.find((record) => record.value === value)?.from ?? null, value };
}
