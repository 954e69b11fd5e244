// A world for browser tests and pictures: a fast cluster of its own, the demo made under a fixed clock, and a
// server that can be stopped and started again on the same port.
import { ensureBuild } from './build.mjs';
import { startCluster } from './cluster.mjs';
import { anyFreePort } from './ports.mjs';
import { startServer, stopServer } from './server.mjs';
import { ensureSystemPackages, postgresBin } from './packages.mjs';

/** A Tuesday in June, 15:52 in the demo studio's zone. */
export const FIXED_NOW = '2026-06-09T14:52:00.000Z';

export async function makeWorld({ name = 'test-cluster', clock = FIXED_NOW, empty = false } = {}) {
  await ensureSystemPackages();
  await ensureBuild();
  const cluster = await startCluster({ name, trust: true, fast: true, fresh: empty });
  const port = await anyFreePort();
  const database = empty ? 'finch_studio' : 'finch_demo';
  const environment = {
    NODE_ENV: 'production',
    FINCH_ACCESS_FILE: cluster.accessFile,
    FINCH_CLUSTER: cluster.mark,
    FINCH_DATABASE: database,
    FINCH_PORT: String(port),
    FINCH_PG_BIN: postgresBin(),
    FINCH_DEMO: empty ? 'no' : 'again',
    FINCH_CLOCK: clock,
  };
  let child = null;
  let since = 0;
  const world = {
    cluster,
    port,
    url: `http://localhost:${port}`,
    environment,
    /** Process of the server; null while none serves. */
    get pid() {
      return child?.pid ?? null;
    },
    /** Serves; after `stop` it comes back on the same port with the same data. */
    start: async () => {
      ({ child } = await startServer({
        command: 'serve',
        environment: { ...environment, FINCH_DEMO: empty ? 'no' : 'yes' },
        quiet: true,
      }));
      since = Date.now();
    },
    /** Its clock has not run on by more than this since its fixed start; else it is started anew. */
    within: async (milliseconds) => {
      if (child && Date.now() - since < milliseconds) return;
      await world.stop();
      await world.start();
    },
    stop: async () => {
      if (child) await stopServer(child);
      child = null;
    },
    end: async () => {
      await world.stop();
      await cluster.stop();
    },
  };
  try {
    await startServer({ command: 'prepare', environment, quiet: true });
    await world.start();
  } catch (error) {
    await cluster.stop();
    throw error;
  }
  return world;
}

export const CHROMIUM = {
  executablePath: '/usr/bin/chromium',
  chromiumSandbox: false,
  args: [
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    '--autoplay-policy=no-user-gesture-required',
  ],
};
