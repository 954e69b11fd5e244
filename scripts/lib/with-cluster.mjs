// Runs work on this checkout's cluster: on the one that is being served, or on one started for the moment.
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { spawnSync } from 'node:child_process';
import { startCluster } from './cluster.mjs';
import { postgresBin } from './packages.mjs';
import { dataDir } from './paths.mjs';
import { Stop } from './stages.mjs';

export async function withCluster(work) {
  const accessFile = join(dataDir, 'cluster-access.json');
  if (!existsSync(accessFile)) throw new Stop('There is no studio yet: run npm start first.');
  const access = JSON.parse(readFileSync(accessFile, 'utf8'));
  const isUp =
    spawnSync(join(postgresBin(), 'pg_isready'), ['-q', '-h', '127.0.0.1', '-p', String(access.port)])
      .status === 0;
  if (isUp) return work({ port: access.port, access });
  const cluster = await startCluster({ name: 'cluster' });
  try {
    return await work(cluster);
  } finally {
    await cluster.stop();
  }
}
