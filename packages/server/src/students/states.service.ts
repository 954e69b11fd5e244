/**
 * What a student holds now: what the log told so far, read at this moment. Reading is kept while nothing changed for a few
 * minutes, since fading is a matter of days; dropping what is kept changes nothing but time.
 */
import type { Marks } from '@finch/contract';
import { averageHand, standardGuitar, type Hand, type Instrument } from '@finch/core/fretboard';
import {
  assumedLimits,
  datedAt,
  taughtHand,
  type Dated,
  type DifficultyFit,
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
import { markBook } from '../marks/marks.service';
import { notFound } from '../platform/problems';
import { logsOf } from '../practice/log.service';
import { schoolBook, type SchoolBook } from '../schools/schools.service';
import { currentFit, renewFit } from './fit.service';
import { currentSyllabus, type SyllabusVersion } from '../syllabus/syllabus.service';
import type { Work } from '../work/work';
import { makeDatedBook, type DatedRecords } from './dated-book';
import { makeLogBook, type ReadingGround, type WantedLog } from './log-book';
import { studentRecords, type StudentRecord } from './students.repository';

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
  /** Where the log stands that all this was read from. */
  readonly log: WantedLog;
  /** What of its difficulties the studio's students told. */
  readonly fit: DifficultyFit;
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
  /** The same student as they will stand at a later instant, ms since 1970, if nothing is logged until then. */
  readonly later: (view: StudentView, at: number) => StudentView;
  readonly viewAll: (manager: EntityManager, studioId: string, now: number) => Promise<StudentView[]>;
  /** Whose logs there are to read, and what reading rests on, with nothing read yet. */
  readonly logs: (
    manager: EntityManager,
    now: number,
  ) => Promise<{
    readonly syllabus: SyllabusVersion;
    readonly fit: DifficultyFit;
    readonly students: readonly { readonly name: string; readonly log: WantedLog }[];
  }>;
  /** Drops what is held of a student who is gone, so that nothing rests on it. */
  readonly forget: (studentId: string) => void;
}

/** What is read of a log at a moment, for as long as it is fresh. */
interface Standing {
  readonly sofar: LogSoFar;
  readonly slot: number;
  readonly studioId: string;
  readonly state: StudentState;
  /** Without what the studio taught, so that one student's pace never rests on another's. */
  readonly alone: PaceRead;
}

interface Taught {
  /** What it rests on. */
  readonly ground: readonly unknown[];
  readonly pace: PaceRead;
  readonly taught: TaughtHand;
}

