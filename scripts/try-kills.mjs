// Kills `npm start` hard in the middle of each of its stages, in a throwaway clone, and starts it again each time:
// the next start must serve and say that it is well. node scripts/try-kills.mjs [STAGE...]; all take some six minutes.
// With --random N it is killed at N random moments of a start that has everything to make but the packages.
import { spawn, spawnSync } from 'node:child_process';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { root } from './lib/paths.mjs';

const STAGES = ['System packages', 'npm packages', 'Database', 'Build', 'Migrations and data', 'Server'];
const INTO_STAGE_MS = {
  'System packages': 0,
  'npm packages': 5000,
  Database: 300,
  Build: 1500,
  'Migrations and data': 4000,
  Server: 700,
};
const randomly = process.argv.indexOf('--random');
const moments = randomly < 0 ? 0 : Number(process.argv[randomly + 1]) || 20;
/** Of a start with packages and a build: from the database to a while after it serves. */
const LONGEST_MS = 9000;
const asked = randomly < 0 ? process.argv.slice(2) : ['none'];
const stages = STAGES.filter((stage) => asked.length === 0 || asked.includes(stage));
const work = mkdtempSync(join(tmpdir(), 'finch-kills-'));
// Reachable by the system user postgres, so that the whole cluster lies in the clone and goes with it.
chmodSync(work, 0o711);
const clone = join(work, 'clone');

function start() {
  const child = spawn(process.execPath, ['scripts/start.mjs'], {
    cwd: clone,
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  const state = { said: '' };
  child.stdout.on('data', (chunk) => (state.said += chunk));
  child.stderr.on('data', (chunk) => (state.said += chunk));
  const ended = new Promise((resolve) => child.on('close', resolve));
  return { child, state, ended };
}

/** Waits until the text was said; false when the program ended first. */
async function heard({ child, state }, text) {
  while (!state.said.includes(text)) {
    if (child.exitCode !== null || child.signalCode !== null) return false;
    await sleep(20);
  }
  return true;
}

/** `well` when the server says that its database is. */
async function ask(url) {
  try {
    const { ok, database } = await (await fetch(`${url}api/health`)).json();
    return ok && database ? 'well' : 'not well';
  } catch (error) {
    return String(error);
  }
}

async function servesNow() {
  const run = start();
  const began = Date.now();
  const up = await heard(run, 'Zealous Finch is at ');
  const url = /Zealous Finch is at (\S+)/.exec(run.state.said)?.[1];
  const health = up && url ? await ask(url) : 'not up';
  const seconds = ((Date.now() - began) / 1000).toFixed(1);
  run.child.kill('SIGINT');
  await run.ended;
  if (!up) console.log(run.state.said);
  return { health, seconds };
}

const left = () =>
  spawnSync('pgrep', ['-f', clone], { encoding: 'utf8' })
    .stdout.split('\n')
    .filter((pid) => pid && Number(pid) !== process.pid).length;

let failed = 0;
try {
  spawnSync('git', ['clone', '-q', root, clone], { stdio: 'inherit' });
  const killed = async (run) => {
    const during = run.state.said.trimEnd().split('\n').at(-1);
    run.child.kill('SIGKILL');
    await run.ended;
    const { health, seconds } = await servesNow();
    const after = left();
    const fine = health === 'well' && after === 0;
    if (!fine) failed++;
    console.log(
      `${fine ? 'ok' : 'FAILED'}  killed in "${during}"; next start: ${health} after ${seconds} s, processes left ${after}`,
    );
  };
  for (const stage of stages) {
    const run = start();
    if (!(await heard(run, `${stage} ... `))) failed++;
    await sleep(INTO_STAGE_MS[stage]);
    await killed(run);
    // The stages after this one must have work to do again.
    if (stage === 'System packages' || stage === 'npm packages')
      rmSync(join(clone, 'node_modules'), { recursive: true, force: true });
    if (stage !== 'Migrations and data')
      for (const part of ['web', 'server'])
        rmSync(join(clone, 'packages', part, 'dist'), { recursive: true, force: true });
    rmSync(join(clone, '.data'), { recursive: true, force: true });
  }
  if (moments > 0) await servesNow();
  for (let i = 0; i < moments; i++) {
    rmSync(join(clone, '.data'), { recursive: true, force: true });
    const run = start();
    await heard(run, 'npm packages ... ');
    await sleep(Math.random() * LONGEST_MS);
    await killed(run);
  }
} finally {
  rmSync(work, { recursive: true, force: true });
}
const all = stages.length + moments;
console.log(`${all - failed} of ${all} kills survived`);
process.exitCode = failed ? 1 : 0;
