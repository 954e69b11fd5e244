/** In what the hand was tense lately: played through on paper. */
import type { Feel, Take } from '../drills/take';
import { averageHand, standardGuitar } from '../fretboard';
import { gradeGrip } from '../effort';
import { must } from '../kernel';
import { makeGrader } from './difficulty';
import { tenseIn, withFelt, type Felt } from './felt';

const DAY = 86_400_000;
const NOW = Date.UTC(2026, 4, 20, 17);
const grader = makeGrader({ hand: averageHand, instrument: standardGuitar });
const tuning = standardGuitar.openPitches;
const grip = (chord: string, frets: readonly (number | null)[]) => ({
  kind: 'grip' as const,
  chord,
  frets,
  fingers: [],
  tuning,
  capo: 0,
});
const F = grip('F', [1, 3, 3, 2, 1, 1]);
const EM = grip('Em', [0, 2, 2, 0, 0, 0]);
const take = (feel: Feel | null, items: Take['items'] = [{ kind: 'change', from: EM, to: F }]) =>
  ({ items, feel }) as Take;
const pain: Feel = { hand: 'pain', where: 'wrist', side: 'left' };
const answers = (...list: [daysAgo: number, skillId: string | null, feel: Feel | null][]): readonly Felt[] =>
  list.reduce<readonly Felt[]>(
    (before, [ago, skillId, feel]) => withFelt(before, take(feel), NOW - ago * DAY, skillId, grader),
    [],
  );
const [tense, easy]: Feel[] = [{ hand: 'tense' }, { hand: 'easy' }];

test('the hardest grip that was held, graded for the hand of the day', () => {
  const [one] = answers([0, 'movable.f', tense]);
  expect(one.chord).toBe('F');
  expect(one.effort).toBe(must(gradeGrip(F.frets, averageHand, standardGuitar)).total);
  const [heard] = withFelt([], take(easy, []), NOW, 'ear.thirds', grader);
  expect([heard.chord, heard.effort]).toEqual([null, null]);
  expect(answers([0, 'movable.f', null])).toEqual([]);
});

test('tense twice in one thing is told, once is not, and what is easy counts beside it', () => {
  expect(tenseIn(answers([1, 'a', tense], [1, 'b', tense]), NOW)).toBeNull();
  expect(
    tenseIn(answers([3, 'a', tense], [2, 'a', easy], [1, 'a', tense], [0, 'b', easy]), NOW),
  ).toMatchObject({
    skillId: 'a',
    hard: 2,
    of: 3,
    pain: false,
    at: NOW - DAY,
    chord: 'F',
  });
});

test('most often first; pain is a hand that is not easy; the warm-up is nobody’s fault', () => {
  const found = tenseIn(
    answers(
      [5, 'a', tense],
      [4, 'a', tense],
      [3, 'b', tense],
      [2, 'b', pain],
      [1, 'b', tense],
      [0, null, tense],
    ),
    NOW,
  );
  expect(found).toMatchObject({ skillId: 'b', hard: 3, of: 3, pain: true });
});

test('two weeks back and no further, in what is kept and in what is told', () => {
  expect(tenseIn(answers([16, 'a', tense], [15, 'a', tense]), NOW)).toBeNull();
  expect(tenseIn(answers([13, 'a', tense], [12, 'a', tense]), NOW)?.hard).toBe(2);
  expect(answers([20, 'a', tense], [1, 'a', tense])).toHaveLength(1);
  expect(tenseIn(answers([13, 'a', tense], [12, 'a', tense]), NOW - 30 * DAY)).toBeNull();
});
