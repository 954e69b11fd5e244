/**
 * Threads for what takes long: reading logs, planning, weighing grips, printing. One is kept warm; a second comes when there is
 * more to do than one can. What goes wrong there is thrown here, with the code it had.
 */
import { Piscina } from 'piscina';
import type { Outcome, TaskName, Tasks } from './tasks';
import type { WorkerParts } from './worker';

export interface Work {
  readonly run: <N extends TaskName>(name: N, ...asked: Parameters<Tasks[N]>) => ReturnType<Tasks[N]>;
  readonly close: () => Promise<void>;
}

const THREADS = { minThreads: 1, maxThreads: 2, idleTimeout: 60_000 } as const;
/** A thread that grows beyond this is ended, and its task fails instead of the server. */
const MOST_MB = 400;

/** @param file the program of a thread */
export function makeWork(file: string, { root, access, databaseName }: WorkerParts): Work {
  const { host, port, application } = access;
  const pool = new Piscina({
    filename: file,
    ...THREADS,
    resourceLimits: { maxOldGenerationSizeMb: MOST_MB },
    workerData: { root, databaseName, access: { host, port, application } } satisfies WorkerParts,
  });
  return {
    run: <N extends TaskName>(name: N, ...asked: Parameters<Tasks[N]>) => {
      const done = pool.run({ name, asked }).then((outcome: Outcome) => {
        if ('value' in outcome) return outcome.value;
        throw Object.assign(new Error(outcome.fault.message), { code: outcome.fault.code });
      });
      return done as ReturnType<Tasks[N]>;
    },
    close: () => pool.destroy(),
  };
}
