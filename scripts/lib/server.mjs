// Starts the application's server process, which must have been built, and waits until it says where it listens. The child goes when we go.
import { fork } from 'node:child_process';
import { join } from 'node:path';
import { root } from './paths.mjs';
import { Stop } from './stages.mjs';

const serverEntry = join(root, 'packages', 'server', 'dist', 'main.js');

/** Runs one server command to its end; `serve` keeps running. Returns the child and its first `ready` message. */
export function startServer({ command, environment, onMessage = () => {}, quiet = false }) {
  return new Promise((resolve, reject) => {
    const child = fork(serverEntry, [command], {
      cwd: root,
      execArgv: ['--enable-source-maps'],
      env: { ...process.env, ...environment },
      stdio: ['ignore', quiet ? 'ignore' : 'inherit', quiet ? 'pipe' : 'inherit', 'ipc'],
    });
    let said = '';
    child.stderr?.on('data', (chunk) => (said = (said + chunk).slice(-4000)));
    child.on('message', (message) => {
      if (message?.ready) resolve({ child, ...message });
      else if (message?.problem) reject(new Stop(message.problem));
      else onMessage(message);
    });
    child.on('exit', (code) => {
      if (command !== 'serve' && code === 0) resolve({ child });
      else reject(new Stop(`The server stopped before it was ready (code ${code}).\n${said}`));
    });
  });
}

/** Asks the child to stop and waits for it. */
export function stopServer(child) {
  return new Promise((resolve) => {
    if (child.exitCode !== null || child.signalCode !== null) return resolve();
    const force = setTimeout(() => child.kill('SIGKILL'), 5000);
    child.once('exit', () => {
      clearTimeout(force);
      resolve();
    });
    child.kill('SIGTERM');
  });
}
