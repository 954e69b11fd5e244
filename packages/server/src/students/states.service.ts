/**
 * What a student holds now: the replay of the log, kept in memory while nothing new was logged. The memory is
 * only a cache: it is keyed by the log's own count and last id, and dropping it changes nothing but time.
 */
import { averageHand, standardGuitar, type Hand, type Instrument } from '@finch/core/fretboard';
import { datedAt, PRIOR_FIT, replay, type Dated, type StudentState } from '@finch/core/mastery';
import { CHILD_LIMITS, DEFAULT_LIMITS, type HandLimits } from '@finch/core/planning';
import type { EntityManager } from 'typeorm';
import type { DatedRow } from '../platform/entities';
import { notFound } from '../platform/problems';
import { currentSyllabus, type SyllabusVersion } from '../syllabus/syllabus.service';
import { eventCount, eventsOf } from '../practice/log.repository';
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
    syllabus: SyllabusVersion,
    now: number,
  ): Promise<StudentView> => {
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
    return {
      record,
      state,
      syllabus,
      hand: held(hands, now, averageHand),
      instrument: held(instruments, now, standardGuitar),
      limits: held(limits, now, assumed),
      limitsBefore: limits.length > 1 ? limits[limits.length - 2] : null,
    };
  };
  return {
    view: async (manager, _studioId, studentId, now) => {
      const [record] = await studentRecords(manager, studentId);
      if (!record) throw notFound('studentId');
      return viewOf(manager, record, await currentSyllabus(manager), now);
    },
    viewAll: async (manager, _studioId, now) => {
      const syllabus = await currentSyllabus(manager);
      const views: StudentView[] = [];
      for (const record of await studentRecords(manager))
        views.push(await viewOf(manager, record, syllabus, now));
      return views;
    },
  };
}

function asDated<T>(row: DatedRow): Dated<T> {
  return { from: row.fromInstant.toISOString(), value: row.value as T };
}

function held<T>(records: readonly Dated<T>[], now: number, fallback: T): Held<T> {
  const value = datedAt(records, now, fallback);
  return { from: records.find((record) => record.value === value)?.from ?? null, value };
}
