// Ctrl-C, SIGTERM and SIGHUP run the same clean-up once, newest first, and leave nothing behind.
const tasks = [];
let running = null;
let signalled = false;

export function onExit(task) {
  tasks.push(task);
}

/** Whether the end has begun, so that what ends now is no surprise. */
export const isEnding = () => signalled || running !== null;

export function cleanUp() {
  running ??= (async () => {
    while (tasks.length) {
      try {
        await tasks.pop()();
      } catch (error) {
        console.error(error.message);
      }
    }
  })();
  return running;
}

export function cleanUpOnSignals() {
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) {
    process.on(signal, async () => {
      signalled = true;
      await cleanUp();
      process.exit(signal === 'SIGINT' ? 130 : 143);
    });
  }
}
