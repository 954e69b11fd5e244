import { createServer } from 'node:net';

function canListen(port) {
  return new Promise((resolve) => {
    const server = createServer();
    server.once('error', () => resolve(0));
    server.listen({ port, host: '127.0.0.1', exclusive: true }, () => {
      const found = server.address().port;
      server.close(() => resolve(found));
    });
  });
}

/** Any free port on loopback. */
export async function anyFreePort() {
  return canListen(0);
}

export async function isFree(port) {
  return (await canListen(port)) !== 0;
}

/** The first free port from a wanted one on. */
export async function freePortFrom(wanted) {
  for (let port = wanted; port < wanted + 200; port++) if (await isFree(port)) return port;
  return anyFreePort();
}
