// npm run backup [FILE]: dumps the real studio (never the demo) into a file only its owner can read.
import { dataFolder } from './lib/paths.mjs';
import { existsSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { dump } from './lib/cluster.mjs';
import { withCluster } from './lib/with-cluster.mjs';

import { fail, Stop } from './lib/stages.mjs';

const wanted = process.argv[2];
try {
  const stamp = new Date().toISOString().replaceAll(':', '-').slice(0, 19);
  const file = wanted ? resolve(wanted) : join(dataFolder('dumps'), `studio-${stamp}.dump`);
  if (existsSync(file)) throw new Stop(`${file} is there already; give another name.`);
  await withCluster((cluster) => dump(cluster, 'finch_studio', file));
  console.log(`The studio is in ${file}`);
} catch (error) {
  fail(error);
}
