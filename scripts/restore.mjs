// npm run restore FILE: puts a dump in the place of the real studio. What was there is dumped first.
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { dump, superuserEnvironment } from './lib/cluster.mjs';
import { isStudioDump } from './lib/dumps.mjs';
import { postgresBin } from './lib/packages.mjs';
import { dataFolder } from './lib/paths.mjs';
import { fail, Stop } from './lib/stages.mjs';
import { withCluster } from './lib/with-cluster.mjs';

try {
  const wanted = process.argv[2];
  if (!wanted) throw new Stop('Say which file: npm run restore -- FILE');
  const file = resolve(wanted);
  if (!existsSync(file)) throw new Stop(`${file} is not there.`);
  if (!isStudioDump(file)) throw new Stop(`${file} is no dump of a studio; nothing was changed.`);
  await withCluster((cluster) => {
    const before = join(dataFolder('dumps'), `studio-before-restore-${Date.now()}.dump`);
    dump(cluster, 'finch_studio', before);
    const env = superuserEnvironment(cluster);
    const run = (program, args) => {
      const result = spawnSync(join(postgresBin(), program), args, { env, encoding: 'utf8' });
      if (result.status !== 0)
        throw new Stop(`${program} did not work:\n${result.stderr}\nWhat was there before is in ${before}`);
    };
    // Into a new database first, so that a broken dump leaves the old one standing.
    run('dropdb', ['--if-exists', 'finch_restoring']);
    run('createdb', ['-O', 'finch_owner', 'finch_restoring']);
    run('pg_restore', ['--exit-on-error', '-d', 'finch_restoring', file]);
    run('dropdb', ['--force', 'finch_studio']);
    run('psql', ['-q', '-d', 'postgres', '-c', 'ALTER DATABASE finch_restoring RENAME TO finch_studio']);
    console.log(`The studio is as it was in ${file}; what was there before is in ${before}`);
  });
} catch (error) {
  fail(error);
}
