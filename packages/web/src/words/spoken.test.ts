import { spokenChord, spokenGrip } from './spoken';

test.each([
  ['Abm6', 'A flat minor 6'],
  ['F#m7b5', 'F sharp minor 7 flat 5'],
  ['Fdim', 'F diminished'],
  ['G#dim7', 'G sharp diminished 7'],
  ['C7b9', 'C 7 flat 9'],
  ['C7#11', 'C 7 sharp 11'],
  ['Bbmaj9', 'B flat major 9'],
  ['CmMaj7', 'C minor major 7'],
  ['Dsus4', 'D suspended 4'],
  ['Ebadd9', 'E flat added 9'],
  ['Caug7', 'C augmented 7'],
  ['C/E', 'C over E'],
  ['Dm7/Bb', 'D minor 7 over B flat'],
  ['Fbb', 'F double flat'],
  ['Em', 'E minor'],
  ['N.C.', 'N.C.'],
])('%s is spoken %s', (symbol, spoken) => {
  expect(spokenChord(symbol)).toBe(spoken);
});

test('a grip can be played from the words alone', () => {
  expect(spokenGrip([null, 3, 2, 0, 1, 0], [null, 3, 2, null, 1, null])).toBe(
    'string 6 silent, string 5 fret 3 ring finger, string 4 fret 2 middle finger, string 3 open, string 2 fret 1 index finger, string 1 open',
  );
});

test('a barre is said once before its strings', () => {
  expect(spokenGrip([1, 3, 3, 2, 1, 1], [1, 3, 4, 2, 1, 1])).toMatch(
    /^barre at fret 1, index finger, strings 6 to 1, string 6 fret 1 index finger, string 5 fret 3 ring finger/,
  );
  expect(spokenGrip([2, null, 0, 2, 3, 2], ['T', null, null, 1, 3, 2])).toContain('string 6 fret 2 thumb');
});
