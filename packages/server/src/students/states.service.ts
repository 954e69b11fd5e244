/**
 * What a student holds now: the replay of the log, kept in memory while nothing new was logged. The memory is
 * only a cache: it is keyed by the log's own count and last id, and dropping it changes nothing but time.
 */
import type { Marks } from '@finch/contract';
import type { DrillContext } from '@finch/core/drills';
import { averageHand, standardGuitar, type Hand, type Instrument } from '@finch/core/fretboard';
import { datedAt, PRIOR_FIT, replay, type Dated, type StudentState } from '@finch/core/mastery';
import { CHILD_LIMITS, DEFAULT_LIMITS, type HandLimits } from '@finch/core/planning';
import { handFor, type Schools } from '@finch/core/shapes';
import type { EntityManager } from 'typeorm';
import { markRows, marksFor, type MarkRow } from '../marks/marks.repository';
import type { DatedRow } from '../platform/entities';
import { notFound } from '../platform/problems';
import { currentSyllabus, type SyllabusVersion } from '../syllabus/syllabus.service';
import { eventCount, eventsOf } from '../practice/log.repository';
import { schoolBook, type SchoolBook } from '../schools/schools.service';
import { ageOn } from './age';
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
  readonly schools: Schools;
  readonly marks: Marks;
  /** What drills are made for: the hand as its school asks it to play, and the fingerings pinned for it. */
  readonly drilling: DrillContext & { readonly effortLimit: number };
}

/** States stay fresh this long; fading is a matter of days. */
const FRESH_MS = 30 * 60_000;
const CHILD_AGE = 16;

interface Kept {
  readonly key: string;
  readonly state: StudentState;
}

export interface States {
  readonly view: (
    manager: EntityManager,
    studioId: string,
    studentId: string,
    now: number,
  ) => Promise<StudentView>;
  readonly viewAll: (manager: EntityManager, studioId: string, now: number) => Promise<StudentView[]>;
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
    const { count, last } = await eventCount(manager, id);
    const key = [
      count,
      last,
      hands.length,
      instruments.length,
      syllabus.id,
      record.timeZone,
      Math.floor(now / FRESH_MS),
    ].join();
    let state = kept.get(id)?.key === key ? kept.get(id)?.state : undefined;
    if (!state) {
      const events = count ? await eventsOf(manager, studioId, id) : [];
      const context = {
        syllabus: syllabus.content,
        hands,
        instruments,
        difficultyFit: PRIOR_FIT,
        modelVersion: 'mastery-1',
        timeZone: record.timeZone,
      };
      state = replay(events, context, now);
      kept.set(id, { key, state });
    }
    const age = ageOn(record.bornOn, now);
    const assumed = age !== null && age < CHILD_AGE ? CHILD_LIMITS : DEFAULT_LIMITS;
    const hand = held(hands, now, averageHand);
    const instrument = held(instruments, now, standardGuitar);
    const limit = held(limits, now, assumed);
    const schools = shared.book.forStudent(id);
    const marks = marksFor(shared.marks, id);
    return {
      record,
      state,
      syllabus,
      hand,
      instrument,
      limits: limit,
      schools,
      marks,
      drilling: {
        hand: handFor(hand.value, schools),
        instrument: instrument.value,
        effortLimit: limit.value.gripEffort,
        pins: Object.fromEntries(marks.pins.map((pin) => [pin.subject, pin.fingers])),
      },
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
  };
}

/** What is read once for however many students are viewed. */
interface Shared {
  readonly syllabus: SyllabusVersion;
  readonly book: SchoolBook;
  readonly marks: readonly MarkRow[];
}

async function sharedBy(manager: EntityManager): Promise<Shared> {
  return {
    syllabus: await currentSyllabus(manager),
    book: await schoolBook(manager),
    marks: await markRows(manager),
  };
}

function asDated<T>(row: DatedRow): Dated<T> {
  return { from: row.fromInstant.toISOString(), value: row.value as T };
}

function held<T>(records: readonly Dated<T>[], now: number, fallback: T): Held<T> {
  const value = datedAt(records, now, fallback);
  return { from: records.find((record) => record.value === value)?.from ?? null, value };
}
