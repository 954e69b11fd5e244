/** What would bring a thing in is said only where asking again shows that it does. */
import { NOTHING_ON_RECORD, taughtHand } from '../hands';
import { firstSyllabus } from '../syllabus';
import { lessonCandidates } from './candidates';
import { leftOutOf } from './left-out';
import { limitsOf } from './lesson-limits';
import { nothingPlayed } from './nothing-played';

const NOW = Date.UTC(2026, 2, 2, 16);
const nothing = nothingPlayed(NOW);
const taught = taughtHand(NOTHING_ON_RECORD, NOW);
const all = lessonCandidates(nothing, {
  taught,
  syllabus: firstSyllabus,
  goals: [],
  waived: [],
  allowBarre: true,
});
const limits = limitsOf(all, [], 39, { taught, minutes: 45, goals: [], waived: [] }, []);

test('nothing is said to bring a thing in that asking again does not bring in', async () => {
  const none = await leftOutOf(all, [], limits, async () => new Set());
  expect(none.length).toBeGreaterThan(0);
  expect(none.every((one) => one.brings === undefined)).toBe(true);
});

test('what asking again brings in says so, and each question is asked once for all', async () => {
  let asked = 0;
  const some = await leftOutOf(all, [], limits, async ({ minutes }) => {
    asked++;
    return new Set(minutes === limits.minutes + 5 ? all.map(({ skillId }) => skillId) : []);
  });
  expect(some.map(({ brings }) => brings)).toEqual(
    some.map(() => ({ code: 'brings.minutes', values: { minutes: 5 } })),
  );
  expect(asked).toBe(1);
});
