import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { fretsText } from '@finch/core/grips';
import { must } from '@finch/core/kernel';
import { easierStandIns, findShapes } from '@finch/core/shapes';
import { parseChord } from '@finch/core/theory';
import { givenUp, nameOfShape, STAND_IN_WORDS } from './shape-words';

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
