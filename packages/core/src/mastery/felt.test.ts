/** In what the hand was tense lately: played through on paper. */
import type { Feel, Take } from '../drills/take';
import { averageHand, standardGuitar } from '../fretboard';
import { gradeGrip } from '../effort';
import { must } from '../kernel';
import { makeGrader } from './difficulty';
import { PLAIN_STAGE } from './experience';
import { limitSaid, tenseIn, withFelt, type Felt } from './felt';

const DAY = 86_400_000;
const NOW = Date.UTC(2026, 4, 20, 17);
const grader = makeGrader({ hand: averageHand, instrument: standardGuitar }, PLAIN_STAGE);
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

describe('what the takes say of the limit', () => {
  const at = (effort: number | null, hand: Felt['hand'], ago = 1): Felt => ({
    at: NOW - ago * DAY,
    hand,
    skillId: 'a',
    chord: 'C',
    effort,
  });
  const easyAt = (...efforts: number[]) => efforts.map((effort) => at(effort, 'easy'));
  const tenseAt = (...efforts: number[]) => efforts.map((effort) => at(effort, 'tense'));

  test('where easy and tense part, with the answers on either side', () => {
    const felt = [...easyAt(20, 25, 30, 35, 40, 45, 50, 55.6, 66), ...tenseAt(33, 60, 64, 70, 78)];
    expect(limitSaid(felt, NOW)).toEqual({ limit: 55, upTo: 9, easy: 8, above: 5, hard: 4 });
  });

  test('of several as good the lowest; nothing tense: the hardest that was played', () => {
    const split = [...easyAt(20, 20, 20, 20, 20, 20, 50), ...tenseAt(40, 60, 60, 60, 60)];
    expect(limitSaid(split, NOW)?.limit).toBe(20);
    const easy = easyAt(...Array.from({ length: 12 }, (_, i) => 20 + i));
    expect(limitSaid(easy, NOW)).toEqual({ limit: 31, upTo: 12, easy: 12, above: 0, hard: 0 });
  });

  test('a dozen answers about grips, of two weeks, are needed; it stays within what a limit may be', () => {
    const eleven = easyAt(...Array.from({ length: 11 }, () => 30));
    expect(limitSaid(eleven, NOW)).toBeNull();
    expect(limitSaid([...eleven, at(null, 'easy')], NOW)).toBeNull();
    expect(limitSaid([...eleven, at(30, 'easy', 15)], NOW)).toBeNull();
    expect(limitSaid([...eleven, at(30, 'easy', -1)], NOW)).toBeNull();
    expect(limitSaid([...eleven, at(30, 'easy')], NOW)?.limit).toBe(30);
    expect(limitSaid(easyAt(...Array.from({ length: 12 }, () => 4)), NOW)?.limit).toBe(10);
  });
});
