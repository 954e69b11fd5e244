// A long program of the set-up, one of a kind for each checkout. It runs in a process group of its own and goes
// when we go. When we were killed so hard that we could not take it along, the next start ends it first, so that
// two installations never write into one folder.
import { spawn } from 'node:child_process';
import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';

import { dataFolder, root } from './paths.mjs';
import { onExit } from './signals.mjs';

const WAIT_MS = 10_000;
const KEPT_OUTPUT = 20_000;

function groupAlive(pid) {
  try {
    process.kill(-pid, 0);
    return true;
  } catch {
    return false;
  }
}

async function endGroup(pid) {
  for (const signal of ['SIGTERM', 'SIGKILL']) {
    try {
      process.kill(-pid, signal);
    } catch {
      return;
    }
    for (let waited = 0; groupAlive(pid) && waited < WAIT_MS; waited += 50) await sleep(50);
  }
}

/** The pid in a file, when it still is that program of this checkout and no other that got its number. */
function leftOver(file) {
  try {
    const { pid, command } = JSON.parse(readFileSync(file, 'utf8'));
    const running = readFileSync(`/proc/${pid}/cmdline`, 'utf8').replaceAll('\0', ' ');
    const folder = readFileSync(`/proc/${pid}/environ`, 'utf8').split('\0').includes(`FINCH_ROOT=${root}`);
    return folder && running.includes(command) ? pid : null;
  } catch {
    return null;
  }
}

/** Ends what an earlier start of this checkout left running under that name. */
export async function endLeftOver(name) {
  const file = join(dataFolder(), `${name}.pid`);
  if (!existsSync(file)) return;
  const left = leftOver(file);
  if (left) await endGroup(left);
  rmSync(file, { force: true });
}

/** Runs a program to its end. Returns its status and what it said, never rejects for a bad status. */
export async function runAlone(name, command, args, options = {}) {
  await endLeftOver(name);
  const file = join(dataFolder(), `${name}.pid`);
  return new Promise((resolve) => {
    const child = spawn(command, args, {
      cwd: root,
      ...options,
      env: { ...(options.env ?? process.env), FINCH_ROOT: root },
      detached: true,
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    let said = '';
    const hear = (chunk) => (said = (said + chunk).slice(-KEPT_OUTPUT));
    child.stdout.on('data', hear);
    child.stderr.on('data', hear);
    let running = true;
    onExit(() => running && child.pid && endGroup(child.pid));
    if (child.pid) writeFileSync(file, JSON.stringify({ pid: child.pid, command: args[0] ?? command }));
    const end = (status) => {
      running = false;
      rmSync(file, { force: true });
      resolve({ status, said });
    };
    child.on('error', (error) => {
      said += error.message;
      end(1);
    });
    child.on('close', (code) => end(code ?? 1));
  });
}

/** Calls back once when a program ends, with how it ended; at once where it has ended already. */
export function whenEnded(child, call) {
  const how = () => call(child.signalCode ?? `code ${child.exitCode}`);
  if (child.exitCode !== null || child.signalCode !== null) how();
  else child.once('exit', how);
}
