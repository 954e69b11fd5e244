import { clockTime, instantOf, readTime, weekOf } from './clock-times';

const ZONE = 'Atlantic/Faroe';

test('what is typed in a zone is read in that zone, summer and winter', () => {
  expect(instantOf({ day: '2026-06-09', time: '15:30' }, ZONE)?.toISOString()).toBe(
    '2026-06-09T14:30:00.000Z',
  );
  expect(instantOf({ day: '2026-12-09', time: '15:30' }, ZONE)?.toISOString()).toBe(
    '2026-12-09T15:30:00.000Z',
  );
  expect(clockTime('2026-06-09T14:30:00.000Z', ZONE)).toEqual({ day: '2026-06-09', time: '15:30' });
});

test.each([
  ['9:05', '09:05'],
  ['0905', '09:05'],
  ['9.05', '09:05'],
  [' 19 ', '19:00'],
  ['24:00', null],
  ['9:60', null],
  ['9 pm', null],
  ['', null],
])('%s is read as %s', (typed, read) => {
  expect(readTime(typed)).toBe(read);
});

test('31 February is no day', () => {
  expect(instantOf({ day: '2026-02-31', time: '10:00' }, ZONE)).toBeNull();
  expect(instantOf({ day: '', time: '10:00' }, ZONE)).toBeNull();
});

test('a week runs from Monday midnight of the zone, over the change of the clocks too', () => {
  const days = weekOf(Date.parse('2026-10-25T12:00:00.000Z'), ZONE);
  expect(days[0].toISOString()).toBe('2026-10-18T23:00:00.000Z');
  expect(days[7].toISOString()).toBe('2026-10-26T00:00:00.000Z');
  expect(weekOf(Date.parse('2026-10-25T12:00:00.000Z'), ZONE, 1)[0].toISOString()).toBe(
    '2026-10-26T00:00:00.000Z',
  );
});
