/**
 * What a student holds now: the replay of the log, kept in memory while nothing new was logged. The memory is
 * only a cache: it is keyed by the log's own count and last id, and dropping it changes nothing but time.
 */
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
  paceOf,
  replay,
  SHIFT_TAKES,
  studioShift,
  type LogEvent,
  type PaceRead,
  type PlayedFor,
  type StudentState,
} from '@finch/core/mastery';
import type { EntityManager } from 'typeorm';
import { markBook, type MarkBook } from '../marks/marks.service';
import type { DatedRow } from '../platform/entities';
import { notFound } from '../platform/problems';
import { currentSyllabus, type SyllabusVersion } from '../syllabus/syllabus.service';
import { logOf, logTail } from '../practice/log.service';
import { schoolBook, type SchoolBook } from '../schools/schools.service';
import { datedRecords, studentRecords, type StudentRecord } from './students.repository';

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

/** States stay fresh this long; fading is a matter of days. */
const FRESH_MS = 30 * 60_000;

interface Kept {
  readonly key: string;
  readonly studioId: string;
  readonly state: StudentState;
  /** Without what the studio taught, so that one student's pace never rests on another's. */
  readonly alone: PaceRead;
  /** The log while it says too little of the student to stand alone; null from then on. */
  readonly few: readonly LogEvent[] | null;
}

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

export function makeStates(): States {
  const kept = new Map<string, Kept>();
  const viewOf = async (
    manager: EntityManager,
    record: StudentRecord,
    shared: Shared,
    now: number,
  ): Promise<StudentView> => {
    const { syllabus } = shared;
    const { studioId, id } = record;
    const dated = await datedRecords(manager, studioId, id);
    const hands = dated.hands.map(asDated<Hand>);
    const instruments = dated.instruments.map(asDated<Instrument>);
    const limits = dated.limits.map(asDated<HandLimits>);
    const played = dated.played.map(asDated<PlayedFor>);
    const playing = { hands, instruments, playedFor: played, timeZone: record.timeZone };
    const { count, last } = await logTail(manager, id);
    const key = [
      count,
      last,
      hands.length,
      instruments.length,
      played.length,
      syllabus.id,
      record.timeZone,
      Math.floor(now / FRESH_MS),
    ].join();
    const hand = held(hands, now, averageHand);
    const instrument = held(instruments, now, standardGuitar);
    let known = kept.get(id);
    if (known?.key !== key) {
      const events = count ? await logOf(manager, studioId, id) : [];
      const context = {
        syllabus: syllabus.content,
        hands,
        instruments,
        difficultyFit: PRIOR_FIT,
        timeZone: record.timeZone,
      };
      const alone = paceOf(events, playing, now);
      const few = alone.takes < SHIFT_TAKES ? events : null;
      known = { key, studioId, state: replay(events, context, now), alone, few };
      kept.set(id, known);
    }
    const { state, alone, few } = known;
    const others = [...kept].flatMap(([of, one]) =>
      of !== id && one.studioId === studioId ? [one.alone] : [],
    );
    const shift = few ? studioShift(others) : 0;
    const pace = few && shift !== 0 ? paceOf(few, playing, now, shift) : alone;
    const limit = held(limits, now, assumedLimits(record.bornOn, now));
    const marks = shared.marks.forStudent(id);
    const taught = taughtHand(
      {
        hands,
        instruments,
        limits,
        bornOn: record.bornOn,
        school: shared.book.forStudent(id),
        pins: Object.fromEntries(marks.pins.map((pin) => [pin.subject, pin.fingers])),
        pace: pace.pace,
        difficultyFit: PRIOR_FIT,
      },
      now,
    );
    return {
      record,
      state,
      syllabus,
      hand,
      instrument,
      limits: limit,
      marks,
      pace,
      playedFor: held(played, now, NOBODY_SAID),
      taught,
      limitsBefore: limits.length > 1 ? limits[limits.length - 2] : null,
    };
  };
  return {
    view: async (manager, _studioId, studentId, now) => {
      const [record] = await studentRecords(manager, studentId);
      if (!record) throw notFound('studentId');
      return viewOf(manager, record, await sharedBy(manager), now);
    },
    viewAll: async (manager, _studioId, now) => {
      const shared = await sharedBy(manager);
      const views: StudentView[] = [];
      for (const record of await studentRecords(manager))
        views.push(await viewOf(manager, record, shared, now));
      return views;
    },
    forget: (studentId) => void kept.delete(studentId),
  };
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

function asDated<T>(row: DatedRow): Dated<T> {
  return { from: row.fromInstant.toISOString(), value: row.value as T };
}

function held<T>(records: readonly Dated<T>[], now: number, fallback: T): Held<T> {
  const value = datedAt(records, now, fallback);
  return { from: records.find((record) => record.value === value)?.from ?? null, value };
}
