import fc from 'fast-check';
import { createEmptyCard, fsrs, Rating } from 'ts-fsrs';
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

test("is the scheduler's own: any takes at any hours, its cards one after the other", () => {
  const scheduler = fsrs({ enable_fuzz: false, enable_short_term: false });
  const grades = { clean: Rating.Good, nearly: Rating.Hard, 'not yet': Rating.Again } as const;
  const result = fc.constantFrom('clean' as const, 'nearly' as const, 'not yet' as const);
  const takes = fc.array(fc.record({ result, hours: fc.integer({ min: 0, max: 24 * 40 }) }), {
    minLength: 1,
  });
  fc.assert(
    fc.property(takes, fc.integer({ min: 0, max: 24 * 90 }), (all, later) => {
      let memory: Memory | null = null;
      let at = START;
      let card = createEmptyCard(new Date(START));
      for (const { result, hours } of all) {
        at += hours * 3_600_000;
        memory = remember(memory, result, at);
        card = scheduler.next(card, new Date(at), grades[result]).card;
      }
      if (!memory) throw new Error('no take');
      expect(memory.trace).toEqual({ stability: card.stability, difficulty: card.difficulty, at });
      const due = card.due.getTime();
      expect(dueAt(memory)).toBe(at - memory.firstMs < 7 * DAY ? Math.min(due, at + DAY) : due);
      const asked = at + later * 3_600_000;
      expect(recallAt(memory, asked)).toBeCloseTo(
        scheduler.get_retrievability(card, new Date(asked), false),
        7,
      );
    }),
  );
});
