import { standardGuitar } from '@finch/core/fretboard';
import { readBox } from './reading';

const read = (text: string) => {
  const made = readBox(text, standardGuitar, 'english');
  return made.ok ? made.value : null;
};

test.each([
  ['Bbm7', 'Bbm7'],
  ['x32010', 'C'],
  ['x 3 2 0 1 0', 'C'],
  ['C E G Bb', 'C7'],
  ['E, G, C', 'C/E'],
  ['A C♯ E', 'A'],
  ['C', 'C'],
  ['ii7 in Ab', 'Bbm7'],
  ['V7 in A♭ major', 'Eb7'],
  ['vii° in F#', 'E#dim'],
  ['bVII in G', 'F'],
  ['IVmaj7 in G', 'Cmaj7'],
])('%s is read as %s', (text, symbol) => expect(read(text)?.chord.symbol).toBe(symbol));

test('a typed grip keeps its frets and all its names', () => {
  const grip = read('x02212');
  expect(grip?.frets).toEqual([null, 0, 2, 2, 1, 2]);
  expect(grip?.names.map((one) => one.chord.symbol)).toEqual(expect.arrayContaining(['Am6', 'F#m7b5/A']));
  expect(read('Am6')?.names).toEqual([]);
});

test('what is no chord is answered by the reader of chords', () => {
  const made = readBox('H7', standardGuitar, 'english');
  expect(made.ok ? null : made.problem.code).toBe('chord.german-h');
  const empty = readBox('', standardGuitar, 'english');
  expect(empty.ok ? null : empty.problem.code).toBe('chord.empty');
  const key = readBox('ii7 in Q', standardGuitar, 'english');
  expect(key.ok ? null : key.problem.code).toBe('key.tonic');
  const numeral = readBox('q in C', standardGuitar, 'english');
  expect(numeral.ok ? null : numeral.problem.code).toBe('numeral.degree');
  const one = readBox('0xxxxx', standardGuitar, 'english');
  expect(one.ok ? null : one.problem.code).toBe('name.few');
});
