import {
  averageHand,
  fretPositionMm,
  makeHand,
  makeInstrument,
  neckGeometry,
  pitchAt,
  spanFactor,
  standardGuitar,
  stringNumber,
  type Instrument,
} from '.';
import { must } from '../kernel';

describe('the neck', () => {
  test('fret 12 halves the string and fret 24 quarters it', () => {
    expect(fretPositionMm(648, 12)).toBeCloseTo(324, 9);
    expect(fretPositionMm(648, 24)).toBeCloseTo(486, 9);
    expect(fretPositionMm(648, 0)).toBe(0);
  });

  test('fret spaces narrow by the twelfth root of two', () => {
    const { widthMm } = neckGeometry(standardGuitar);
    for (let fret = 2; fret <= 22; fret++)
      expect(widthMm[fret - 1] / widthMm[fret]).toBeCloseTo(2 ** (1 / 12), 9);
    expect(widthMm[1]).toBeCloseTo(36.37, 2);
  });

  test('strings are stiff at the nut, easiest in the middle, and measured against fret 5', () => {
    const { stiffness } = neckGeometry(standardGuitar);
    expect(stiffness[5]).toBe(1);
    expect(stiffness[1]).toBeCloseTo(2.4, 1);
    expect(stiffness[2]).toBeCloseTo(1.4, 1);
    expect(stiffness[12]).toBeCloseTo(1.2, 1);
  });

  test('strings stand wider apart toward the body', () => {
    const { stringPitchMm } = neckGeometry(standardGuitar);
    expect(stringPitchMm[1]).toBeGreaterThan(7.3);
    for (let fret = 2; fret <= 22; fret++)
      expect(stringPitchMm[fret]).toBeGreaterThan(stringPitchMm[fret - 1]);
  });

  test('with a capo places are true and stiffness follows the speaking length', () => {
    const plain = neckGeometry(standardGuitar);
    const capo = neckGeometry({ ...standardGuitar, capo: 4 });
    for (let fret = 1; fret <= 10; fret++) {
      expect(capo.pressMm[fret]).toBeCloseTo(plain.pressMm[fret + 4], 9);
      expect(capo.widthMm[fret]).toBeCloseTo(plain.widthMm[fret + 4], 9);
    }
    expect(capo.stiffness[5]).toBe(1);
    expect(capo.stiffness[1]).toBeGreaterThan(1.5);
    expect(capo.fretMm).toHaveLength(19);
  });

  test('geometry is kept as long as its instrument', () => {
    expect(neckGeometry(standardGuitar)).toBe(neckGeometry(standardGuitar));
  });
});

describe('strings', () => {
  test('are numbered from the thinnest and sound where a guitar sounds', () => {
    expect([0, 5].map((index) => stringNumber(standardGuitar, index))).toEqual([6, 1]);
    expect([pitchAt(standardGuitar, 0, 0), pitchAt(standardGuitar, 5, 12)]).toEqual([40, 76]);
    expect(pitchAt({ ...standardGuitar, capo: 2 }, 1, 3)).toBe(50);
  });
});

describe('limits of what can be made', () => {
  test.each([
    [{ openPitches: [40, 45, 50] }, 'instrument.strings'],
    [{ openPitches: [40, 45, 50, 200] }, 'instrument.pitch'],
    [{ scaleLengthMm: 900 }, 'instrument.scale'],
    [{ scaleLengthMm: Number.NaN }, 'instrument.scale'],
    [{ frets: 30 }, 'instrument.frets'],
    [{ capo: 12 }, 'instrument.capo'],
    [{ setup: { strings: 'steel', gaugeMm: 3, actionMm: 2 } }, 'instrument.gauge'],
    [{ setup: { strings: 'nylon', gaugeMm: 0.7, actionMm: 40 } }, 'instrument.action'],
  ] as [Partial<Instrument>, string][])('an instrument with %j is refused as %s', (parts, code) => {
    const made = makeInstrument(parts);
    expect(made.ok ? '' : made.problem.code).toBe(code);
  });

  test.each([
    [{ reachMm: 300 }, 'hand.reach'],
    [{ reachMm: 40 }, 'hand.reach'],
    [{ sizeFactor: 2 }, 'hand.size'],
    [{ sizeFactor: Number.NaN }, 'hand.size'],
  ])('a hand with %j is refused as %s', (parts, code) => {
    const made = makeHand(parts);
    expect(made.ok ? '' : made.problem.code).toBe(code);
  });

  test('four to eight strings of any tuning are instruments', () => {
    expect(must(makeInstrument({ openPitches: [28, 33, 38, 43] })).openPitches).toHaveLength(4);
    expect(must(makeInstrument({ openPitches: [30, 35, 40, 45, 50, 55, 59, 64] })).openPitches).toHaveLength(
      8,
    );
  });

  test('a measured reach scales spans in the place of the factor', () => {
    expect(spanFactor(averageHand)).toBe(1);
    expect(spanFactor(must(makeHand({ sizeFactor: 0.9 })))).toBe(0.9);
    expect(spanFactor(must(makeHand({ sizeFactor: 0.9, reachMm: 140 })))).toBe(1);
  });
});
