import fc from 'fast-check';
import { logistic, logit } from '../kernel';
import { FORECAST, forecastShare } from './forecast';

const NOW = Date.UTC(2026, 5, 9);
const DAY = 86_400_000;
const skill = (playedDaysAgo: number | null, outlook: number | null = null) => ({
  chance: { mean: logistic(0.2) },
  lastAt: playedDaysAgo === null ? null : NOW - playedDaysAgo * DAY,
  outlook,
});

test('who practises grows, who has not played lately stays', () => {
  const grown = forecastShare(0.5, [skill(40), skill(3)], 14, NOW).going;
  expect(grown).toBeGreaterThan(0.51);
  expect(logit(grown)).toBeLessThan(14 * FORECAST.growthPerDay);
  expect(forecastShare(0.5, [skill(40), skill(null)], 14, NOW).going).toBeCloseTo(0.5, 9);
  expect(forecastShare(0.5, [], 14, NOW).going).toBeCloseTo(0.5, 9);
});

test('today is today', () => {
  expect(forecastShare(0.4, [skill(1)], 0, NOW)).toEqual({ going: 0.4, low: 0.4, high: 0.4, untouched: 0.4 });
});

test('the band is as wide as was found after fourteen days, and twice as wide after fifty-six', () => {
  const width = (days: number) => {
    const { low, high } = forecastShare(0.4, [skill(1)], days, NOW);
    return logit(high) - logit(low);
  };
  expect(width(14)).toBeCloseTo(2 * FORECAST.bandLogits, 9);
  expect(width(56)).toBeCloseTo(4 * FORECAST.bandLogits, 9);
});

test('untouched for fourteen days is what the outlook of the middle skill says', () => {
  const skills = [skill(1, logistic(-0.5)), skill(1, logistic(-2)), skill(1, logistic(0.1))];
  expect(forecastShare(logistic(0.2), skills, 14, NOW).untouched).toBeCloseTo(logistic(-0.5), 6);
});

test('the later the day the further it goes, never past a share, and rest never gains', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 1, noNaN: true }),
      fc.double({ min: 0.01, max: 0.99, noNaN: true }),
      fc.integer({ min: 1, max: 300 }),
      (today, outlook, days) => {
        const near = forecastShare(today, [skill(2, outlook)], days, NOW);
        const far = forecastShare(today, [skill(2, outlook)], days + 10, NOW);
        for (const one of Object.values({ ...near, later: far.going })) {
          expect(one).toBeGreaterThanOrEqual(0);
          expect(one).toBeLessThanOrEqual(1);
        }
        expect(near.low).toBeLessThan(near.going);
        expect(near.high).toBeGreaterThan(near.going);
        expect(far.going).toBeGreaterThanOrEqual(near.going - 1e-9);
        expect(near.untouched).toBeLessThanOrEqual(Math.max(today, 0.005) + 1e-9);
        expect(far.untouched).toBeLessThanOrEqual(near.untouched + 1e-9);
      },
    ),
  );
});
