import { readChart } from '@finch/core/score';
import { inOrder, locksAfter, locksOf, NEW_CHART, type Listed } from './listed';

const listed = (title: string, day: string | null): Listed => ({
  body: {
    id: title,
    version: 1,
    mayChange: true,
    chart: '',
    concert: day ? { name: 'somewhere', day } : null,
    locks: {},
    parts: {},
  },
  piece: readChart(`title: ${title}\n| C |`).piece,
});

test('the next concert first; what is over counts no more; the rest by title', () => {
  const order = inOrder(
    [
      listed('B', null),
      listed('Late', '2026-07-01'),
      listed('Soon', '2026-06-12'),
      listed('A', '2026-01-01'),
    ],
    '2026-06-09',
  );
  expect(order.map((one) => one.piece.title)).toEqual(['Soon', 'Late', 'A', 'B']);
});

test('a new chart wants only a title', () => {
  expect(readChart(NEW_CHART).problems).toEqual([]);
  expect(readChart(NEW_CHART).piece.title).toBe('');
});

describe('locks', () => {
  const piece = (bars: string) => readChart(`title: T\n[A]\n${bars}`).piece;
  const lock = (fret: number) => ({ frets: [fret, fret, fret, fret, fret, fret] });
  const before = piece('| C | Am . F . | G | C |');
  const locks = { '0.0.0': lock(1), '0.1.2': lock(2), '0.3.0': lock(3) };
  const after = (bars: string) =>
    Object.fromEntries(
      Object.entries(locksAfter(before, piece(bars), locks)).map(([at, { frets }]) => [at, frets[0]]),
    );

  test('stand by their chord', () => {
    const body = { ...listed('T', null).body, locks };
    expect(locksOf({ body, piece: before }).map((one) => one?.frets[0] ?? 0)).toEqual([1, 0, 2, 0, 3]);
  });

  test('stay where nothing of the chords changed', () => {
    expect(after('| C | Am . F . | G | C |')).toEqual({ '0.0.0': 1, '0.1.2': 2, '0.3.0': 3 });
  });

  test('move along with bars put in or taken out', () => {
    expect(after('| C | Dm | Am . F . | G | C |')).toEqual({ '0.0.0': 1, '0.2.2': 2, '0.4.0': 3 });
    expect(after('| Am . F . | G | C |')).toEqual({ '0.0.2': 2, '0.2.0': 3 });
  });

  test('go with a chord that became another', () => {
    expect(after('| C | Am . Dm . | G | C |')).toEqual({ '0.0.0': 1, '0.3.0': 3 });
    expect(after('| Eb |')).toEqual({});
    expect(after('| C | Am | F | G | C |')).toEqual({ '0.0.0': 1, '0.2.0': 2, '0.4.0': 3 });
  });
});
