import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { must } from '@finch/core/kernel';
import { DEFAULT_LIMITS, DEFAULT_SCHOOLS, explainLimits, findShapes } from '@finch/core/shapes';
import { parseChord } from '@finch/core/theory';
import {
  asksOf,
  givenWay,
  limitsOf,
  NOTHING_ASKED,
  readAsked,
  readHeld,
  writeAsked,
  writeHeld,
  type Asked,
} from './asked';

test('asking nothing asks what the search asks by itself', () => {
  expect({ ...DEFAULT_LIMITS, ...limitsOf(NOTHING_ASKED) }).toEqual(DEFAULT_LIMITS);
});

test('each control is one limit', () => {
  expect(
    limitsOf({
      ...NOTHING_ASKED,
      open: 'some',
      barre: false,
      effortUpTo: 44,
      strings: { 6: 'leave', 1: 'must', 2: 'any' },
      rootString: 5,
      form: 'A',
      top: 'b7',
      fromFret: 3,
      toFret: 7,
    }),
  ).toEqual({
    ...limitsOf(NOTHING_ASKED),
    wantOpen: true,
    allowBarre: false,
    maxEffort: 44,
    mustSound: [1],
    mustMute: [6],
    rootString: 5,
    form: 'A',
    top: 'b7',
    minFret: 3,
    maxFret: 7,
  });
});

test('another lowest note takes the root out of the bass, and frets never cross', () => {
  expect(limitsOf({ ...NOTHING_ASKED, inversion: '3' }).bass).toBe('any');
  expect(limitsOf({ ...NOTHING_ASKED, fromFret: 9, toFret: 5 }).maxFret).toBe(9);
});

test.each<[string, Partial<Asked>]>([
  ['F', { effortUpTo: 12 }],
  ['C7#9', { effortUpTo: 20, open: 'none' }],
  ['Bb', { toFret: 2, form: 'E' }],
  ['Em', { open: 'none', toFret: 3 }],
  ['Dm7b5', { top: '1', inversion: '3', rootString: 6 }],
])('%s asked %j: taking the steps offered, one after another, fills the list', (symbol, asks) => {
  const request = (asked: Asked) => ({
    chord: must(parseChord(symbol)),
    hand: averageHand,
    instrument: standardGuitar,
    limits: limitsOf(asked),
  });
  let asked: Asked = { ...NOTHING_ASKED, ...asks };
  let taken = 0;
  while (findShapes(request(asked)).length === 0 && taken < 3) {
    const [way] = explainLimits(request(asked));
    expect(way.brings).toBeGreaterThan(0);
    asked = givenWay(asked, way);
    taken++;
  }
  expect(findShapes(request(asked)).length).toBeGreaterThan(0);
  expect(taken).toBeLessThanOrEqual(2);
});

test('the address holds what is asked, and nothing when nothing is', () => {
  expect(writeAsked(NOTHING_ASKED)).toBe('');
  const asked: Asked = { ...NOTHING_ASKED, strings: { 6: 'leave' }, use: 'chop', top: 'b7', toFret: 9 };
  expect(readAsked(writeAsked(asked))).toEqual(asked);
});

test.each(['', 'nonsense', '[]', '{"effortUpTo":9000}', '{"use":"dance"}', '{"strings":{"9":"must"}}', '7'])(
  'an address with %j asks nothing',
  (text) => expect(readAsked(text)).toEqual(NOTHING_ASKED),
);

test('the grip held goes through the address and back; an address that names none holds nothing', () => {
  const frets = [null, 0, 2, 2, 1, 0];
  const text = writeHeld({ chord: { symbol: 'F#m7b5' }, grip: { frets } });
  expect(readHeld(text)).toMatchObject({ chord: { symbol: 'F#m7b5' }, frets });
  expect(writeHeld(null)).toBe('');
  for (const other of ['', 'Am', 'Am ?', 'Q x02210', ' x02210']) expect(readHeld(other)).toBeNull();
});

describe('where the lowest note may lie', () => {
  const withSchool = (asked: Partial<Asked>, schools: object) =>
    limitsOf({ ...NOTHING_ASKED, ...asked }, { ...DEFAULT_SCHOOLS, ...schools });

  test('is as the school has it while nothing is asked', () => {
    expect(withSchool({}, {}).bass).toBe('root');
    expect(withSchool({}, { fiveUnderRoot: 'use' }).bass).toBe('root or 5');
    expect(withSchool({}, { root: 'left to the bass' })).toMatchObject({ bass: 'any', allowRootless: true });
  });

  test('what is asked by hand comes on top', () => {
    expect(withSchool({ rootInBass: true }, { root: 'left to the bass' }).bass).toBe('root');
    expect(withSchool({ rootInBass: false }, {}).bass).toBe('any');
    expect(withSchool({ inversion: '3' }, { fiveUnderRoot: 'use' }).bass).toBe('any');
  });
});

test('a position asked for is a limit, and giving way takes it back', () => {
  const asked = { ...NOTHING_ASKED, position: 5 };
  expect(limitsOf(asked).position).toBe(5);
  const chord = must(parseChord('C'));
  const request = {
    chord,
    hand: averageHand,
    instrument: standardGuitar,
    limits: { ...limitsOf(asked), maxFret: 3 },
  };
  const [way] = explainLimits(request);
  expect(way.limits.length).toBeGreaterThan(0);
  expect(givenWay(asked, { ...way, limits: ['position'], to: [null] }).position).toBeNull();
  expect(readAsked(writeAsked(asked)).position).toBe(5);
});

test('what is asked is counted: strings once, however many, and nothing that asks nothing', () => {
  expect(asksOf(NOTHING_ASKED)).toBe(0);
  expect(asksOf({ ...NOTHING_ASKED, strings: { 6: 'any' } })).toBe(0);
  expect(asksOf({ ...NOTHING_ASKED, strings: { 6: 'must', 5: 'leave' }, barre: false, toFret: 7 })).toBe(3);
});
