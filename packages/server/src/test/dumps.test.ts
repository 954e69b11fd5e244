/** What `npm run restore` takes for a dump of a studio, asked of PostgreSQL's own dumps. */
import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { makeTestWorld, type TestWorld } from './world';

const SCRIPTS = join(__dirname, '../../../../scripts/lib');
const TABLES = ['log_event', 'studio', 'membership', 'student', 'migration'];
let world: TestWorld;
let folder: string;
beforeAll(async () => {
  world = await makeTestWorld();
  folder = mkdtempSync(join(tmpdir(), 'finch-dumps-'));
}, 60_000);
afterAll(async () => {
  rmSync(folder, { recursive: true, force: true });
  await world.end();
});

const asked = (code: string) => {
  const run = spawnSync(process.execPath, ['--input-type=module', '-e', code], { encoding: 'utf8' });
  if (run.status !== 0) throw new Error(run.stderr);
  return run.stdout.trim();
};
const isStudioDump = (file: string) =>
  asked(
    `import { isStudioDump } from ${JSON.stringify(`${SCRIPTS}/dumps.mjs`)}; console.log(isStudioDump(${JSON.stringify(file)}))`,
  );
const pgDump = asked(
  `import { postgresBin } from ${JSON.stringify(`${SCRIPTS}/packages.mjs`)}; console.log(postgresBin())`,
).concat('/pg_dump');

/** A dump of some of what is in the test's database. */
function dumped(name: string, ...which: string[]): string {
  const file = join(folder, name);
  const { host, port } = world.access;
  const args = ['-Fc', '-h', host, '-p', String(port), '-U', 'postgres', '-d', world.databaseName];
  const run = spawnSync(pgDump, [...args, '-f', file, ...which], { encoding: 'utf8' });
  if (run.status !== 0) throw new Error(run.stderr);
  return file;
}

test('a dump of a studio is one', () => {
  expect(isStudioDump(dumped('whole.dump'))).toBe('true');
});

test('a dump that merely has tables of our names is somebody else’s, whoever owns them', async () => {
  expect(isStudioDump(dumped('one.dump', '-t', 'log_event'))).toBe('false');
  expect(isStudioDump(dumped('tables.dump', ...TABLES.flatMap((table) => ['-t', table])))).toBe('false');
});

test('each thing that makes it ours is asked for', () => {
  for (const missing of TABLES)
    expect([missing, isStudioDump(dumped(`no-${missing}.dump`, '-T', missing))]).toEqual([missing, 'false']);
});

test('what is no dump at all is none', () => {
  const file = join(folder, 'words.dump');
  writeFileSync(file, 'TABLE public log_event finch_owner');
  expect(isStudioDump(file)).toBe('false');
});
