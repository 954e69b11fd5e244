/**
 * Logs read so far, on a worker's own connection: from the stored snapshot where one stands on the same ground, else from the
 * beginning; then what is new is added. What was read far enough is stored again. Heads and events are seen at one instant.
 */
import { deserialize, serialize } from 'node:v8';
import {
  makeLogReader,
  whyOf,
  type LogContext,
  type LogReader,
  type LogSoFar,
  type Why,
} from '@finch/core/mastery';
import type { Asks } from '../platform/database';
import { eventsAfter, keepSnapshot, logHeads, snapshotsOf, type SnapshotRow } from './log-reading.repository';

/** How far the log of the student and of each double was read, by their ids. */
export type Places = Readonly<Record<string, number>>;

export interface LogToRead extends Omit<LogContext, 'syllabus' | 'difficultyFit'> {
  readonly studentId: string;
  readonly doubles: readonly string[];
  /** Names all that a reading rests on but the events: another ground, another reading. */
  readonly ground: string;
}

export interface LogsToRead extends Pick<LogContext, 'syllabus' | 'difficultyFit'> {
  readonly studioId: string;
  readonly students: readonly LogToRead[];
  /** ms since 1970. */
  readonly now: number;
}

export interface LogRead {
  readonly studentId: string;
  readonly ground: string;
  readonly places: Places;
  readonly sofar: LogSoFar;
}

/** A snapshot is stored again after so many more events; a restart reads no more than these anew. */
const STORE_AFTER = 25;
/** Readers kept, each with the grips and changes it graded for one hand. */
const MOST_READERS = 300;
const readers = new Map<string, LogReader>();

export function readerFor(one: LogToRead, asked: Pick<LogsToRead, 'syllabus' | 'difficultyFit'>): LogReader {
  let reader = readers.get(one.ground);
  if (!reader) {
    const [oldest] = readers.keys();
    if (readers.size >= MOST_READERS && oldest !== undefined) readers.delete(oldest);
    reader = makeLogReader({ ...one, syllabus: asked.syllabus, difficultyFit: asked.difficultyFit });
    readers.set(one.ground, reader);
  }
  return reader;
}

/** Reads in a transaction that is in the studio already and sees one instant. */
export async function readLogs(asks: Asks, asked: LogsToRead): Promise<LogRead[]> {
  const ids = asked.students.flatMap((one) => [one.studentId, ...one.doubles]);
  const heads = await logHeads(asks, ids);
  const stored = new Map(
    (
      await snapshotsOf(
        asks,
        asked.students.map((one) => one.studentId),
      )
    ).map((row) => [row.studentId, row]),
  );
  const read: LogRead[] = [];
  for (const one of asked.students) {
    const places: Places = Object.fromEntries(
      [one.studentId, ...one.doubles].map((id) => [id, heads.get(id) ?? 0]),
    );
    const before = usable(stored.get(one.studentId), one, places);
    const reader = readerFor(one, asked);
    const added = before
      ? reader.add(before.sofar, await eventsFrom(asks, before.places, places), asked.now)
      : null;
    const sofar = added ?? reader.read(await eventsFrom(asks, {}, places), asked.now);
    const { studentId, ground } = one;
    if (sum(places) - (added && before ? sum(before.places) : 0) >= STORE_AFTER)
      await keepSnapshot(asks, asked.studioId, { studentId, ground, places, body: serialize(sofar) });
    read.push({ studentId, ground, places, sofar });
  }
  return read;
}

export interface WhyAsked extends Pick<LogContext, 'syllabus' | 'difficultyFit'> {
  readonly studioId: string;
  readonly student: LogToRead & { readonly places: Places };
  readonly skillId: string;
  /** ms since 1970. */
  readonly now: number;
}

/** Why a number is what it is, from the whole log; null where the syllabus has no such skill. */
export async function tellWhy(asks: Asks, asked: WhyAsked): Promise<Why | null> {
  const { student, syllabus, difficultyFit, skillId, now } = asked;
  return whyOf(
    await eventsFrom(asks, {}, student.places),
    { ...student, syllabus, difficultyFit },
    skillId,
    now,
  );
}

const sum = (places: Places): number => Object.values(places).reduce((all, one) => all + one, 0);

/** A snapshot on the same ground of the same people; whatever else is in it is not there. */
export function usable(
  row: SnapshotRow | undefined,
  { ground }: LogToRead,
  places: Places,
): { readonly places: Places; readonly sofar: LogSoFar } | null {
  if (row?.ground !== ground) return null;
  const same = Object.keys(places).sort().join() === Object.keys(row.places).sort().join();
  if (!same || Object.entries(row.places).some(([id, place]) => place > places[id])) return null;
  try {
    return { places: row.places, sofar: deserialize(row.body) as LogSoFar };
  } catch {
    return null;
  }
}

/** What was logged of each after a place. */
export async function eventsFrom(asks: Asks, from: Places, to: Places) {
  const found = [];
  for (const [id, place] of Object.entries(to))
    if (place > (from[id] ?? 0)) found.push(...(await eventsAfter(asks, id, from[id] ?? 0)));
  return found;
}
