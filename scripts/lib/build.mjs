// Builds the browser application and the server when their sources changed since the last build.
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { runAlone } from './child.mjs';
import { root } from './paths.mjs';
import { Stop } from './stages.mjs';

const SHARED = ['packages/core/src', 'packages/contract/src', 'package-lock.json'];
const PARTS = [
  { name: 'web', own: ['src', 'public', 'index.html', 'vite.config.ts'] },
  { name: 'server', own: ['src', 'vite.config.ts'] },
];

function addTo(hash, path) {
  if (!existsSync(path)) return;
  if (statSync(path).isDirectory()) {
    for (const name of readdirSync(path).sort()) addTo(hash, join(path, name));
  } else if (!/\.test\.ts$/.test(path)) hash.update(path).update(readFileSync(path));
}

/** Builds what is not as its sources are; says whether anything was. */
export async function ensureBuild() {
  let built = false;
  for (const part of PARTS) built = (await ensurePart(part)) || built;
  return built ? 'built' : 'unchanged';
}

async function ensurePart({ name, own }) {
  const folder = join(root, 'packages', name);
  const hash = createHash('sha256');
  for (const source of SHARED) addTo(hash, join(root, source));
  for (const source of own) addTo(hash, join(folder, source));
  const stamp = hash.digest('hex');
  const stampFile = join(folder, 'dist', '.finch-stamp');
  if (existsSync(stampFile) && readFileSync(stampFile, 'utf8') === stamp) return false;
  const vite = join(root, 'node_modules', 'vite', 'bin', 'vite.js');
  const result = await runAlone(`build-${name}`, process.execPath, [vite, 'build', '--logLevel', 'warn'], {
    cwd: folder,
    env: { ...process.env, NODE_ENV: 'production' },
  });
  if (result.status !== 0) throw new Stop(`The build of ${name} did not work:\n${result.said}`);
  writeFileSync(stampFile, stamp);
  return true;
}
