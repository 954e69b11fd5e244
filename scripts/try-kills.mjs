// Kills `npm start` hard in the middle of each of its stages, in a throwaway clone, and starts it again each time:
// the next start must serve and say that it is well. node scripts/try-kills.mjs [STAGE...]; all take some six minutes.
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
const asked = process.argv.slice(2);
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
  for (const stage of stages) {
    const run = start();
    const reached = await heard(run, `${stage} ... `);
    await sleep(INTO_STAGE_MS[stage]);
    const during = run.state.said.trimEnd().split('\n').at(-1);
    run.child.kill('SIGKILL');
    await run.ended;
    const { health, seconds } = await servesNow();
    const after = left();
    const fine = reached && health === 'well' && after === 0;
    if (!fine) failed++;
    console.log(
      `${fine ? 'ok' : 'FAILED'}  killed in "${during}"; next start: ${health} after ${seconds} s, processes left ${after}`,
    );
    // The stages after this one must have work to do again.
    if (stage === 'System packages' || stage === 'npm packages')
      rmSync(join(clone, 'node_modules'), { recursive: true, force: true });
    if (stage !== 'Migrations and data')
      rmSync(join(clone, 'packages/web/dist'), { recursive: true, force: true });
    rmSync(join(clone, '.data'), { recursive: true, force: true });
  }
} finally {
  rmSync(work, { recursive: true, force: true });
}
console.log(`${stages.length - failed} of ${stages.length} stages survived a kill`);
process.exitCode = failed ? 1 : 0;
