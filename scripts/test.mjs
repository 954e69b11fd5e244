// npm test: set-up, static checks, unit tests, tests over real HTTP and PostgreSQL, browser tests. Ends with one
// plain line that sums up every runner. Words after -- choose parts: check, unit, server, browser.
import { spawn } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureBuild } from './lib/build.mjs';
import { runChecks } from './lib/checks.mjs';
import { startCluster } from './lib/cluster.mjs';
import { ensureNodePackages, ensureSystemPackages, postgresBin } from './lib/packages.mjs';
import { dataFolder, root } from './lib/paths.mjs';
import { cleanUp, cleanUpOnSignals, onExit } from './lib/signals.mjs';
import { fail, stage } from './lib/stages.mjs';

const parts = process.argv.slice(2);
const wanted = (part) => parts.length === 0 || parts.includes(part);
const total = { passed: 0, failed: 0 };
const add = ({ passed, failed }) => {
  total.passed += passed;
  total.failed += failed;
};
const results = mkdtempSync(join(tmpdir(), 'finch-results-'));

function run(command, args, environment = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, {
      cwd: root,
      stdio: ['ignore', 'inherit', 'inherit'],
      env: { ...process.env, ...environment },
    });
    child.on('error', () => resolve(1));
    child.on('close', resolve);
  });
}

/** A runner that leaves no readable report counts as one failure. */
function report(file, read) {
  try {
    return read(JSON.parse(readFileSync(file, 'utf8')));
  } catch {
    return { passed: 0, failed: 1 };
  }
}

async function jest(name, projects, environment, more = []) {
  const file = join(results, `${name}.json`);
  const args = [
    join(root, 'node_modules', 'jest', 'bin', 'jest.js'),
    '--ci',
    '--json',
    `--outputFile=${file}`,
    '--silent',
    '--selectProjects',
    ...projects,
    ...more,
  ];
  await run(process.execPath, args, { ...environment, NODE_OPTIONS: '' });
  add(
    report(file, ({ numPassedTests, numFailedTests, numRuntimeErrorTestSuites }) => ({
      passed: numPassedTests,
      failed: numFailedTests + numRuntimeErrorTestSuites + (numPassedTests + numFailedTests === 0 ? 1 : 0),
    })),
  );
}

async function browser() {
  const file = join(results, 'browser.json');
  const args = [join(root, 'node_modules', '@playwright', 'test', 'cli.js'), 'test'];
  await run(process.execPath, args, { PLAYWRIGHT_JSON_OUTPUT_NAME: file, FORCE_COLOR: '0' });
  add(
    report(file, ({ stats }) => ({
      passed: stats.expected + stats.flaky,
      failed: stats.unexpected + (stats.expected + stats.unexpected + stats.flaky === 0 ? 1 : 0),
    })),
  );
}

async function main() {
  cleanUpOnSignals();
  await stage('System packages', () => ensureSystemPackages({ chromium: wanted('browser') }));
  await stage('npm packages', () => ensureNodePackages());
  dataFolder();
  if (wanted('check')) {
    console.log('Static checks');
    add(await runChecks());
  }
  if (wanted('unit')) await jest('unit', ['core', 'web']);
  if (wanted('server')) {
    const cluster = await startCluster({ name: 'test-cluster', trust: true, fast: true });
    onExit(() => cluster.stop());
    // One after the other: beside each other they and the database are slower than the clock of a test.
    const access = { FINCH_ACCESS_FILE: cluster.accessFile, FINCH_PG_BIN: postgresBin() };
    await jest('server', ['server'], access, ['--maxWorkers=1']);
    await cluster.stop();
    console.log('Faults: server, database and connections killed under twenty clients');
    const well = (await run(process.execPath, [join(root, 'scripts', 'chaos.mjs'), '30'])) === 0;
    add({ passed: well ? 1 : 0, failed: well ? 0 : 1 });
  }
  if (wanted('browser')) {
    await stage('Build', () => ensureBuild());
    await browser();
  }
}

main()
  .catch((error) => {
    fail(error);
    total.failed++;
  })
  .finally(async () => {
    await cleanUp();
    if (existsSync(results)) rmSync(results, { recursive: true, force: true });
    console.log(`${total.passed} passed, ${total.failed} failed`);
    process.exitCode = total.failed || total.passed === 0 ? 1 : 0;
  });
