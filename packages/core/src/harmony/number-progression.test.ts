import { must } from '../kernel';
import { beatsOf, readChart, writtenChords } from '../score';
import { keyOn, majorKeys, minorKeys, parseChord } from '../theory';
import { findKeys, MOST_NUMBERS, numbersOf, PROGRESSIONS, readNumbers, readsAsNumbers } from '.';

const made = (text: string, key: string) => {
  const { piece, problems } = must(readNumbers(text, key));
  expect(problems).toEqual([]);
  return writtenChords(piece);
};
const symbols = (text: string, key: string) =>
  made(text, key)
    .map((one) => one.chord)
    .join(' ');
const problem = (text: string, key = 'C') => {
  const read = readNumbers(text, key);
  return read.ok ? 'read' : [read.problem.code, String(read.problem.at), read.problem.detail].join(' | ');
};

test.each([
  ['1 5 6 4', 'B major', 'B F# G#m E'],
  ['1maj7 6m7 2m7 5(7)', 'Eb', 'Ebmaj7 Cm7 Fm7 Bb7'],
  ['I V7/ii ii7 V7', 'Db', 'Db Bb7 Ebm7 Ab7'],
  ['i bVI bIII bVII', 'F# minor', 'F#m D A E'],
  ['ii V I', 'Ab', 'Bbm Eb Ab'],
  ['vi- IV', 'G', 'Em C'],
  ['2m7 5(b9) 1maj7', 'Eb', 'Fm7 Bb7b9 Ebmaj7'],
  ['1/7 bVII V7/V', 'D', 'D/C# C E7'],
  ['1 2 3 4 5 6 7', 'F', 'F Gm Am Bb C Dm Edim'],
  ['1 2 3 4 5 6 7', 'C minor', 'Cm Ddim Eb Fm G Ab Bdim'],
  ['b7 b6 b3 #4o', 'C', 'Bb Ab Eb F#dim'],
  ['b7 b6 #6o', 'C minor', 'Bb Ab Adim'],
  ['2(7) 7(7) 5(9) 6(9) 1(6)', 'C', 'Dm7 Bm7b5 G9 Am9 C6'],
  ['7(7) 2(7)', 'A minor', 'G#dim7 Bm7b5'],
  ['5M 5m 4sus4 3+', 'C', 'G Gm Fsus4 Eaug'],
  ['5(7)/7 5(7)/ii', 'C', 'G7/B A7'],
])('%s in %s is %s', (text, key, expected) => expect(symbols(text, key)).toBe(expected));

test('bars, dots, lengths and the same again are those of a chart', () => {
  expect(
    made('| 1 . 5 . | 6:1/3 4:11/3 | % |', 'G').map((one) => [one.bar, beatsOf(one.tick), one.chord]),
  ).toEqual([
    [0, 0, 'G'],
    [0, 2, 'D'],
    [1, 0, 'Em'],
    [1, 1 / 3, 'C'],
    [2, 0, 'Em'],
    [2, 1 / 3, 'C'],
  ]);
  expect(made('1, 4, 5', 'C').map((one) => one.bar)).toEqual([0, 1, 2]);
});

test.each([
  ['8 9 0', 'C', 'numeral.degree | 8 | 5(7)'],
  ['1 57', 'C', 'numeral.two | 57 | 5(7) or 5 7'],
  ['1(9)', 'C', 'numeral.two | 1(9) | 1maj9 or 1(b7)'],
  ['1(7)', 'C minor', 'numeral.two | 1(7) | 1m7 or 1mMaj7'],
  ['vi', 'A minor', 'numeral.minor | vi | bVI or #vi'],
  ['1 5', 'G# major', 'key.signature | 0 | Ab major'],
  ['| |', 'C', 'numbers.empty | 0 | numbers like 1 5 6 4 or ii V I'],
  ['1 '.repeat(300), 'C', `numbers.long | 0 | at most ${MOST_NUMBERS} chords`],
  ['#3', 'C', 'read'],
])('%j in %s: %s', (text, key, expected) => expect(problem(text, key)).toBe(expected));

test('what is wrong with the bars is said as a chart says it', () => {
  expect(must(readNumbers('| 1:3 5:3 |', 'C')).problems.map((one) => one.code)).toEqual(['chart.beats']);
});

test.each([
  ['1 5 6 4', true],
  ['| ii7 | V7 |', true],
  ['bVII IV', true],
  ['iim7b5 V7', true],
  ['imMaj7', true],
  ['viio7', true],
  ['Vsus4 I', true],
  ['vital', false],
  ['C Am F', false],
  ['Ivory', false],
  ['Dm', false],
  ['', false],
])('%j is numbers: %s', (text, expected) => expect(readsAsNumbers(text)).toBe(expected));

test('numbers go into every key and come back as they were', () => {
  for (const { name, mode, numbers } of PROGRESSIONS) {
    const keys =
      mode === 'major' ? majorKeys() : mode === 'minor' ? minorKeys() : [keyOn(2, mode), keyOn(9, mode)];
    for (const key of keys) {
      const { piece, problems } = must(readNumbers(numbers, key.name));
      expect([name, problems]).toEqual([name, []]);
      const back = must(numbersOf(piece, key.name));
      const again = must(readNumbers(back, key.name));
      expect([name, key.name, again.piece]).toEqual([name, key.name, piece]);
      // In numbers nothing is left of the key: the same from all of them.
      const away = must(readNumbers(must(numbersOf(piece, key.name)), keys[0].name));
      const first = must(readNumbers(numbers, keys[0].name)).piece;
      const sound = (one: typeof first) => writtenChords(one).map(({ chord, tick }) => `${chord} ${tick}`);
      expect([name, sound(away.piece)]).toEqual([name, sound(first)]);
    }
  }
});

test('a chart is said in numbers, bar by bar, by degree or by number', () => {
  const { piece } = readChart('key: Ab\n[A]\n| Ab | Bbm7 Eb7 | Cm . . F7 |\n[B]\n| N.C. | Dbm |');
  expect(must(numbersOf(piece, 'Ab major'))).toBe('| I | ii7 . V7 . | iii . . VI7 |\n| N.C. | iv |');
  expect(must(numbersOf(piece, 'Ab major', 'by number'))).toBe(
    '| 1M | 2m7 . 5(7) . | 3m . . 6(7) |\n| N.C. | 4m |',
  );
  expect(numbersOf(piece, 'G# major').ok).toBe(false);
});

test('a plain progression is found in the key it was made for, or ties with it', () => {
  for (const { mode, numbers, does } of PROGRESSIONS) {
    if (does === 'vamp' || does === 'blues' || does === 'line') continue;
    const key = keyOn(3, mode);
    const chords = writtenChords(must(readNumbers(numbers, key.name)).piece).map((one) => one.chord);
    const found = findKeys(chords.map((symbol) => must(parseChord(symbol))));
    const best = found.filter((one) => one.points >= found[0].points - 2).map((one) => one.key.name);
    expect([numbers, best.includes(key.name)]).toEqual([numbers, true]);
  }
});
