import { swapsFor } from '@finch/core/harmony';
import { must } from '@finch/core';
import { degreeChords, makeKey, parseChord } from '@finch/core/theory';
import {
  careWords,
  clashWords,
  figureText,
  guideMove,
  jobWords,
  modeText,
  readyWords,
  sheetNames,
  signatureWords,
  swapKindWords,
  swapReason,
} from './harmony-words';
import { listed } from './names';

const key = (name: string) => must(makeKey(name));
const note = (text: string) => must(parseChord(text)).root;

test.each([
  ['viim7b5', 'viiø7'],
  ['viio7', 'vii°7'],
  ['viio', 'vii°'],
  ['bIII+maj7', '♭III+△7'],
  ['bVII7', '♭VII7'],
  ['#iv', '♯iv'],
  ['7o', '7°'],
  ['V7b9', 'V7♭9'],
  ['imMaj7', 'im△7'],
])('%s is drawn %s', (figure, drawn) => expect(figureText(figure)).toBe(drawn));

test('care is said in notes', () => {
  const [, two, , , five] = degreeChords(key('A major'), { sevenths: true });
  expect(five.tensions.map(careWords).filter(Boolean)).toEqual(['11 (A): a half step over the 3, G♯']);
  expect(two.tensions.map(careWords).filter(Boolean)).toEqual([
    '13 (G♯): with the ♭3, D, it is the pull of V7',
  ]);
});

test('a swap says what is shared, what moves, where the bass goes, and what must hold', () => {
  const all = swapsFor({ key: key('Eb major'), chord: must(parseChord('Bb7')), melody: note('Eb') });
  const tritone = all.find((one) => one.kind === 'tritone');
  expect(tritone && swapReason(tritone)).toBe(
    'Shares D A♭; B♭ F becomes F♭ C♭; the bass lies 6 half steps higher. Over it the tune’s 1 is ♯11, its 5 ♭9, its 9 ♭13, its 13 ♯9.',
  );
  expect(tritone?.clash && clashWords(tritone.clash)).toBe(
    'Rubs: E♭ in the tune lies a half step over its E♭♭.',
  );
  for (const one of all) {
    expect(swapKindWords[one.kind]).toBeTruthy();
    expect(swapReason(one)).toMatch(/^Shares .*\.$/);
  }
});

test('every degree of every kind of key has a job in words', () => {
  for (const name of ['C major', 'C minor', 'C harmonic minor', 'D dorian', 'B locrian'])
    expect(
      degreeChords(key(name))
        .map(jobWords)
        .every((words) => /^(rest|sets out|pulls home)/.test(words)),
    ).toBe(true);
});

test('signatures, modes, moves, lists', () => {
  expect([signatureWords(0), signatureWords(1), signatureWords(-4)]).toEqual([
    'no sharps or flats',
    '1 sharp: F♯',
    '4 flats: B♭ E♭ A♭ D♭',
  ]);
  expect(modeText('locrian natural 2')).toBe('Locrian natural 2');
  expect(modeText('dorian b2')).toBe('Dorian ♭2');
  expect([guideMove(0, note('D'), note('D')), guideMove(-1, note('C'), note('Db')), guideMove(2, note('G'), note('F'))]).toEqual([
    'D stays', 'D♭ falls a half step to C', 'F rises a whole step to G',
  ]); // prettier-ignore
  expect([listed('1 2 3'), listed(['a b', 'c']), listed([])]).toEqual(['1, 2 and 3', 'a b and c', '']);
});

test('who is ready, by first names', () => {
  const one = (name: string, mean: number | null) => ({ name, mean });
  expect(readyWords(null)).toContain('No skill');
  expect(readyWords([one('Yusra A', 0.8), one('Bram B', 0.61), one('Cleo C', null)])).toBe(
    'Yusra holds it clean; under way: Bram 61.',
  );
  expect(readyWords([one('Yusra A', 0.9), one('Bram B', 0.85)])).toBe('Yusra, Bram hold it clean.');
  expect(readyWords([])).toBe('Nobody holds it clean yet.');
});

test('a key sheet has every name it prints', () => {
  const degrees = degreeChords(key('E harmonic minor'), { sevenths: true });
  const names = sheetNames([{ name: 'E harmonic minor', degrees }]);
  for (const one of degrees)
    expect(
      [names[one.chord.symbol], names[one.figure], names[`${one.job} ${one.degree}`]].every(Boolean),
    ).toBe(true);
  expect(names.viio7).toBe('vii°7');
});
