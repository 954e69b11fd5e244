// npm start: from a bare machine to a served studio. Flags: --empty serves the real studio instead of the demo,
// --reset makes the demo again and touches nothing else.
import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensureBuild } from './lib/build.mjs';
import { startCluster } from './lib/cluster.mjs';
import { ensureNodePackages, ensureSystemPackages, postgresBin } from './lib/packages.mjs';
import { dataDir, dataFolder } from './lib/paths.mjs';
import { freePortFrom, isFree } from './lib/ports.mjs';
import { startServer } from './lib/server.mjs';
import { serveWatched } from './lib/serving.mjs';
import { cleanUp, cleanUpOnSignals, onExit } from './lib/signals.mjs';
import { fail, stage, Stop } from './lib/stages.mjs';

const USUAL_PORT = 4310;
const empty = process.argv.includes('--empty');
const reset = process.argv.includes('--reset');
const unknown = process.argv.slice(2).filter((flag) => !['--empty', '--reset'].includes(flag));

function refuseSecondStart() {
  const file = join(dataDir, 'running.json');
  if (!existsSync(file)) return;
  try {
    const { pid, url } = JSON.parse(readFileSync(file, 'utf8'));
    const command = readFileSync(`/proc/${pid}/cmdline`, 'utf8');
    if (command.includes('start.mjs'))
      throw new Stop(
        `This checkout is already being served at ${url} (process ${pid}). Stop that one first.`,
      );
  } catch (error) {
    if (error instanceof Stop) throw error;
  }
  rmSync(file, { force: true });
}

/** The port that was asked for in PORT; null where any will do. */
async function portAsked() {
  const fixed = process.env.PORT;
  if (fixed === undefined) return null;
  const port = Number(fixed);
  if (!(Number.isInteger(port) && port > 0 && port < 65536))
    throw new Stop(`PORT=${fixed} is no port; use a number from 1 to 65535.`);
  if (!(await isFree(port)))
    throw new Stop(`Port ${port} is taken by another program. Leave PORT out, or give a free one.`);
  return port;
}

/** Chosen just before it is used: another start may take it meanwhile. */
async function freePort() {
  const port = await freePortFrom(USUAL_PORT);
  if (port !== USUAL_PORT) console.log(`Port ${USUAL_PORT} is taken; using ${port}.`);
  return port;
}

async function main() {
  if (unknown.length) throw new Stop(`${unknown.join(' ')} is not known here. Flags: --empty, --reset.`);
  cleanUpOnSignals();
  refuseSecondStart();
  dataFolder();
  const asked = await portAsked();
  const runningFile = join(dataDir, 'running.json');
  writeFileSync(runningFile, JSON.stringify({ pid: process.pid, url: 'starting' }));
  onExit(() => rmSync(runningFile, { force: true }));

  await stage('System packages', () => ensureSystemPackages());
  await stage('npm packages', () => ensureNodePackages());
  let cluster;
  await stage('Database', async () => {
    cluster = await startCluster({ name: 'cluster' });
    onExit(() => cluster.stop());
    return cluster.made ? 'made' : undefined;
  });
  await stage('Build', () => ensureBuild());
  const database = empty ? 'finch_studio' : 'finch_demo';
  const environment = {
    NODE_ENV: 'production',
    FINCH_ACCESS_FILE: cluster.accessFile,
    FINCH_CLUSTER: cluster.mark,
    FINCH_DATABASE: database,
    FINCH_DUMPS: dataFolder('dumps'),
    FINCH_PG_BIN: postgresBin(),
    FINCH_DEMO: empty ? 'no' : reset ? 'again' : 'yes',
  };
  await stage('Migrations and data', async () => {
    let note;
    await startServer({
      command: 'prepare',
      environment,
      onMessage: (message) => (note = message?.note ?? note),
    });
    return note;
  });
  const giveUp = async (words) => {
    console.error(`${words}\nStart again with npm start.`);
    process.exitCode = 1;
    await cleanUp();
    process.exit();
  };
  const port = asked ?? (await freePort());
  const served = { ...environment, FINCH_PORT: String(port) };
  await stage('Server', async () => {
    const serving = await serveWatched({ cluster, environment: served, giveUp, say: console.error });
    onExit(() => serving.stop());
  });
  const url = `http://localhost:${port}/`;
  writeFileSync(runningFile, JSON.stringify({ pid: process.pid, url }));
  console.log(`\nZealous Finch is at ${url}`);
}

main().catch(async (error) => {
  fail(error);
  await cleanUp();
});
