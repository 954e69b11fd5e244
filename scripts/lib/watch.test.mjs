/** What is watched comes back, is tried twice, and is given up when it ends again and again; under a clock of the test's own. */
import { watch } from './watch.mjs';

function watched({ again = async () => true, mostEnds = 3 } = {}) {
  const told = { said: [], gaveUp: [], started: 0 };
  let clock = 0;
  let call = null;
  watch({
    name: 'The server',
    whenEnded: (ended) => (call = ended),
    again: () => {
      told.started++;
      return again(told.started);
    },
    giveUp: (words) => told.gaveUp.push(words),
    say: (words) => told.said.push(words),
    mostEnds,
    now: () => clock,
  });
  /** Ends it; whoever watches hears of it once, as of a program. */
  const end = async (how, after = 0) => {
    clock += after;
    const heard = call;
    call = null;
    await heard?.(how);
  };
  return { told, end, isWatched: () => call !== null };
}

test('one that ends is started again, that is said, and it is watched again', async () => {
  const { told, end, isWatched } = watched();
  await end('killed by SIGKILL');
  expect(told).toEqual({
    said: ['The server ended (killed by SIGKILL); starting it again.', 'The server is back after 0.0 s.'],
    gaveUp: [],
    started: 1,
  });
  expect(isWatched()).toBe(true);
});

test('one that does not come back at first is tried once more; then it is given up and watched no longer', async () => {
  const second = watched({ again: async (tries) => tries > 1 });
  await second.end('code 1');
  expect([second.told.started, second.told.gaveUp, second.isWatched()]).toEqual([2, [], true]);
  const never = watched({ again: () => Promise.reject(new Error('the port is taken')) });
  await never.end('code 1');
  expect(never.told.started).toBe(2);
  expect(never.told.said).toContain('the port is taken');
  expect(never.told.gaveUp).toEqual(['The server did not come back. Nothing that was stored is lost.']);
  expect(never.isWatched()).toBe(false);
});

test('one that ends again and again within a minute is given up; over a longer time it is not', async () => {
  const often = watched();
  for (let i = 0; i < 4; i++) await often.end('code 1', 1000);
  expect(often.told.started).toBe(3);
  expect(often.told.gaveUp).toEqual([
    'The server ended 4 times within a minute (code 1). Nothing that was stored is lost.',
  ]);
  const seldom = watched();
  for (let i = 0; i < 8; i++) await seldom.end('code 1', 25_000);
  expect([seldom.told.started, seldom.told.gaveUp]).toEqual([8, []]);
});
