import { chordPlace, readChart, readChordPlace, writtenChords } from '.';

test('each chord has a place of its own, which is read back', () => {
  const chords = writtenChords(readChart('| C:1/3 F:1/3 G:10/3 | C . . F |\n[B]\n| C:1.5 G:2.5 |').piece);
  const places = chords.map(chordPlace);
  expect(places).toEqual(['0.0.0', '0.0.1/3', '0.0.2/3', '0.1.0', '0.1.3', '1.0.0', '1.0.1.5']);
  expect(places.map(readChordPlace)).toEqual(places);
});

test('a place kept before beats were whole ticks is the same place', () => {
  expect(['0.3.2.6667', '0.3.0.3333', '0.3.1.25', '0.3.2'].map(readChordPlace)).toEqual([
    '0.3.8/3',
    '0.3.1/3',
    '0.3.1.25',
    '0.3.2',
  ]);
});

test.each(['', '0.1', 'a.b.c', '0.1.', '0.1.1/11', '0.1.2.', '-1.0.0', '0.0.0.0', '0.1.x'])(
  '%j is no place',
  (text) => expect(readChordPlace(text)).toBeNull(),
);
