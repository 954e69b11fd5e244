import { readChordsOverWords } from './chords-over-words';

const SHEET = `[Verse]
G        D
The lamp is low on the quay
Em   C
and nobody comes for me

Chorus:
| Am7 | D7/F# | (G)`;

test('chords are taken as bars by section, words are said to be left', () => {
  const read = readChordsOverWords(SHEET);
  expect(read?.piece.sections.map((one) => [one.name, one.bars.map((bar) => bar.chords[0].chord)])).toEqual([
    ['Verse', ['G', 'D', 'Em', 'C']],
    ['Chorus', ['Am7', 'D7/F#', 'G']],
  ]);
  expect(read?.notTaken.map((one) => one.at)).toEqual(['line 3', 'line 5']);
});

test('a text without a line of chords is none of these', () => {
  expect(readChordsOverWords('The lamp is low\non the quay')).toBeNull();
  expect(readChordsOverWords('')).toBeNull();
});
