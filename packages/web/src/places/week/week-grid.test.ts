import { laneIn, laneOf, spanOf } from './week-grid';

const lesson = (id: string, time: string, minutes: number) => ({
  id,
  startsAt: `2026-06-09T${time}:00.000Z`,
  minutes,
});

test('the hours shown hold every lesson; a week without any shows a usual day', () => {
  expect(spanOf([], 'UTC')).toEqual({ from: 9, to: 19 });
  expect(spanOf([lesson('a', '07:30', 45), lesson('b', '20:15', 50)], 'UTC')).toEqual({ from: 7, to: 21 });
  expect(spanOf([lesson('a', '23:30', 60)], 'UTC')).toEqual({ from: 23, to: 23 });
});

test('lessons that overlap lie side by side; one that ends where another begins does not overlap', () => {
  const day = [lesson('a', '10:00', 60), lesson('b', '10:30', 30), lesson('c', '11:00', 30)];
  expect(day.map((one) => laneIn(one, day))).toEqual([
    { lane: 0, lanes: 2 },
    { lane: 1, lanes: 2 },
    { lane: 0, lanes: 1 },
  ]);
});

test('a lesson lies at its hour by the clock of the zone', () => {
  const one = lesson('a', '10:30', 30);
  expect(laneOf(one, [one], { from: 9, to: 19 }, 'Atlantic/Faroe')).toEqual({
    top: '210px',
    height: '42px',
    left: '0%',
    width: '100%',
  });
});
