// Runs a TypeScript program of the repository with everything it needs in place: node scripts/with-setup.mjs FILE ARGS
import { spawnSync } from 'node:child_process';
import { ensureNodePackages } from './lib/packages.mjs';
import { root } from './lib/paths.mjs';
import { fail } from './lib/stages.mjs';

try {
  await ensureNodePackages();
  const result = spawnSync(process.execPath, ['--expose-gc', '--import', 'tsx', ...process.argv.slice(2)], {
    cwd: root,
    stdio: 'inherit',
  });
  process.exitCode = result.status ?? 1;
} catch (error) {
  fail(error);
}
