// The server and its database, watched: whichever ends without being asked to is started again.
import { whenEnded } from './child.mjs';
import { startServer, stopServer } from './server.mjs';
import { watch } from './watch.mjs';

/**
 * Serves a prepared cluster until `stop`. `giveUp` is told in words when something does not come back; `say` hears what ended.
 * Returns what stops the server, and its process as it is now.
 */
export async function serveWatched({ cluster, environment, giveUp, say, quiet = false, mostEnds }) {
  let server = null;
  let stopping = false;
  const serve = async () => {
    server = (await startServer({ command: 'serve', environment, quiet })).child;
  };
  const unlessStopping = (again) => async () => stopping || again();
  await serve();
  watch({
    name: 'The database',
    whenEnded: cluster.whenEnded,
    again: unlessStopping(cluster.again),
    giveUp,
    mostEnds,
    say: (words) => stopping || say(words),
  });
  watch({
    name: 'The server',
    whenEnded: (call) => whenEnded(server, call),
    again: unlessStopping(serve),
    giveUp,
    mostEnds,
    say: (words) => stopping || say(words),
  });
  return {
    get pid() {
      return server.pid;
    },
    stop: async () => {
      stopping = true;
      await stopServer(server);
    },
  };
}
