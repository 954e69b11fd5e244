import { must } from '../kernel';
import { chordNotes, chordOfNumeral } from '.';

test.each([
  ['V7', 'A minor', 'E7'],
  ['viidim7', 'A minor', 'G#dim7'],
  ['viio7', 'C minor', 'Bdim7'],
  ['iim7b5', 'A minor', 'Bm7b5'],
  ['i', 'F# minor', 'F#m'],
  ['VI', 'A minor', 'F'],
  ['bVI', 'A minor', 'F'],
  ['VII7', 'E minor', 'D7'],
  ['III', 'G minor', 'Bb'],
  ['iv7', 'Eb minor', 'Abm7'],
  ['#vim7b5', 'A minor', 'F#m7b5'],
  ['vim7b5', 'A minor', 'F#m7b5'],
  ['imMaj7', 'D minor', 'DmMaj7'],
  ['bII', 'A minor', 'Bb'],
  ['v', 'A minor', 'Em'],
])('%s in %s is %s', (numeral, key, symbol) => {
  expect(must(chordOfNumeral(numeral, key)).symbol).toBe(symbol);
});

test.each([
  ['V7/V', 'C', 'D7'],
  ['V7/ii', 'C', 'A7'],
  ['V7/vi', 'Ab major', 'C7'],
  ['viio7/V', 'C', 'F#dim7'],
  ['iim7b5/ii', 'C', 'Em7b5'],
  ['ii7/V', 'Bb', 'Gm7'],
  ['V7/iv', 'A minor', 'A7'],
  ['V7/VI', 'A minor', 'C7'],
  ['V7/bVII', 'F', 'Bb7'],
  ['VI/ii', 'C', 'Bb'],
  ['VI/V', 'C', 'E'],
  ['V7/V/V', 'C', 'A7'],
  ['I/3', 'D', 'D/F#'],
  ['I/7', 'D', 'D/C#'],
  ['i/7', 'D minor', 'Dm/C'],
  ['V/#7', 'D minor', 'A/C#'],
  ['I/E', 'C', 'C/E'],
  ['I6/9', 'C', 'C69'],
  ['V7', 'A dorian', 'E7'],
  ['bII', 'E phrygian', 'F'],
])('%s in %s, over a slash, is %s', (numeral, key, symbol) => {
  expect(must(chordOfNumeral(numeral, key)).symbol).toBe(symbol);
});

test.each([
  ['vi', 'A minor', 'numeral.minor', 'bVI or #vi'],
  ['vii7', 'A minor', 'numeral.minor', 'bVII or #vii'],
  ['V7/VIII', 'C', 'numeral.degree', 'ii7'],
  ['H7', 'C', 'numeral.degree', 'ii7'],
  ['V7', 'D# major', 'key.signature', 'Eb major'],
  ['V7', 'Fb minor', 'key.signature', 'E minor'],
])('%s in %s is asked back: %s, %s', (numeral, key, code, detail) => {
  const read = chordOfNumeral(numeral, key);
  expect(read.ok ? null : [read.problem.code, read.problem.detail]).toEqual([code, detail]);
});

test('every numeral of every key is written without three signs', () => {
  for (const tonic of 'Cb Gb Db Ab Eb Bb F C G D A E B F# C#'.split(' '))
    for (const numeral of ['bVI', 'bII7', 'viio7', 'V7/bVI', 'viio7/ii', 'bIIImaj7', '#ivo7', 'V7/V/V']) {
      const chord = must(chordOfNumeral(numeral, tonic));
      expect([tonic, numeral, ...chordNotes(chord)].filter((note) => /bbb|###/.test(note))).toEqual([]);
    }
});
