/** The neck as a ruler: hands of known reach read off necks, and readings no hand gives. */
import fc from 'fast-check';
import { fretPositionMm } from '../fretboard/geometry';
import { MEASURED_AT, measuredReach, type NeckReading } from './measure';

/** Where a finger presses, written out again: .3 of a space behind the wire. */
const press = (scale: number, fret: number): number =>
  fretPositionMm(scale, fret) - 0.3 * (fretPositionMm(scale, fret) - fretPositionMm(scale, fret - 1));
/** What a hand of that reach reads off at a place. */
const read = (reach: number, first: number, scale: number): NeckReading => {
  let fourth = first;
  while (press(scale, fourth + 1) - press(scale, first) <= reach) fourth++;
  return { first, fourth };
};
const readAll = (reach: number, scale: number, places: readonly number[] = MEASURED_AT) =>
  places.map((first) => read(reach, first, scale));

test('one to four at the first fret of a 650 mm neck, by hand', () => {
  // Fret 1 is pressed at 25.5 mm, fret 4 at 124.9, fret 5 at 154.4: spans of 99.4 and 128.9.
  const found = measuredReach([read(110, 1, 650), read(110, 3, 650)], 650);
  expect(read(110, 1, 650)).toEqual({ first: 1, fourth: 4 });
  if (!found.ok) throw new Error(found.problem.code);
  expect(found.value.low).toBeLessThanOrEqual(110);
  expect(found.value.high).toBeGreaterThanOrEqual(110);
});

test('every hand lies where its readings say, on every neck, and more places say it more closely', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 80, max: 170, noNaN: true }),
      fc.integer({ min: 500, max: 660 }),
      (reach, scale) => {
        const two = measuredReach(readAll(reach, scale, [1, 5]), scale);
        const four = measuredReach(readAll(reach, scale), scale);
        if (!two.ok || !four.ok) throw new Error('no reach');
        for (const { value } of [two, four]) {
          expect(value.low).toBeLessThanOrEqual(Math.ceil(reach));
          expect(value.high).toBeGreaterThanOrEqual(Math.floor(reach));
          expect(value.mm).toBeGreaterThanOrEqual(value.low);
          expect(value.mm).toBeLessThanOrEqual(value.high);
        }
        expect(four.value.high - four.value.low).toBeLessThanOrEqual(two.value.high - two.value.low);
      },
    ),
  );
});

test('four places say a hand within two centimetres, most of them within one', () => {
  const errors = Array.from({ length: 90 }, (_, i) => {
    const found = measuredReach(readAll(80 + i, 650), 650);
    return found.ok ? Math.abs(found.value.mm - (80 + i)) : 99;
  });
  expect(Math.max(...errors)).toBeLessThanOrEqual(10);
  expect(errors.filter((error) => error <= 5).length).toBeGreaterThan(errors.length / 2);
});

test('readings that no hand gives are named by their place', () => {
  const problem = (readings: NeckReading[], scale = 650) => {
    const found = measuredReach(readings, scale);
    return found.ok ? null : [found.problem.code, found.problem.at];
  };
  expect(problem([])).toEqual(['measure.few', 'places']);
  expect(problem([read(120, 1, 650)])).toEqual(['measure.few', 'places']);
  expect(problem([read(120, 1, 650), { first: 5, fourth: 5 }])).toEqual(['measure.first', '5']);
  expect(problem([{ first: 0, fourth: 4 }, read(120, 3, 650)])).toEqual(['measure.first', '0']);
  expect(problem([{ first: 1, fourth: 6 }, read(90, 5, 650)])).toEqual(['measure.apart', '1']);
  expect(
    problem([
      { first: 1, fourth: 9 },
      { first: 3, fourth: 12 },
    ]),
  ).toEqual(['hand.reach', 'reachMm']);
  expect(
    problem([
      { first: 5, fourth: 6 },
      { first: 7, fourth: 8 },
    ]),
  ).toEqual(['hand.reach', 'reachMm']);
});
