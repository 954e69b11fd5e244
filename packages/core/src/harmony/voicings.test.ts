/** Worked voicings from outside, by the search of grips and by what is built from the top down. */
import { averageHand, standardGuitar } from '../fretboard';
import { fretsText, type Frets } from '../grips';
import { must } from '../kernel';
import { scalePairs, wholeNeck } from '../scales';
import { writtenChords } from '../score';
import { closeTriads, findShapes } from '../shapes';
import { noteText, parseChord, parseScale } from '../theory';
import { PROGRESSIONS, readNumbers, topVoicings } from '.';

const chord = (symbol: string) => must(parseChord(symbol));
const context = { hand: averageHand, instrument: standardGuitar };
const on = (grip: Frets, strings: readonly number[]) => strings.map((string) => grip[6 - string]).join('-');

test.each([
  ['Eb', [3, 2, 1], '3-4-3, 8-8-6, 12-11-11'],
  ['F#', [5, 4, 3], '4-4-3, 9-8-6, 13-11-11'],
] as const)('close triads of %s on strings %j: %s', (symbol, set, expected) => {
  const found = closeTriads(chord(symbol), set, context).map((grip) => on(grip.frets, set));
  for (const one of expected.split(', ')) expect(found).toContain(one);
});

test('nearest inversions through Db Bbm Gb Db Ab Db on strings 3 2 1', () => {
  const set = [3, 2, 1] as const;
  let now = [6, 6, 4];
  const way = 'Db Bbm Gb Db Ab Db'.split(' ').map((symbol, i) => {
    if (i === 0) return now.join('-');
    const all = closeTriads(chord(symbol), set, context, 22).map((grip) =>
      set.map((string) => grip.frets[6 - string] ?? 0),
    );
    const far = (grip: readonly number[]) => grip.reduce((sum, fret, s) => sum + Math.abs(fret - now[s]), 0);
    now = all.reduce((best, one) => (far(one) < far(best) ? one : best));
    return now.join('-');
  });
  expect(way).toEqual(['6-6-4', '6-6-6', '6-7-6', '6-6-4', '5-4-4', '6-6-4']);
});

test.each([
  ['Bbm7', '6x66xx', [1, 2, 5]],
  ['Ebmaj7', 'x657xx', [1, 2, 6]],
] as const)('the shell of %s is %s', (symbol, text, mustMute) => {
  const found = findShapes({
    chord: chord(symbol),
    ...context,
    limits: { minStrings: 3, mustMute, maxFret: 8 },
  });
  expect(found.map((grip) => fretsText(grip.frets))).toContain(text);
});

test.each([
  ['Ab', 4, 'xx3524'],
  ['C', 8, 'xx6668'],
  ['Db', 9, 'x-x-10-10-9-9'],
  ['F', 13, 'x-x-11-13-13-13'],
])('Dbmaj7 with a voice an octave down under %s at fret %d is %s', (note, fret, expected) => {
  const top = { note: chord(note).root, stringIndex: 5, fret };
  const found = topVoicings(top, chord('Dbmaj7'), { ...context, maxEffort: 100, bass: false });
  expect(found.map((one) => fretsText(one.frets))).toContain(expected);
});

test('where Db4 lies, and the octaves above two spots', () => {
  const all = wholeNeck(must(parseScale('Db major')), standardGuitar).filter((one) => one.pitch === 61);
  expect(all.map((one) => `${6 - one.stringIndex}/${one.fret}`).sort()).toEqual([
    '2/2',
    '3/6',
    '4/11',
    '5/16',
    '6/21',
  ]);
  const octave = (strings: readonly [number, number], fret: number) =>
    scalePairs(must(parseScale('Db major')), 'octaves', strings, [fret, fret], standardGuitar).map(
      ({ high }) => high.fret,
    );
  expect([octave([5, 3], 4), octave([4, 2], 6)]).toEqual([[6], [9]]);
});

test('the line over a minor chord in F minor is F E Eb D', () => {
  const numbers = PROGRESSIONS.find((one) => one.does === 'line' && one.mode === 'minor')?.numbers ?? '';
  const chords = writtenChords(must(readNumbers(numbers, 'F minor')).piece).map((one) => chord(one.chord));
  expect(chords.map((one) => one.symbol)).toEqual(['Fm', 'FmMaj7', 'Fm7', 'Fm6']);
  const last = chords.map((one, i) => noteText(i === 0 ? one.root : one.tones[one.tones.length - 1].note));
  expect(last.join(' ')).toBe('F E Eb D');
});
