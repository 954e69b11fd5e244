import { changeLoop } from '../drills';
import { averageHand, standardGuitar } from '../fretboard';
import { parseFrets } from '../grips';
import { must } from '../kernel';
import { PLAIN_PRIOR } from '../changes';
import { countsOf, paceFrom, type LogEvent } from '.';

const recipe = changeLoop({
  grips: ['x02210', '022100'].map((text, i) => ({ chord: i ? 'E' : 'Am', frets: must(parseFrets(text)) })),
  beatsEach: 4,
});
const attempt = (id: string, minute: number, clean: number | null): LogEvent =>
  ({
    schemaVersion: 1,
    kind: 'attempt',
    id,
    take: {
      recipe,
      startedAt: new Date(Date.UTC(2026, 5, 1, 10, minute)).toISOString(),
      ...(clean === null ? {} : { count: { clean, seconds: 60 } }),
    },
  }) as unknown as LogEvent;

test('counts come in the order they were made; takes without one and voided ones are left out', () => {
  const events = [
    attempt('b', 5, 40),
    attempt('a', 1, 30),
    attempt('c', 7, null),
    attempt('d', 9, 99),
    { schemaVersion: 1, kind: 'void', id: 'e', voids: 'd', at: '2026-06-01T11:00:00.000Z' } as LogEvent,
  ];
  expect(countsOf(events).map((one) => one.clean)).toEqual([30, 40]);
});

test('only the latest dozen speak of the hand as it is now', () => {
  const counts = countsOf([
    ...Array.from({ length: 12 }, (_, i) => attempt(`slow${i}`, i, 12)),
    ...Array.from({ length: 12 }, (_, i) => attempt(`quick${i}`, 20 + i, 60)),
  ]);
  const fit = paceFrom(counts, averageHand, standardGuitar, PLAIN_PRIOR);
  const quick = paceFrom(counts.slice(12), averageHand, standardGuitar, PLAIN_PRIOR);
  expect(fit).toEqual(quick);
  expect(fit.counts).toBe(12);
});
