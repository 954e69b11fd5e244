import {
  formula,
  makeDrill,
  noteReading,
  rootCall,
  singIt,
  stringWalk,
  type Recipe,
} from '@finch/core/drills';
import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { must } from '@finch/core/kernel';
import { ticksOf } from '@finch/core/score';
import { barAlone, isRight, outcomeOf, quizBoard, quizEnd, quizRows, SUNG_ANSWERS } from './quiz';

const stepsOf = (recipe: Recipe) =>
  must(makeDrill(recipe, { hand: averageHand, instrument: standardGuitar })).steps.filter(
    (step) => step.answer,
  );
const walkRecipe = stringWalk({ string: 6, key: 'C major', maxFret: 12, calls: 8, secondsPerCall: 5 });
const walk = stepsOf(walkRecipe);
const reading = stepsOf(
  noteReading({ position: 5, strings: 6, key: 'C major', count: 12, secondsPerNote: 6 }),
);
const roots = stepsOf(rootCall({ rootString: 5, answer: 'root', count: 12, secondsPerCall: 5, maxFret: 12 }));
const F = { chord: 'F', frets: [1, 3, 3, 2, 1, 1] };
const change = stepsOf(formula({ grip: F, targets: ['minor', 'dominant7'], secondsPerCall: 6 }));

test('a call on one string shows that string to fret 12', () => {
  expect(quizBoard(walk[0], standardGuitar)).toEqual({
    strings: [6],
    frets: [0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12],
  });
  expect(quizBoard(roots[0], standardGuitar).strings).toEqual([5]);
});

test('a position shows its four frets on every string', () => {
  expect(quizBoard(reading[0], standardGuitar)).toEqual({ strings: [1, 2, 3, 4, 5, 6], frets: [5, 6, 7, 8] });
});

test('a grip shows the frets around it, and every right answer lies on the board', () => {
  const board = quizBoard(change[0], standardGuitar, F.frets);
  expect(board.frets).toEqual([0, 1, 2, 3, 4, 5]);
  for (const step of change)
    if (step.answer && 'places' in step.answer)
      for (const place of step.answer.places) expect(board.frets).toContain(place.fret);
  const high = quizBoard(change[0], standardGuitar, [8, 10, 10, 9, 8, 8]);
  expect(high.frets).toEqual([6, 7, 8, 9, 10, 11, 12]);
});

test('the board never runs past the end of a neck under a capo', () => {
  const short = { ...standardGuitar, frets: 12, capo: 3 };
  expect(Math.max(...quizBoard(walk[0], short).frets)).toBe(9);
});

describe('an answer', () => {
  const any = {
    kind: 'any place' as const,
    places: [
      { string: 6, fret: 0 },
      { string: 6, fret: 12 },
    ],
  };
  const both = {
    kind: 'all places' as const,
    places: [
      { string: 3, fret: 1 },
      { string: 1, fret: 0 },
    ],
  };

  test('any of several places is right by itself, not together', () => {
    expect(isRight(any, [{ string: 6, fret: 12 }])).toBe(true);
    expect(isRight(any, any.places)).toBe(false);
    expect(isRight(any, [{ string: 5, fret: 12 }])).toBe(false);
  });

  test('all places must be tapped, and no other', () => {
    expect(isRight(both, [...both.places].reverse())).toBe(true);
    expect(isRight(both, [both.places[0]])).toBe(false);
    expect(isRight(both, [...both.places, { string: 2, fret: 1 }])).toBe(false);
  });

  test('right in time is clean, right too late is late, else a wrong note', () => {
    expect(outcomeOf(any, [{ string: 6, fret: 0 }], 4.9, 5)).toBe('clean');
    expect(outcomeOf(any, [{ string: 6, fret: 0 }], 5.1, 5)).toBe('late');
    expect(outcomeOf(any, [{ string: 6, fret: 3 }], 1, 5)).toBe('wrong note');
    expect(isRight({ kind: 'choice', choices: ['E'], right: 'E' }, [])).toBe(false);
  });
});

test('what is written down is right by its notes alone', () => {
  const written = { kind: 'written' as const, right: 'Ab C Eb' };
  expect(outcomeOf(written, 'ab c eb', 3, Number.POSITIVE_INFINITY)).toBe('clean');
  expect(outcomeOf(written, 'G# C Eb', 3, Number.POSITIVE_INFINITY)).toBe('wrong note');
  expect(isRight(written, [])).toBe(false);
});

test('a call sounds as its one bar, not counted in', () => {
  const drill = must(makeDrill(walkRecipe, { hand: averageHand, instrument: standardGuitar }));
  const [, second] = drill.score.parts[0].bars;
  const alone = barAlone(drill.score, ticksOf(drill.score.parts[0].bars[0].beats));
  expect([alone.countInBeats, alone.parts[0].bars]).toEqual([0, [second]]);
});

test('the end counts right ones and late ones, the middle time, and each confusion, the commonest first', () => {
  const taken = [
    { seconds: 2 },
    { seconds: 4, slip: 'altered' as const },
    { seconds: 3, slip: 'respelled' as const },
    { seconds: 9, slip: 'respelled' as const },
    { seconds: 30 },
  ];
  expect(quizEnd(['clean', 'wrong note', 'wrong note', 'wrong note', 'late'], taken)).toEqual({
    says: '1 of 5 right, 1 more too late; one took 4.0 s',
    slips: ['the same sound by another letter: 2 times', 'a tone a half step off: 1 time'],
  });
  expect(quizEnd(['clean'], [{ seconds: 1 }]).slips).toEqual([]);
});

test('one string of a whole neck is folded on a narrow screen, each fret once and in order; nothing else is', () => {
  const frets = Array.from({ length: 13 }, (_, fret) => fret);
  expect(quizRows({ strings: [6], frets }, false)).toEqual([frets]);
  expect(quizRows({ strings: [6], frets }, true)).toEqual([frets.slice(0, 7), frets.slice(7)]);
  expect(quizRows({ strings: [6], frets: frets.slice(0, 7) }, true)).toEqual([frets.slice(0, 7)]);
  expect(quizRows({ strings: [6, 5, 4], frets }, true)).toEqual([frets]);
});

test('a tone that was sung is what was said of it once it was heard, however long that took', () => {
  const [{ answer, startTick }] = stepsOf(
    singIt({ key: 'G major', what: 'the chord', voice: 'low', count: 5 }),
  );
  if (answer?.kind !== 'sung') throw new Error('not sung');
  expect(SUNG_ANSWERS.map((said) => outcomeOf(answer, said, 90, Number.POSITIVE_INFINITY))).toEqual([
    'clean',
    'wrong note',
  ]);
  expect(outcomeOf(answer, answer.right, 1, 5)).toBe('wrong note');
  expect(isRight(answer, [])).toBe(false);
  expect(answer.heardTick).toBeGreaterThan(startTick);
});
