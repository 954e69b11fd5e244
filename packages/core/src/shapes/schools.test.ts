import { averageHand, standardGuitar } from '../fretboard';
import { fretsText } from '../grips';
import { must } from '../kernel';
import { parseChord } from '../theory';
import {
  DEFAULT_SCHOOLS,
  familySymbol,
  findShapes,
  FORM_ORDER,
  formName,
  fretStep,
  handFor,
  positionOf,
  SCHOOL_CHOICES,
  schoolLimits,
  schoolsOf,
  stringStep,
  type Schools,
} from '.';

const context = { hand: averageHand, instrument: standardGuitar };
const shapes = (symbol: string, schools: Partial<Schools>) => {
  const all = schoolsOf(schools);
  return findShapes({
    chord: must(parseChord(symbol)),
    ...context,
    limits: schoolLimits(all),
    school: all,
  });
};

describe('whose school holds', () => {
  test('the nearest choice wins, switch by switch', () => {
    const schools = schoolsOf(
      { thumb: 'behind the neck', formNames: 'numbers' },
      { thumb: 'over the top' },
      { chordNames: 'family' },
    );
    expect(schools).toEqual({
      ...DEFAULT_SCHOOLS,
      thumb: 'over the top',
      formNames: 'numbers',
      chordNames: 'family',
    });
    expect(schoolsOf(null, undefined, {})).toEqual(DEFAULT_SCHOOLS);
  });

  test('every default is one of its choices', () => {
    for (const [name, choices] of Object.entries(SCHOOL_CHOICES))
      expect(choices).toContain(DEFAULT_SCHOOLS[name as keyof Schools]);
  });
});

describe('the thumb', () => {
  test('a school asks the hand to play otherwise and leaves its record alone', () => {
    const over = handFor(averageHand, schoolsOf({ thumb: 'over the top' }));
    expect([over.thumbOver, averageHand.thumbOver]).toEqual([true, false]);
    expect(handFor(over, schoolsOf({ thumb: 'behind the neck' })).thumbOver).toBe(false);
    expect(handFor(over, DEFAULT_SCHOOLS)).toBe(over);
  });

  test('over the top brings grips with a thumb that behind the neck never shows', () => {
    const withThumb = (thumb: Schools['thumb']) =>
      findShapes({
        chord: must(parseChord('D/F#')),
        instrument: standardGuitar,
        hand: handFor(averageHand, schoolsOf({ thumb })),
      }).filter((grip) => grip.fingers.includes('T')).length;
    expect(withThumb('over the top')).toBeGreaterThan(0);
    expect(withThumb('behind the neck')).toBe(0);
  });
});

describe('what is proposed', () => {
  test('a school that leaves the root to the bass shows rootless grips, and high in the list', () => {
    const list = shapes('Am7', { root: 'left to the bass' });
    const first = list.findIndex((grip) => grip.inversion !== '1');
    expect(first).toBeGreaterThanOrEqual(0);
    expect(first).toBeLessThan(8);
    expect(list.some((grip) => grip.rootString === null)).toBe(true);
    expect(shapes('Am7', {}).every((grip) => grip.inversion === '1')).toBe(true);
  });

  test('the five under the root is avoided or used', () => {
    const used = shapes('C', { fiveUnderRoot: 'use' });
    const full = (list: typeof used) => list.findIndex((grip) => fretsText(grip.frets) === '332010');
    const shrugged = findShapes({
      chord: must(parseChord('C')),
      ...context,
      limits: { bass: 'root or 5' },
    });
    expect(full(used)).toBeGreaterThanOrEqual(0);
    expect(full(used)).toBeLessThan(full(shrugged) - 20);
    expect(new Set(used.map((grip) => grip.inversion))).toEqual(new Set(['1', '5']));
    expect(shapes('C', {}).some((grip) => grip.inversion === '5')).toBe(false);
  });

  test('the inner four come first, and nothing is left out', () => {
    const inner = shapes('F', { outerStrings: 'inner four' });
    expect(inner).toHaveLength(shapes('F', {}).length);
    const [first] = inner;
    expect([first.frets[0], first.frets[5]]).toEqual([null, null]);
    expect(shapes('F', {})[0].frets.filter((fret) => fret !== null)).toHaveLength(6);
  });
});

describe('words', () => {
  test('forms by letter, by number from a first one, by root string', () => {
    const names = (formNames: Schools['formNames'], firstForm: Schools['firstForm']) =>
      FORM_ORDER.map((form) => formName(form, { formNames, firstForm }));
    expect(names('numbers', 'C').map((one) => one.kind === 'number' && one.number)).toEqual([1, 2, 3, 4, 5]);
    expect(names('numbers', 'E').map((one) => one.kind === 'number' && one.number)).toEqual([3, 4, 5, 1, 2]);
    expect(names('root strings', 'C').map((one) => one.kind === 'root string' && one.string)).toEqual([
      5, 5, 6, 6, 4,
    ]);
    expect(formName('E', DEFAULT_SCHOOLS)).toEqual({ kind: 'letter', form: 'E' });
  });

  test.each([
    ['F#m7b5', 'F#dim'],
    ['Cmaj9', 'C'],
    ['G13', 'G7'],
    ['Am9', 'Am'],
    ['Bb69', 'Bb'],
    ['Dsus4', 'Dsus'],
    ['Ebaug', 'Ebaug'],
    ['C5', 'C'],
    ['AmMaj7', 'Am'],
  ])('%s by its family is %s', (symbol, family) => {
    expect(familySymbol(must(parseChord(symbol)))).toBe(family);
  });

  test('down a string and down a fret go the way of the school', () => {
    expect([
      stringStep(true, { stringDown: 'to the thin side' }),
      stringStep(true, { stringDown: 'to the thick side' }),
    ]).toEqual(['down', 'up']);
    expect([fretStep(true, { fretDown: 'to the nut' }), fretStep(true, { fretDown: 'to the body' })]).toEqual(
      ['down', 'up'],
    );
  });
});

describe('position', () => {
  test.each([
    ['133211', 'F', 1],
    ['x35553', 'C', 3],
    ['x32010', 'C', 1],
    ['022100', 'E', 1],
    ['x-0-2-2-2-0', 'A', 2],
  ])('%s lies in position %s', (text, symbol, position) => {
    const grip = shapes(symbol, {}).find((one) => fretsText(one.frets) === text.replaceAll('-', ''));
    expect(grip && positionOf(grip)).toBe(position);
  });

  test('asked for, only grips of that position are listed, all of those without it', () => {
    const list = (position: number | null) =>
      findShapes({ chord: must(parseChord('Am7')), ...context, limits: { position } });
    const fifth = list(5);
    expect(fifth.length).toBeGreaterThan(3);
    expect(fifth.every((grip) => positionOf(grip) === 5)).toBe(true);
    expect(fifth).toHaveLength(list(null).filter((grip) => positionOf(grip) === 5).length);
  });
});
