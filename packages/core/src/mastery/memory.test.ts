import { dueAt, recallAt, remember, type Memory } from './memory';

const DAY = 86_400_000;
const START = Date.UTC(2026, 2, 2, 16);
const after = (results: readonly ('clean' | 'nearly' | 'not yet')[]): Memory => {
  let memory: Memory | null = null;
  for (const [day, result] of results.entries()) memory = remember(memory, result, START + day * DAY);
  if (!memory) throw new Error('nothing to remember');
  return memory;
};

test('in its first week a skill comes back the next day, however clean', () => {
  expect(dueAt(after(['clean']))).toBe(START + DAY);
  expect(dueAt(after(['clean', 'clean', 'clean']))).toBe(START + 3 * DAY);
  const older = after(Array.from({ length: 8 }, () => 'clean' as const));
  expect(dueAt(older)).toBeGreaterThan(START + 8 * DAY + DAY);
});

test('recall is whole at the last take and fades from there; what went wrong comes back sooner', () => {
  const memory = after(Array.from({ length: 9 }, () => 'clean' as const));
  const last = START + 8 * DAY;
  expect(recallAt(memory, last)).toBe(1);
  expect(recallAt(memory, last + 10 * DAY)).toBeLessThan(recallAt(memory, last + 2 * DAY));
  const failed = after([...Array.from({ length: 8 }, () => 'clean' as const), 'not yet']);
  expect(dueAt(failed)).toBeLessThan(dueAt(memory));
});
