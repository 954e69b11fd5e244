/** What a visit is worth: what must be worth more than what, and who waits for whom. */
import { forgottenAfter, stabilityAfter } from '../mastery/memory';
import { chanceNow, waitingFor, worthOf, type Clock, type Prospect, type Waiting } from './worth';

const clock: Clock = { rowsAVisit: 2, rowScale: 12, forgotten: forgottenAfter, grown: stabilityAfter };
const half: Prospect = {
  base: -0.6,
  variance: 0.4,
  rows: 6,
  days: 3,
  away: 4,
  playedToday: false,
  stabilityDays: 4,
  perRows: 1.2,
  perDays: 0.62,
  forgetting: -1.8,
};
const fresh: Prospect = { ...half, rows: 0, days: 0, away: 0, stabilityDays: 3 };
const one = (more: Partial<Prospect> = {}) => ({ ...half, ...more });
const worth = (prospect: Prospect, waiting: readonly Waiting[] = []) => worthOf(prospect, clock, waiting);

test('chance now: practice adds by its logarithm, what is forgotten takes away', () => {
  const practised = -0.6 + 1.2 * Math.log(1.5) + 0.62 * Math.log(4);
  const p = 1 / (1 + Math.exp(-(practised - 1.8 * forgottenAfter(4, 4))));
  expect(chanceNow(half, clock)).toBeCloseTo(p, 12);
  expect(chanceNow(fresh, clock)).toBeCloseTo(1 / (1 + Math.exp(0.6)), 12);
});

test('what is held is worth least, what is far out of reach little, what is half held most', () => {
  const [far, near, held] = [-5, -0.6, 3.5].map((base) => worth(one({ base })));
  expect(near).toBeGreaterThan(far);
  expect(near).toBeGreaterThan(held);
  expect(far).toBeGreaterThanOrEqual(0.001 * 0.3);
});

test('a skill that was just played waits: a twentieth the same day, less the day after than days later', () => {
  expect(worth(one({ away: 0, playedToday: true }))).toBeCloseTo(0.05 * worth(one({ away: 0 })), 12);
  expect(worth(one({ away: 1 }))).toBeLessThan(worth(one({ away: 5 })));
});

test('what others wait for is worth more: the nearer and the fewer needs the more; nothing where none of the next is locked', () => {
  const wait = (step: number, needs: number, locked = true): Waiting => ({ step, needs, locked });
  const plain = worth(fresh);
  const opens = (waiting: readonly Waiting[]) => worth(fresh, waiting) - plain;
  expect(opens([wait(1, 1)])).toBeGreaterThan(opens([wait(1, 2)]));
  expect(opens([wait(1, 1), wait(2, 1)])).toBeGreaterThan(opens([wait(1, 1)]));
  // Half as much a step further, and a little more where that makes a longer package worth it.
  const further = opens([wait(1, 1), wait(2, 1)]) - opens([wait(1, 1)]);
  expect(further / opens([wait(1, 1)])).toBeGreaterThan(0.499);
  expect(further / opens([wait(1, 1)])).toBeLessThan(0.55);
  expect(opens([wait(1, 1), wait(4, 1)])).toBe(opens([wait(1, 1)]));
  expect(opens([wait(1, 1, false), wait(2, 1)])).toBe(0);
  // A crowd that waits counts for two: no lesson begins more.
  const crowd = (many: number) => opens(Array.from({ length: many }, () => wait(1, 1)));
  expect(crowd(2)).toBeGreaterThan(crowd(1));
  expect(crowd(9)).toBe(crowd(2));
});

test('a goal with a day comes before all that has none, and the nearer day asks for it to be held sooner', () => {
  const goal = (daysToGoal: number | null) => worthOf(fresh, clock, [], { daysToGoal });
  expect(goal(60)).toBeGreaterThan(20 * goal(null));
  expect(goal(3)).not.toBe(goal(60));
});

test('who waits for a skill, by the fewest steps to it', () => {
  const skills = [
    { id: 'a', needs: [] },
    { id: 'b', needs: ['a'] },
    { id: 'c', needs: ['b', 'a'] },
    { id: 'd', needs: ['c'] },
    { id: 'e', needs: ['x'] },
  ];
  expect(waitingFor('a', skills, (id) => id === 'd')).toEqual([
    { step: 1, needs: 1, locked: false },
    { step: 1, needs: 2, locked: false },
    { step: 2, needs: 1, locked: true },
  ]);
  expect(waitingFor('d', skills, () => true)).toEqual([]);
});
