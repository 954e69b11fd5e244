import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { fretsText } from '@finch/core/grips';
import { must } from '@finch/core/kernel';
import { easierStandIns, findShapes, schoolsOf } from '@finch/core/shapes';
import { parseChord } from '@finch/core/theory';
import { holdSchool } from './school';
import {
  easierFingers,
  fingersSpoken,
  fingersText,
  givenUp,
  nameOfShape,
  STAND_IN_WORDS,
} from './shape-words';

const context = { hand: averageHand, instrument: standardGuitar };
const find = (symbol: string, frets: string, limits = {}) => {
  const grip = findShapes({ chord: must(parseChord(symbol)), ...context, limits }).find(
    (one) => fretsText(one.frets) === frets,
  );
  if (!grip) throw new Error(`no ${frets}`);
  return grip;
};

test.each([
  ['C', 'x32010', 'open chord'],
  ['F', '133211', 'E form, fret 1'],
  ['Bb7', '6x67xx', 'shell, fret 6, no 5'],
  ['Am', 'xx2210', 'fret 1, 5 lowest'],
])('%s as %s is called %s', (symbol, frets, words) =>
  expect(nameOfShape(find(symbol, frets, { bass: 'any' }))).toBe(words),
);

test('a close triad is told apart by its lowest note, or by the string of its root', () => {
  const named = () =>
    ['xxx010', 'xxx553', 'xxx988'].map((frets) => nameOfShape(find('C', frets, { bass: 'any' })));
  expect(named()).toEqual([
    'close triad, fret 1, 5 lowest',
    'close triad, fret 3',
    'close triad, fret 8, 3 lowest',
  ]);
  holdSchool(schoolsOf({ triadNames: 'root string' }));
  expect(named()).toEqual(['triad, root on string 2', 'triad, root on string 3', 'triad, root on string 1']);
  holdSchool(schoolsOf());
});

test('every stand-in of a barre says what it is and what it costs', () => {
  const all = easierStandIns(find('F', '133211'), { chord: must(parseChord('F')), ...context });
  for (const one of all) {
    expect(STAND_IN_WORDS[one.kind]).toBeTruthy();
    expect(givenUp(one)).not.toBe('');
  }
  const capo = all.find((one) => one.kind === 'capo');
  expect(capo && givenUp(capo)).toBe('capo at fret 1');
  const fewer = all.find((one) => one.kind === 'fewer strings');
  expect(fewer && givenUp(fewer)).toMatch(/falls? silent/);
});

test('fingers are said as fingers, from the thickest string on, and never as a row that reads like frets', () => {
  expect(fingersText([null, 3, 2, 0, 1, 0])).toBe('3-2-1');
  expect(fingersText([1, 3, 4, 2, 1, 1])).toBe('1-3-4-2-1-1');
  expect(fingersText([0, 0, 0, 0, 0, 0])).toBe('none');
  expect(fingersSpoken(['T', null, null, 1, null, null])).toBe('thumb on string 6, finger 1 on string 3');
  const easier = { fingers: [null, 4, 3, 0, 1, 0], points: 31.4, barres: [], custom: false } as const;
  expect(easierFingers({ points: 37.5, easier })).toBe('With 4-3-1 it saves 6.1 points for this hand.');
  expect(easierFingers({ points: 37.5, easier: null })).toBe('');
});
