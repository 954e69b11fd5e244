import { readChart } from '@finch/core/score';
import { inOrder, NEW_CHART, type Listed } from './listed';

const listed = (title: string, day: string | null): Listed => ({
  body: {
    id: title,
    version: 1,
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
