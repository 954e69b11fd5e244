// The static part: types, lint, format, layering, dead exports. Each is one check, passed or failed.
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { root } from './paths.mjs';

const bin = (name) => join(root, 'node_modules', '.bin', name);

const CHECKS = [
  { name: 'types', command: bin('vue-tsc'), args: ['-p', 'tsconfig.json'] },
  { name: 'core without DOM or Node', command: bin('tsc'), args: ['-p', 'packages/core/tsconfig.json'] },
  { name: 'lint', command: bin('eslint'), args: ['.', '--max-warnings', '0'] },
  { name: 'format', command: bin('prettier'), args: ['--check', '--log-level', 'warn', '.'] },
  { name: 'layering', command: bin('depcruise'), args: ['packages', '--config', '.dependency-cruiser.cjs'] },
  { name: 'dead exports', command: bin('knip'), args: ['--no-progress'] },
];

function run({ command, args }) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] });
    let said = '';
    child.stdout.on('data', (chunk) => (said += chunk));
    child.stderr.on('data', (chunk) => (said += chunk));
    child.on('error', (error) => resolve({ ok: false, said: String(error) }));
    child.on('close', (code) => resolve({ ok: code === 0, said }));
  });
}

/** Runs all, two at a time; prints what failed. */
export async function runChecks() {
  const queue = [...CHECKS];
  const counts = { passed: 0, failed: 0 };
  const worker = async () => {
    for (let check = queue.shift(); check; check = queue.shift()) {
      const started = Date.now();
      const { ok, said } = await run(check);
      console.log(
        `  ${ok ? 'ok' : 'FAILED'}  ${check.name}, ${((Date.now() - started) / 1000).toFixed(1)} s`,
      );
      if (!ok) console.log(said.split('\n').slice(0, 60).join('\n'));
      counts[ok ? 'passed' : 'failed']++;
    }
  };
  await Promise.all([worker(), worker()]);
  return counts;
}
