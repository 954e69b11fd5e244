/** Everything the server takes from its environment, read once. Secrets stay in the access file. */
import { readFileSync } from 'node:fs';

export interface DatabaseAccess {
  readonly host: string;
  readonly port: number;
  readonly superuser: string;
  readonly owner: string;
  readonly application: string;
  readonly cookie: string;
  /** Names the start of the cluster; see `clusterIs`. */
  readonly mark?: string;
}

export interface Config {
  readonly access: DatabaseAccess;
  readonly database: string;
  readonly port: number;
  /** `yes` keeps a demo that somebody wrote in, `again` makes it anew, `no` serves the real studio. */
  readonly demo: 'yes' | 'again' | 'no';
  /** Folder of dumps made before migrations; null in tests. */
  readonly dumps: string | null;
  readonly pgBin: string;
  /** Fixed start of the server's clock for pictures and browser tests. */
  readonly clockFrom: string | null;
  readonly logLevel: string;
}

export function readConfig(environment: NodeJS.ProcessEnv): Config {
  const file = environment.FINCH_ACCESS_FILE;
  if (!file) throw new Error('FINCH_ACCESS_FILE is not set; start with npm start');
  const access = JSON.parse(readFileSync(file, 'utf8')) as DatabaseAccess;
  // Started for a cluster that is gone: another start has written its own access since.
  if (environment.FINCH_CLUSTER && access.mark !== environment.FINCH_CLUSTER)
    throw new Error('the database this was started for is gone; start with npm start');
  return {
    access,
    database: environment.FINCH_DATABASE ?? 'finch_demo',
    port: Number(environment.FINCH_PORT ?? 4310),
    demo: (environment.FINCH_DEMO as Config['demo'] | undefined) ?? 'no',
    dumps: environment.FINCH_DUMPS ?? null,
    pgBin: environment.FINCH_PG_BIN ?? '/usr/lib/postgresql/15/bin',
    clockFrom: environment.FINCH_CLOCK ?? null,
    logLevel: environment.FINCH_LOG ?? 'warn',
  };
}
