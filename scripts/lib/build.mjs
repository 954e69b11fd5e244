// Builds the browser application when its sources changed since the last build.
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { runAlone } from './child.mjs';
import { root } from './paths.mjs';
import { Stop } from './stages.mjs';

const SOURCES = [
  'packages/core/src',
  'packages/contract/src',
  'packages/web/src',
  'packages/web/public',
  'packages/web/index.html',
  'packages/web/vite.config.ts',
  'package-lock.json',
];

function addTo(hash, path) {
  if (!existsSync(path)) return;
  if (statSync(path).isDirectory()) {
    for (const name of readdirSync(path).sort()) addTo(hash, join(path, name));
  } else if (!/\.test\.ts$/.test(path)) hash.update(path).update(readFileSync(path));
}

export async function ensureBuild() {
  const hash = createHash('sha256');
  for (const source of SOURCES) addTo(hash, join(root, source));
  const stamp = hash.digest('hex');
  const web = join(root, 'packages', 'web');
  const stampFile = join(web, 'dist', '.finch-stamp');
  if (existsSync(stampFile) && readFileSync(stampFile, 'utf8') === stamp) return 'unchanged';
  const vite = join(root, 'node_modules', 'vite', 'bin', 'vite.js');
  const result = await runAlone('build', process.execPath, [vite, 'build', '--logLevel', 'warn'], {
    cwd: web,
    env: { ...process.env, NODE_ENV: 'production' },
  });
  if (result.status !== 0) throw new Stop(`The build did not work:\n${result.said}`);
  writeFileSync(stampFile, stamp);
  return 'built';
}
