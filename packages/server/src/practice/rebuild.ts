/** Every log read anew from its first event, compared with what was stored of it, and stored again. */
import { serialize } from 'node:v8';
import { isDeepStrictEqual } from 'node:util';
import { stateAt, type LogSoFar } from '@finch/core/mastery';
import type { Asks } from '../platform/database';
import { eventsFrom, readerFor, usable, type LogsToRead, type LogToRead, type Places } from './log-reading';
import { keepSnapshot, logHeads, snapshotsOf } from './log-reading.repository';

export interface Rebuilt {
  readonly studentId: string;
  readonly events: number;
  /** What was stored, with what was logged since: as it is read anew, otherwise, or nothing that could be compared. */
  readonly stored: 'same' | 'otherwise' | 'nothing';
  /** Where they differ in a number on screen: 0 to 1, null for not met. */
  readonly skills: readonly {
    readonly skillId: string;
    readonly stored: number | null;
    readonly anew: number | null;
  }[];
}

/** Reads in a transaction that is in the studio already and sees one instant. */
export async function rebuildLogs(asks: Asks, asked: LogsToRead): Promise<Rebuilt[]> {
  const heads = await logHeads(
    asks,
    asked.students.flatMap((one) => [one.studentId, ...one.doubles]),
  );
  const stored = await snapshotsOf(
    asks,
    asked.students.map((one) => one.studentId),
  );
  const rebuilt: Rebuilt[] = [];
  for (const one of asked.students) {
    const { studentId, ground } = one;
    const places: Places = Object.fromEntries(
      [studentId, ...one.doubles].map((id) => [id, heads.get(id) ?? 0]),
    );
    const reader = readerFor(one, asked);
    const events = await eventsFrom(asks, {}, places);
    const anew = reader.read(events, asked.now);
    const before = usable(
      stored.find((row) => row.studentId === studentId),
      one,
      places,
    );
    const told = before && reader.add(before.sofar, await eventsFrom(asks, before.places, places), asked.now);
    const same = told && isDeepStrictEqual(told, anew);
    rebuilt.push({
      studentId,
      events: events.length,
      stored: told ? (same ? 'same' : 'otherwise') : 'nothing',
      skills: told && !same ? differing(told, anew, one, asked) : [],
    });
    if (events.length > 0)
      await keepSnapshot(asks, asked.studioId, { studentId, ground, places, body: serialize(anew) });
  }
  return rebuilt;
}

function differing(
  told: LogSoFar,
  anew: LogSoFar,
  { timeZone }: LogToRead,
  { syllabus, now }: LogsToRead,
): Rebuilt['skills'] {
  const chances = (sofar: LogSoFar) =>
    stateAt(sofar.skills, { syllabus, timeZone }, now).skills.map(({ skillId, chance }) => ({
      skillId,
      chance: chance?.mean ?? null,
    }));
  const right = chances(anew);
  return chances(told).flatMap(({ skillId, chance }, i) =>
    chance === right[i].chance ? [] : [{ skillId, stored: chance, anew: right[i].chance }],
  );
}
