import {
  changeLoop,
  makeDrill,
  openTask,
  ringCheck,
  rootCall,
  singIt,
  strumReading,
  warmUp,
  writeItOut,
} from '@finch/core/drills';
import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { must } from '@finch/core/kernel';
import { emptyDraft, isComplete, takeOf, withLadder } from './take-draft';

const context = { hand: averageHand, instrument: standardGuitar };
const when = { startedAt: '2026-06-09T15:00:00.000Z', timeZone: 'UTC', durationSeconds: 40 };
const ring = must(makeDrill(ringCheck({ chord: 'D', frets: [null, null, 0, 2, 3, 2] }), context));
const loop = must(
  makeDrill(
    changeLoop({
      grips: [
        { chord: 'A', frets: [null, 0, 2, 2, 2, 0] },
        { chord: 'D', frets: [null, null, 0, 2, 3, 2] },
      ],
      beatsEach: 4,
    }),
    context,
  ),
);

test('what was typed back is from paper, what was sung is said by who sang it', () => {
  const sourceOf = (recipe: Parameters<typeof makeDrill>[0]) => {
    const drill = must(makeDrill(recipe, context));
    return takeOf({ ...emptyDraft(drill), outcomes: ['clean'], done: true }, drill, null, when).source;
  };
  expect(sourceOf(singIt({ key: 'C major', what: 'the chord', voice: 'low', count: 5 }))).toBe('self');
  expect(sourceOf(writeItOut({ what: 'sevenths', root: 'C', kind: 'major', keys: 2, times: 1, progression: '1 4', days: 1 }))).toBe('paper'); // prettier-ignore
  expect(sourceOf(rootCall({ rootString: 6, answer: 'root', count: 12, secondsPerCall: 5, maxFret: 12 }))).toBe('quiz'); // prettier-ignore
});

test('a ring check is complete when every string answered, the silent ones too', () => {
  const draft = emptyDraft(ring);
  expect([draft.strings.length, isComplete(draft, ring)]).toEqual([6, false]);
  expect(() => takeOf(draft, ring, null, when)).toThrow(RangeError);
  const all = { ...draft, strings: draft.strings.map(() => 'clean' as const) };
  expect(takeOf(all, ring, null, when)).toMatchObject({ result: 'clean', feel: null, tempoBpm: null });
});

test('one wrong string is nearly, two are not yet, and a stray string is named', () => {
  const answers = (...strings: ('clean' | 'buzz' | 'dead')[]) =>
    takeOf({ ...emptyDraft(ring), strings }, ring, null, when);
  expect(answers('buzz', 'clean', 'clean', 'clean', 'clean', 'clean')).toMatchObject({
    result: 'nearly',
    steps: ['stray string', 'clean', 'clean', 'clean', 'clean', 'clean'],
  });
  expect(answers('clean', 'clean', 'clean', 'buzz', 'dead', 'clean')).toMatchObject({ result: 'not yet' });
});

test.each([
  [10, 'clean'],
  [9, 'clean'],
  [8, 'nearly'],
  [7, 'nearly'],
  [6, 'not yet'],
] as const)('%i of ten changes is %s', (clean, result) => {
  const take = takeOf({ ...emptyDraft(loop), clean, done: true, tempoBpm: 52 }, loop, { hand: 'easy' }, when);
  expect(take).toMatchObject({ result, tempoBpm: 52, source: 'self' });
  expect(take.steps).toHaveLength(10);
});

test('a warm up is done, a root call is a quiz', () => {
  const warm = must(makeDrill(warmUp(3), context));
  expect(takeOf({ ...emptyDraft(warm), done: true }, warm, null, when).result).toBe('clean');
  const calls = must(
    makeDrill(
      rootCall({ rootString: 6, answer: 'root', count: 12, secondsPerCall: 5, maxFret: 12 }),
      context,
    ),
  );
  const outcomes = Array.from({ length: 12 }, (_, i) => (i === 5 ? ('late' as const) : ('clean' as const)));
  expect(takeOf({ ...emptyDraft(calls), outcomes, done: true }, calls, null, when)).toMatchObject({
    source: 'quiz',
    result: 'clean',
    steps: outcomes,
  });
  // Broken off before the first answer: nothing came right, and nothing else is claimed.
  expect(takeOf({ ...emptyDraft(calls), done: true }, calls, null, when)).toMatchObject({
    result: 'not yet',
    steps: ['late'],
  });
});

