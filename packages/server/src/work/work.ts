/**
 * Threads for what takes long: reading logs, planning, weighing grips, printing. Two, so that one
 * who waits is not behind a long one. What goes wrong there is thrown here, with the code it had.
 */
import { Piscina } from 'piscina';
import type { Outcome, TaskName, Tasks } from './tasks';
import type { WorkerParts } from './worker';

/** Thrown for a task that was asked for as the server ended. */
class Closed extends Error {}
export const isClosed = (problem: unknown): boolean => problem instanceof Closed;

export interface Work {
  readonly run: <N extends TaskName>(name: N, ...asked: Parameters<Tasks[N]>) => ReturnType<Tasks[N]>;
  readonly close: () => Promise<void>;
}

/** A thread that grows beyond this is ended, and its task fails instead of the server. */
const MOST_MB = 400;

/** @param file the program of a thread */
export function makeWork(file: string, threads: number, parts: WorkerParts): Work {
  const { root, access, databaseName } = parts;
  const { host, port, application } = access;
  const pool = new Piscina({
    filename: file,
    minThreads: threads,
    maxThreads: threads,
    resourceLimits: { maxOldGenerationSizeMb: MOST_MB },
    workerData: { root, databaseName, access: { host, port, application } } satisfies WorkerParts,
  });
  let closed = false;
  return {
    run: <N extends TaskName>(name: N, ...asked: Parameters<Tasks[N]>) => {
      const done = pool.run({ name, asked }).then(
        (outcome: Outcome) => {
          if ('value' in outcome) return outcome.value;
          throw Object.assign(new Error(outcome.fault.message), { code: outcome.fault.code });
        },
        (problem: unknown) => {
          throw closed ? new Closed('the server is ending') : problem;
        },
      );
      return done as ReturnType<Tasks[N]>;
    },
    close: () => {
      closed = true;
      return pool.destroy();
    },
  };
}
