/**
 * What each student's log told so far, in memory: read on a worker thread, once however many ask, and again only when something
 * was logged or the ground changed. A cache that may always be thrown away.
 */
import type { DifficultyFit } from '@finch/core/hands';
import { isDated, type LogSoFar } from '@finch/core/mastery';
import { Refusal } from '../platform/problems';
import type { LogRead, LogToRead, Places } from '../practice/log-reading';
import type { SyllabusVersion } from '../syllabus/syllabus.service';
import type { Work } from '../work/work';

/** A log that must be known as far as its places. */
export interface WantedLog extends LogToRead {
  readonly places: Places;
}

/** What every log of a studio is read by. */
export interface ReadingGround {
  readonly syllabus: SyllabusVersion;
  readonly fit: DifficultyFit;
}

export interface LogBook {
  /** What every log wanted says, by student. Refuses with 503 where they cannot all be read in a few seconds: reading goes on. */
  readonly read: (
    studioId: string,
    ground: ReadingGround,
    wanted: readonly WantedLog[],
    now: number,
  ) => Promise<ReadonlyMap<string, LogSoFar>>;
  readonly forget: (studentId: string) => void;
}

/** Students read in one task. */
const CHUNK = 16;
const PATIENCE_MS = 8_000;

const isKnown = (known: LogRead | undefined, wanted: WantedLog, now: number): boolean =>
  known?.ground === wanted.ground &&
  Object.keys(known.places).length === Object.keys(wanted.places).length &&
  Object.entries(wanted.places).every(([id, place]) => (known.places[id] ?? -1) >= place) &&
  !isDated(known.sofar, wanted, now);

export function makeLogBook(work: Work): LogBook {
  const known = new Map<string, LogRead>();
  const reading = new Map<string, Promise<void>>();

  const begin = (
    studioId: string,
    { syllabus, fit }: ReadingGround,
    students: readonly WantedLog[],
    now: number,
  ): void => {
    const asked = { studioId, syllabus: syllabus.content, difficultyFit: fit, students, now };
    const done = work.run('readLogs', asked).then((read) => {
      for (const one of read) known.set(one.studentId, one);
    });
    for (const { studentId } of students) {
      const one = done.finally(() => reading.delete(studentId));
      // Whoever waits hears of it; nobody may be waiting any more.
      one.catch(() => undefined);
      reading.set(studentId, one);
    }
  };

  return {
    read: async (studioId, ground, wanted, now) => {
      const until = Date.now() + PATIENCE_MS;
      for (;;) {
        const missing = wanted.filter((one) => !isKnown(known.get(one.studentId), one, now));
        if (missing.length === 0) break;
        if (Date.now() >= until)
          throw new Refusal(
            'server.reading',
            'log',
            `${wanted.length - missing.length} of ${wanted.length} students`,
          );
        const idle = missing.filter((one) => !reading.has(one.studentId));
        for (let i = 0; i < idle.length; i += CHUNK) begin(studioId, ground, idle.slice(i, i + CHUNK), now);
        // A reading that began before something was logged does not know it: then the next round begins another.
        await within(
          Promise.all(missing.map((one) => reading.get(one.studentId))),
          Math.max(0, until - Date.now()),
        );
      }
      return new Map(
        wanted.flatMap(({ studentId }) => {
          const one = known.get(studentId);
          return one ? [[studentId, one.sofar] as const] : [];
        }),
      );
    },
    forget: (studentId) => void known.delete(studentId),
  };
}

async function within(work: Promise<unknown>, ms: number): Promise<void> {
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<void>((resolve) => (timer = setTimeout(resolve, ms)));
  try {
    await Promise.race([work, late]);
  } finally {
    clearTimeout(timer);
  }
}
