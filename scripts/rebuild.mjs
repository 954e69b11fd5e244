// npm run rebuild [-- --demo]: reads every log of the real studio anew, from its first event, compares that with what was stored of it
// and says where it differs. The server may go on meanwhile.
import { join } from 'node:path';
import { ensureBuild } from './lib/build.mjs';
import { postgresBin } from './lib/packages.mjs';
import { dataDir, dataFolder } from './lib/paths.mjs';
import { startServer } from './lib/server.mjs';
import { fail, Stop } from './lib/stages.mjs';
import { withCluster } from './lib/with-cluster.mjs';

try {
  const unknown = process.argv.slice(2).filter((flag) => flag !== '--demo');
  if (unknown.length) throw new Stop(`${unknown.join(' ')} is not known here. Flags: --demo.`);
  await ensureBuild();
  await withCluster(async ({ access }) => {
    const environment = {
      NODE_ENV: 'production',
      FINCH_ACCESS_FILE: join(dataDir, 'cluster-access.json'),
      FINCH_CLUSTER: access.mark,
      FINCH_DATABASE: process.argv.includes('--demo') ? 'finch_demo' : 'finch_studio',
      FINCH_DUMPS: dataFolder('dumps'),
      FINCH_PG_BIN: postgresBin(),
    };
    const onMessage = ({ lines, differs }) => {
      for (const line of lines ?? []) console.log(line);
      if (differs) process.exitCode = 1;
    };
    await startServer({ command: 'rebuild', environment, onMessage });
  });
} catch (error) {
  fail(error);
}
