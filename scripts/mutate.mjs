// npm run mutate [words]: makes each small wrong change of scripts/mutants.mjs in a copy of the sources, asks the tests that
// should notice, and says which lived. With words, only those whose file or text holds them all.
import { spawnSync } from 'node:child_process';
import {
  cpSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startCluster } from './lib/cluster.mjs';
import { ensureNodePackages, ensureSystemPackages, postgresBin } from './lib/packages.mjs';
import { dataFolder, root } from './lib/paths.mjs';
import { cleanUpOnSignals, onExit } from './lib/signals.mjs';
import { fail, Stop } from './lib/stages.mjs';
import { MUTANTS } from './mutants.mjs';

/** The sources again, with the packages of the original; the packages of the house are the copy's own. */
function copySources() {
  const copy = mkdtempSync(join(tmpdir(), 'finch-mutants-'));
  for (const name of ['packages', 'scripts', 'docs', 'bench'])
    cpSync(join(root, name), join(copy, name), { recursive: true });
  for (const name of ['package.json', 'tsconfig.json', 'jest.config.mjs'])
    cpSync(join(root, name), join(copy, name));
  const modules = join(copy, 'node_modules');
  mkdirSync(join(modules, '@finch'), { recursive: true });
  for (const name of readdirSync(join(root, 'node_modules')))
    if (name !== '@finch') symlinkSync(join(root, 'node_modules', name), join(modules, name));
  for (const name of readdirSync(join(root, 'node_modules', '@finch')))
    symlinkSync(join(copy, 'packages', name), join(modules, '@finch', name));
  return copy;
}

/** Whether the tests pass, that is, whether nothing noticed. */
function passes(copy, { project, tests }, environment) {
  const { status } = spawnSync(
    process.execPath,
    [
      join('node_modules', 'jest', 'bin', 'jest.js'),
      '--ci',
      '--bail',
      '--silent',
      '--selectProjects',
      project,
      '--testPathPatterns',
      tests,
    ],
    { cwd: copy, stdio: 'ignore', env: { ...process.env, ...environment, NODE_OPTIONS: '' } },
  );
  return status === 0;
}

cleanUpOnSignals();
try {
  dataFolder();
  await ensureNodePackages();
  await ensureSystemPackages();
  const words = process.argv.slice(2);
  const asked = MUTANTS.filter((one) => words.every((word) => `${one.file} ${one.from}`.includes(word)));
  const cluster = asked.some((one) => one.project === 'server')
    ? await startCluster({ name: 'mutant-cluster', trust: true, fast: true })
    : null;
  if (cluster) onExit(() => cluster.stop());
  const environment = cluster ? { FINCH_ACCESS_FILE: cluster.accessFile, FINCH_PG_BIN: postgresBin() } : {};
  const copy = copySources();
  onExit(() => rmSync(copy, { recursive: true, force: true }));
  // Tests that are red anyway notice nothing.
  const green = new Map();
  const isGreen = (mutant) => {
    const key = `${mutant.project} ${mutant.tests}`;
    if (!green.has(key)) green.set(key, passes(copy, mutant, environment));
    return green.get(key);
  };
  const lived = [];
  const lost = [];
  for (const mutant of asked) {
    const file = join(copy, mutant.file);
    const whole = readFileSync(file, 'utf8');
    const name = `${mutant.file}: ${mutant.from.trim().split('\n')[0]} -> ${mutant.to.trim() || 'nothing'}`;
    if (whole.split(mutant.from).length !== 2 && !mutant.from.startsWith('need(')) {
      lost.push(name);
      console.log(`LOST    ${name}`);
      continue;
    }
    if (!isGreen(mutant))
      throw new Stop(
        `The tests ${mutant.tests} of ${mutant.project} fail, or there are none: mend them first.`,
      );
    writeFileSync(file, whole.replace(mutant.from, mutant.to));
    const alive = passes(copy, mutant, environment);
    writeFileSync(file, whole);
    if (alive) lived.push(name);
    console.log(`${alive ? 'LIVED  ' : 'noticed'} ${name}`);
  }
  await cluster?.stop();
  const told = asked.length - lost.length;
  console.log(
    `${told - lived.length} of ${told} noticed, ${Math.round((100 * (told - lived.length)) / Math.max(1, told))} %${lost.length ? `; ${lost.length} no longer stand in the sources` : ''}`,
  );
  rmSync(copy, { recursive: true, force: true });
} catch (error) {
  fail(error);
}