test('a counted minute goes with the take, and changes nothing of its yes or no', () => {
  const draft = { ...emptyDraft(loop), clean: 9, done: true };
  expect(takeOf(draft, loop, null, when)).not.toHaveProperty('count');
  const counted = takeOf({ ...draft, count: { clean: 31, seconds: 60 } }, loop, null, when);
  expect(counted).toMatchObject({ result: 'clean', count: { clean: 31, seconds: 60 } });
});

describe('a ladder', () => {
  const rounds = [
    { bpm: 60, clean: true },
    { bpm: 64, clean: false },
    { bpm: 64, clean: true },
    { bpm: 68, clean: false },
  ];

  test('is kept with its rounds, under the highest rung that came clean', () => {
    const take = takeOf(withLadder(emptyDraft(loop), rounds), loop, null, when);
    expect(take).toMatchObject({ tempoBpm: 64, result: 'clean', steps: ['clean'], ladder: rounds });
  });

  test('in which nothing came clean is not yet, at the lowest rung tried', () => {
    const none = rounds.map((round) => ({ ...round, clean: false }));
    const take = takeOf(withLadder(emptyDraft(loop), none), loop, null, when);
    expect(take).toMatchObject({ tempoBpm: 60, result: 'not yet', steps: ['late'] });
  });

  test('left out leaves no trace', () => {
    expect(takeOf({ ...emptyDraft(loop), done: true }, loop, null, when)).not.toHaveProperty('ladder');
  });
});

test('bars that missed their time came late, or early where that was said', () => {
  const read = must(
    makeDrill(
      strumReading({ grips: [{ chord: 'C', frets: [null, 3, 2, 0, 1, 0] }], beats: 4, level: 2, bars: 4 }),
      context,
    ),
  );
  const draft = { ...emptyDraft(read), clean: 8, done: true };
  const missed = (take: ReturnType<typeof takeOf>) => take.steps.filter((step) => step !== 'clean');
  expect(missed(takeOf(draft, read, null, when))).toEqual(['late', 'late']);
  expect(missed(takeOf({ ...draft, missed: 'early' }, read, null, when))).toEqual(['early', 'early']);
});

test('an open task is complete once it was played and one sentence is written, which goes with the take', () => {
  const task = must(
    makeDrill(
      openTask({ key: 'A minor', question: 'what rubs', lowFret: 5, highFret: 8, thickString: 6, thinString: 1, notes: 'the five', ground: 'drone', minutes: 3 }), // prettier-ignore
      context,
    ),
  );
  const played = { ...emptyDraft(task), done: true };
  expect([isComplete(played, task), isComplete({ ...played, note: '  ' }, task)]).toEqual([false, false]);
  const take = takeOf({ ...played, note: ' C rubs against B. ' }, task, null, when);
  expect([take.note, take.result]).toEqual(['C rubs against B.', 'clean']);
  expect(takeOf({ ...emptyDraft(loop), clean: 9, done: true }, loop, null, when)).not.toHaveProperty('note');
});

test('calls are kept with their seconds and what was mixed up, one for each step or none at all', () => {
  const quiz = must(
    makeDrill(rootCall({ rootString: 6, answer: 'root', count: 2, secondsPerCall: 6, maxFret: 9 }), context),
  );
  const calls = [{ seconds: 2.5 }, { seconds: 9.1, slip: 'a fret off' as const }];
  const answered = { ...emptyDraft(quiz), outcomes: ['clean', 'wrong note'] as const, calls, done: true };
  expect(takeOf(answered, quiz, null, when)).toMatchObject({ calls, source: 'quiz' });
  expect(takeOf({ ...answered, calls: calls.slice(1) }, quiz, null, when)).not.toHaveProperty('calls');
});
