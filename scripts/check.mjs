// npm run check: the static part alone.
import { runChecks } from './lib/checks.mjs';
import { ensureNodePackages } from './lib/packages.mjs';
import { fail, stage } from './lib/stages.mjs';

try {
  await stage('npm packages', () => ensureNodePackages());
  const { passed, failed } = await runChecks();
  console.log(`${passed} passed, ${failed} failed`);
  process.exitCode = failed ? 1 : 0;
} catch (error) {
  fail(error);
}
