/**
 * The server's commands: `prepare` makes databases, dumps before migrating, migrates and makes the demo;
 * `serve` serves until told to stop. Messages go to the parent process that started it.
 */
import { spawnSync } from 'node:child_process';
import { chmodSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { makeApp } from './app';
import { prepareDemo, prepareStudio } from './demo/prepare';
import { makeClock } from './platform/clock';
import { readConfig, type Config } from './platform/config';
import { appSource, dropDatabase, ensureDatabase, ownerSource } from './platform/database';
import { codeMark } from './platform/code-mark';
import { makeLogger, slowQueryLogger } from './platform/logging';
import { rebuildStudio } from './students/rebuild';
import { makeStates } from './students/states.service';
import { makeWork } from './work/work';

/** Tells the parent; one that was killed meanwhile is told nothing. */
const tell = (message: object): void => {
  if (process.connected) process.send?.(message, undefined, {}, () => undefined);
};

async function migrate(config: Config, database: string): Promise<void> {
  await ensureDatabase(config.access, database);
  const owner = ownerSource({ access: config.access, database });
  await owner.initialize();
  try {
    const known: { exists: boolean }[] = await owner.query(
      "SELECT to_regclass('public.migration') IS NOT NULL AS exists",
    );
    if (known[0].exists && config.dumps && (await owner.showMigrations())) dumpBefore(config, database);
    await owner.runMigrations({ transaction: 'all' });
  } finally {
    await owner.destroy();
  }
}

/** A dump stands before every migration of a database that holds something. */
function dumpBefore(config: Config, database: string): void {
  const file = join(config.dumps ?? '', `${database}-before-migration-${Date.now()}.dump`);
  const env = {
    ...process.env,
    PGHOST: config.access.host,
    PGPORT: String(config.access.port),
    PGUSER: 'postgres',
    PGPASSWORD: config.access.superuser,
  };
  const result = spawnSync(
    join(config.pgBin, 'pg_dump'),
    ['-Fc', '--exclude-table-data=web_session', '-f', file, database],
    {
      env,
      encoding: 'utf8',
    },
  );
  if (result.status !== 0) throw new Error(`no dump before migrating, so no migration: ${result.stderr}`);
  chmodSync(file, 0o600);
}

/** Work that ends with whoever asked for it: killed, they make anew what is half made, and nothing may be in their way. */
async function whileAsked(work: () => Promise<void>): Promise<void> {
  const leave = () => process.exit(1);
  process.on('disconnect', leave);
  if (process.send && !process.connected) leave();
  await work();
  process.off('disconnect', leave);
}

async function prepare(config: Config): Promise<void> {
  const clock = makeClock(config.clockFrom);
  await migrate(config, 'finch_studio');
  await prepareStudio(config, clock);
  if (config.demo === 'no') return;
  if (config.demo === 'again') await dropDatabase(config.access, 'finch_demo');
  await migrate(config, 'finch_demo');
  const note = await prepareDemo(config, clock, async () => {
    await dropDatabase(config.access, 'finch_demo');
    await migrate(config, 'finch_demo');
  });
  tell({ note });
}

/** One who waits is not behind a long one. */
const THREADS = 2;
const WORKER = fileURLToPath(new URL('./worker.js', import.meta.url));
const ROOT = fileURLToPath(new URL('../../..', import.meta.url));

/** Its threads begin while it does. */
async function serve(config: Config): Promise<void> {
  const log = makeLogger(config.logLevel);
  const database = appSource(config, slowQueryLogger(log));
  const webDist = fileURLToPath(new URL('../../web/dist', import.meta.url));
  const { app, close, warm } = makeApp({
    database,
    databaseName: config.database,
    access: config.access,
    clock: makeClock(config.clockFrom),
    log,
    demo: config.demo !== 'no',
    webDist,
    threads: THREADS,
    workerFile: WORKER,
    root: ROOT,
  });
  await database.initialize();
  const server = app.listen(config.port, '127.0.0.1', (error) => {
    if (error) {
      tell({ problem: `Port ${config.port} cannot be used: ${error.message}` });
      process.exit(1);
    }
    tell({ ready: true, port: config.port });
    warm().catch((problem: unknown) => log.warn({ err: problem }, 'warming up'));
  });
  let stopping = false;
  const stop = async () => {
    if (stopping) return;
    stopping = true;
    server.closeAllConnections();
    server.close();
    await close();
    await database.destroy();
    process.exit(0);
  };
  process.on('SIGTERM', stop);
  process.on('SIGINT', stop);
  process.on('disconnect', stop);
  // The parent may have been killed while this program was still loading, before anything listened for it.
  if (process.send && !process.connected) stop();
}

/** Reads every log of a studio anew. */
async function rebuild(config: Config): Promise<void> {
  const database = appSource(config);
  await database.initialize();
  const work = makeWork(WORKER, THREADS, {
    root: ROOT,
    access: config.access,
    databaseName: config.database,
  });
  try {
    const [meta]: { value: string }[] = await database.query("SELECT value FROM meta WHERE key = 'studio'");
    if (!meta) throw new Error('There is no studio in this database yet: run npm start first.');
    const states = makeStates(work, codeMark(ROOT));
    const { lines, differs } = await rebuildStudio(
      database,
      meta.value,
      states,
      work,
      makeClock(config.clockFrom).now(),
    );
    tell({ lines, differs });
  } finally {
    await work.close();
    await database.destroy();
  }
}

const config = readConfig(process.env);
const commands: Record<string, (given: Config) => Promise<void>> = {
  prepare: (given) => whileAsked(() => prepare(given)),
  serve,
  rebuild,
};
const command = commands[process.argv[2]];
if (!command) throw new Error(`commands: ${Object.keys(commands).join(', ')}`);
command(config)
  .then(() => {
    if (process.argv[2] !== 'serve') process.disconnect?.();
  })
  .catch((error: unknown) => {
    tell({ problem: error instanceof Error ? (error.stack ?? error.message) : String(error) });
    process.exitCode = 1;
    process.disconnect?.();
  });
