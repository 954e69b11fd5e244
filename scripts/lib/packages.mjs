// System packages from Debian and npm packages from the lock file. Imports node: modules only, since it runs
// before anything is installed.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { runAlone } from './child.mjs';
import { root } from './paths.mjs';
import { Stop } from './stages.mjs';

const isRoot = process.getuid?.() === 0;

/** Folder of PostgreSQL's programs, or null; the newest of 15 and later. */
export function postgresBin() {
  const base = '/usr/lib/postgresql';
  if (!existsSync(base)) return null;
  const found = readdirSync(base)
    .map(Number)
    .filter((version) => version >= 15 && existsSync(join(base, String(version), 'bin', 'initdb')))
    .sort((a, b) => b - a)[0];
  return found ? join(base, String(found), 'bin') : null;
}

const chromiumPath = '/usr/bin/chromium';

async function aptInstall(names) {
  const environment = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  // Another installation may hold the lock for a while; one that was killed half-way is finished first.
  const wait = ['-o', 'DPkg::Lock::Timeout=180'];
  const run = (...args) => runAlone('apt-get', 'apt-get', [...wait, ...args], { env: environment });
  const install = () => run('install', '-y', '-q', '--no-install-recommends', ...names);
  let result = await install();
  if (result.status !== 0) {
    spawnSync('dpkg', ['--configure', '-a'], { env: environment });
    await run('update', '-q');
    result = await install();
  }
  if (result.status !== 0) {
    throw new Stop(
      `Installing ${names.join(', ')} did not work:\n${result.said.slice(-800)}\nInstall them by hand, then start again.`,
    );
  }
}

/** Makes sure PostgreSQL (and Chromium with fonts, when asked) is there; installs as root, otherwise says what to do. */
export async function ensureSystemPackages({ chromium = false } = {}) {
  const missing = [];
  if (!postgresBin()) missing.push('postgresql-15');
  if (chromium && !existsSync(chromiumPath)) missing.push('chromium');
  if (missing.length === 0) return 'all there';
  if (!isRoot) {
    throw new Stop(
      `Missing: ${missing.join(', ')}. Ask an administrator for: apt-get install --no-install-recommends ${missing.join(' ')}`,
    );
  }
  if (!existsSync('/usr/bin/apt-get'))
    throw new Stop(`Missing: ${missing.join(', ')}. Install them with this system's package tool.`);
  if (missing.includes('postgresql-15')) {
    // Debian would make and start a cluster of its own; ours is enough.
    mkdirSync('/etc/postgresql-common', { recursive: true });
    if (!existsSync('/etc/postgresql-common/createcluster.conf')) {
      writeFileSync('/etc/postgresql-common/createcluster.conf', 'create_main_cluster = false\n');
    }
  }
  await aptInstall(missing);
  return `installed ${missing.join(', ')}`;
}

/** npm ci from the lock file, once for each lock and Node version; a broken or half-made tree is made again. */
export async function ensureNodePackages() {
  const stampFile = join(root, 'node_modules', '.finch-stamp');
  const lock = readFileSync(join(root, 'package-lock.json'));
  const stamp = createHash('sha256').update(lock).update(process.version).digest('hex');
  if (existsSync(stampFile) && readFileSync(stampFile, 'utf8') === stamp) return 'unchanged';
  const environment = Object.fromEntries(
    Object.entries(process.env).filter(
      ([name]) => !/^(NODE_ENV|INIT_CWD|npm_config_(omit|include|only|production|workspace.*))$/i.test(name),
    ),
  );
  const npm = process.env.npm_execpath ? [process.execPath, process.env.npm_execpath] : ['npm'];
  const args = [...npm.slice(1), 'ci', '--include=dev', '--no-audit', '--no-fund', '--loglevel=error'];
  const result = await runAlone('npm-ci', npm[0], args, { env: environment });
  if (result.status !== 0) {
    throw new Stop(
      `npm ci did not work:\n${result.said.slice(-1500)}\nCheck the connection to the npm registry, then start again.`,
    );
  }
  writeFileSync(stampFile, stamp);
  return 'installed';
}
