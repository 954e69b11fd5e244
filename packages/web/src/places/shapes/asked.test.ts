import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { must } from '@finch/core/kernel';
import { DEFAULT_LIMITS, explainLimits, findShapes } from '@finch/core/shapes';
import { parseChord } from '@finch/core/theory';
import { givenWay, limitsOf, NOTHING_ASKED, readAsked, writeAsked, type Asked } from './asked';

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
