import { dayText, timeText, whenText } from './when';

const at = '2026-06-09T23:30:00.000Z';

test('a time is said in the zone asked for, never with am or pm', () => {
  expect(timeText(at, 'Atlantic/Faroe')).toBe('00:30');
  expect(timeText(Date.parse(at), 'America/New_York')).toBe('19:30');
});

test('a day is the day of that zone', () => {
  expect(dayText(at, 'Atlantic/Faroe')).toBe('Wednesday 10 June');
  expect(dayText(at, 'UTC')).toBe('Tuesday 9 June');
  expect(whenText(at, 'UTC')).toBe('Tue 9 Jun, 23:30');
});
