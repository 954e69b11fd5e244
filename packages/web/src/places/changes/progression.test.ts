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

test('numbers in a key are its chords, with bars where they are said', () => {
  const chords = (typed: string) => {
    const { chords: read, problems } = readProgression(typed);
    expect(problems).toEqual([]);
    return read.map((one) => `${one.number} ${one.chord}`).join(', ');
  };
  expect(chords('1 5 6 4 in Ab')).toBe('1 Ab, 2 Eb, 3 Fm, 4 Db');
  expect(chords('| ii7 V7 | I | in Db major')).toBe('1 Ebm7, 1 Ab7, 2 Db');
  expect(chords('i iv V7 in F# minor')).toBe('1 F#m, 2 Bm, 3 C#7');
});

test.each([
  ['1 5 6 4', 'numbers.key', 1, '1 5 6 4 in Ab'],
  ['1 8 in Ab', 'numeral.degree', 3, '5(7)'],
  ['1 57 in Ab', 'numeral.two', 3, '5(7) or 5 7'],
  ['1 5 in G# major', 'key.signature', 8, 'Ab major'],
  ['1 5 in nowhere', 'key.tonic', 8, 'C major'],
])('%j is asked back: %s at %d', (typed, code, column, detail) => {
  expect(readProgression(typed).problems).toEqual([{ code, line: 1, column, detail }]);
});
