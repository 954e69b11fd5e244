import { makeFlight } from './flight';

const held = () => {
  let free: () => void = () => undefined;
  const wait = new Promise<void>((resolve) => (free = resolve));
  return { wait, free: () => free() };
};

test('who comes while one is on its way shares the next, which begins after they asked', async () => {
  const gates = [held(), held(), held()];
  let begun = 0;
  const flight = makeFlight(async () => {
    const mine = begun++;
    await gates[mine].wait;
    return mine;
  });
  const first = flight.join();
  const [second, third] = [flight.join(), flight.join()];
  expect(begun).toBe(1);
  gates[0].free();
  expect(await first).toBe(0);
  await Promise.resolve();
  gates[1].free();
  expect(await Promise.all([second, third])).toEqual([1, 1]);
  gates[2].free();
  expect(await flight.join()).toBe(2);
});

test('one that fails fails for who shares it, and the next is tried', async () => {
  let asked = 0;
  const flight = makeFlight(async () => {
    if (asked++ === 0) throw new Error('no');
    return asked;
  });
  const first = flight.join();
  const next = flight.join();
  await expect(first).rejects.toThrow('no');
  expect(await next).toBe(2);
});
