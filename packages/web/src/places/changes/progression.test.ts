import { progressionText, readProgression, whereText } from './progression';

test.each([
  ['C Am F G', '| C | Am | F | G |'],
  ['C, Am,F', '| C | Am | F |'],
  ['C | Am F |', '| C | Am F |'],
  ['| C | Am |', '| C | Am |'],
  ['', ''],
])('%j is read as %j', (typed, text) => expect(progressionText(typed)).toBe(text));

test('a bar line left out at the end is no fault; a chord that cannot be read is', () => {
  expect(readProgression('C | Am F').problems).toEqual([]);
  expect(readProgression('C | Am F').chords.map((one) => [one.chord, whereText(one)])).toEqual([
    ['C', 'bar 1'],
    ['Am', 'bar 2'],
    ['F', 'bar 2, beat 3'],
  ]);
  expect(readProgression('C Hmm').problems[0].code).toBe('chart.chord');
});

test('far too many chords are cut, and it is said', () => {
  const long = readProgression('C '.repeat(200));
  expect(long.chords).toHaveLength(128);
  expect(long.problems[0].detail).toContain('128');
});