/** @param code names the program that reads logs: of another one nothing that was kept is believed */
export function makeStates(work: Work, code: string): States {
  const logs = makeLogBook(work);
  const records = makeDatedBook();
  const standings = new Map<string, Standing>();
  const taughtHands = new Map<string, Taught>();

  const standingOf = (one: Student, sofar: LogSoFar, now: number): Standing => {
    const { id, studioId, timeZone } = one.record;
    // Students grow stale one after the other, not all at once.
    const slot = Math.floor((now + staggered(id)) / FRESH_MS);
    const kept = standings.get(id);
    if (kept?.sofar === sofar && kept.slot === slot) return kept;
    const context = { syllabus: one.syllabus.content, timeZone };
    const state = stateAt(sofar.skills, context, now);
    const made = { sofar, slot, studioId, state, alone: paceAt(sofar.pace, one.log, now) };
    standings.set(id, made);
    return made;
  };

  /** What the studio's others teach of how quick somebody is of whom little was heard; none of somebody well known. */
  const shiftOf = (id: string, { alone, studioId }: Standing): number => {
    if (alone.takes >= SHIFT_TAKES) return 0;
    const others = [...standings].flatMap(([of, other]) =>
      of !== id && other.studioId === studioId ? [other.alone] : [],
    );
    // In hundredths: what another student played a minute ago is nobody's news.
    return Math.round(100 * studioShift(others)) / 100;
  };

  const taughtOf = (one: Student, standing: Standing, marks: Marks, school: School, now: number): Taught => {
    const { id, bornOn } = one.record;
    const { alone, sofar } = standing;
    const { hands, instruments } = one.log;
    const shift = shiftOf(id, standing);
    const said = JSON.stringify([marks.pins, school, one.fit.version]);
    const ground = [standing, one.dated.limitsMark, bornOn, said, shift];
    const kept = taughtHands.get(id);
    if (kept?.ground.every((of, i) => of === ground[i])) return kept;
    const pace = shift === 0 ? alone : paceAt(sofar.pace, one.log, now, shift);
    const taught = taughtHand(
      {
        hands,
        instruments,
        limits: one.dated.limits,
        bornOn,
        school,
        pins: Object.fromEntries(marks.pins.map((pin) => [pin.subject, pin.fingers])),
        pace: pace.pace,
        difficultyFit: one.fit,
      },
      now,
    );
    const made = { ground, pace, taught };
    taughtHands.set(id, made);
    return made;
  };

  const onRecord = async (
    manager: EntityManager,
    found: readonly StudentRecord[],
    asked: readonly string[] | null,
    now: number,
  ): Promise<{ syllabus: SyllabusVersion; fit: DifficultyFit; students: Student[] }> => {
    const syllabus = await currentSyllabus(manager);
    const fit = await currentFit(manager, now);
    const dated = await records.read(manager, asked);
    const logged = await logsOf(manager, asked);
    const students = found.map((record) =>
      studentOf(record, dated(record.id), logged(record.id), { syllabus, fit }, code),
    );
    return { syllabus, fit, students };
  };

  const viewsOf = async (
    manager: EntityManager,
    studioId: string,
    found: readonly StudentRecord[],
    asked: readonly string[] | null,
    now: number,
  ): Promise<StudentView[]> => {
    const schools = await schoolBook(manager);
    const marked = await markBook(manager);
    const { syllabus, fit, students } = await onRecord(manager, found, asked, now);
    const wanted = students.map((one) => one.log);
    const read = await logs.read(studioId, { syllabus, fit }, wanted, now);
    const stand = students.flatMap((one) => {
      const sofar = read.get(one.record.id);
      return sofar ? [{ one, standing: standingOf(one, sofar, now) }] : [];
    });
    return stand.map(({ one, standing }) => {
      const { record, log, dated } = one;
      const marks = marked.forStudent(record.id);
      const { pace, taught } = taughtOf(one, standing, marks, schools.forStudent(record.id), now);
      return {
        record,
        state: standing.state,
        syllabus,
        hand: held(log.hands, now, averageHand),
        instrument: held(log.instruments, now, standardGuitar),
        limits: held(dated.limits, now, assumedLimits(record.bornOn, now)),
        marks,
        pace,
        playedFor: held(log.playedFor, now, NOBODY_SAID),
        taught,
        log,
        fit,
        limitsBefore: dated.limits.at(-2) ?? null,
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
    later: (view, at) => {
      const sofar = standings.get(view.record.id)?.sofar;
      if (!sofar) throw new Error('a view is of somebody who was read');
      const context = { syllabus: view.syllabus.content, timeZone: view.record.timeZone };
      return { ...view, state: stateAt(sofar.skills, context, at) };
    },
    viewAll: async (manager, studioId, now) => {
      const views = await viewsOf(manager, studioId, await studentRecords(manager), null, now);
      const firsts = views.map(({ state }) => state.firsts);
      await renewFit(manager, studioId, firsts, now);
      return views;
    },
    logs: async (manager, now) => {
      const records = await studentRecords(manager);
      const { syllabus, fit, students } = await onRecord(manager, records, null, now);
      return { syllabus, fit, students: students.map(({ record, log }) => ({ name: record.name, log })) };
    },
    forget: (studentId) => {
      logs.forget(studentId);
      standings.delete(studentId);
      taughtHands.delete(studentId);
    },
  };
}

type School = ReturnType<SchoolBook['forStudent']>;

/** A student and all that is on record of them, before the log is read. */
interface Student {
  readonly record: StudentRecord;
  readonly syllabus: SyllabusVersion;
  readonly fit: DifficultyFit;
  readonly dated: DatedRecords;
  readonly log: WantedLog;
}

function studentOf(
  record: StudentRecord,
  dated: DatedRecords,
  { places, doubles }: Pick<WantedLog, 'places' | 'doubles'>,
  { syllabus, fit }: ReadingGround,
  code: string,
): Student {
  const { id: studentId, timeZone } = record;
  const { hands, instruments, played: playedFor } = dated;
  const ground = [code, syllabus.ground, fit.version, timeZone, dated.mark].join(' ');
  return {
    record,
    syllabus,
    fit,
    dated,
    log: { studentId, doubles, places, ground, hands, instruments, playedFor, timeZone },
  };
}

const staggered = (id: string): number => Number.parseInt(id.replaceAll('-', '').slice(-8), 16) % FRESH_MS;

function held<T>(records: readonly Dated<T>[], now: number, fallback: T): Held<T> {
  const value = datedAt(records, now, fallback);
  return { from: records.find((record) => record.value === value)?.from ?? null, value };
}
