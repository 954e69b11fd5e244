import fc from 'fast-check';
import { LOOP_TEMPO } from './tempo';
import { afterRound, highestClean, LADDER_ROUNDS, ladderRungs, startLadder, type Ladder } from './ladder';

const drill = { tempoBpm: 60, hasBarre: false };
const climb = (ladder: Ladder, answers: string): Ladder =>
  [...answers].reduce((now, answer) => afterRound(now, answer === 'y'), ladder);

test('a clean round goes a rung up, one miss is played again, two in a row go a rung down', () => {
  expect(climb(startLadder(drill), 'y').bpm).toBe(64);
  expect(climb(startLadder(drill), 'yn')).toMatchObject({ bpm: 64, done: false, ceiling: null });
  expect(climb(startLadder(drill), 'ynn')).toMatchObject({ bpm: 59, ceiling: 64, done: false });
});

test('it ends where a rung is held under one that twice was not', () => {
  const end = climb(startLadder(drill), 'yynnyy');
  // 60 and 64 clean, 68 twice not, then 63 clean and 67 clean: the next rung up would be past 68.
  expect(end.rounds.map((round) => round.bpm)).toEqual([60, 64, 68, 68, 63, 67]);
  expect(end.done).toBe(true);
  expect(highestClean(end.rounds)).toBe(67);
  expect(afterRound(end, true)).toBe(end);
});

test('a barre has half the rounds; the ends of the ladder end it', () => {
  expect(startLadder({ ...drill, hasBarre: true }).mostRounds).toBe(LADDER_ROUNDS.barre);
  expect(climb(startLadder({ ...drill, hasBarre: true }), 'yyyyyy').done).toBe(true);
  expect(climb(startLadder({ tempoBpm: LOOP_TEMPO.highest, hasBarre: false }), 'y').done).toBe(true);
  const bottom = climb(startLadder({ tempoBpm: LOOP_TEMPO.lowest, hasBarre: false }), 'nn');
  expect([bottom.done, highestClean(bottom.rounds)]).toEqual([true, null]);
  expect(() => startLadder({ tempoBpm: null, hasBarre: false })).toThrow(RangeError);
});

test('whatever is answered, it ends in time, stays on the ladder and finds a rung that was clean', () => {
  fc.assert(
    fc.property(fc.array(fc.boolean(), { minLength: 30, maxLength: 30 }), (answers) => {
      let ladder = startLadder(drill);
      for (const clean of answers) {
        expect(ladder.bpm).toBeGreaterThanOrEqual(LOOP_TEMPO.lowest);
        expect(ladder.bpm).toBeLessThanOrEqual(LOOP_TEMPO.highest);
        expect(ladderRungs(ladder)).toContain(ladder.bpm);
        ladder = afterRound(ladder, clean);
      }
      expect(ladder.done).toBe(true);
      expect(ladder.rounds.length).toBeLessThanOrEqual(LADDER_ROUNDS.plain);
      const best = highestClean(ladder.rounds);
      if (best !== null) expect(ladder.rounds).toContainEqual({ bpm: best, clean: true });
      else expect(ladder.rounds.every((round) => !round.clean)).toBe(true);
    }),
  );
});

test('from every tempo: two tries a rung before it goes down, and a rung that was not held is not climbed onto again', () => {
  for (let from = LOOP_TEMPO.lowest; from <= LOOP_TEMPO.highest; from++) {
    const failing = climb(startLadder({ tempoBpm: from, hasBarre: false }), 'n'.repeat(LADDER_ROUNDS.plain));
    const played = failing.rounds.map((round) => round.bpm);
    for (let i = 0; i + 1 < played.length; i += 2) expect(played[i + 1]).toBe(played[i]);
    expect(new Set(played).size).toBe(Math.ceil(played.length / 2));
    // One who holds everything under a tempo, and nothing from there on.
    for (const wall of [from + 1, from + 4, from + 9]) {
      let ladder = startLadder({ tempoBpm: from, hasBarre: false });
      while (!ladder.done) {
        const { bpm, ceiling } = ladder;
        if (ceiling !== null) expect(bpm).toBeLessThan(ceiling);
        ladder = afterRound(ladder, bpm < wall);
      }
    }
  }
});
