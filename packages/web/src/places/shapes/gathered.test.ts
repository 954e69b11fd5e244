import type { PaperCard } from '@finch/core/paper';
import { withCard } from './gathered';
import { smallSize } from './small-picture';

const card = (name: string, frets: (number | null)[]): PaperCard => ({
  name,
  frets,
  fingers: frets.map(() => null),
  under: '',
});
const C = card('C', [null, 3, 2, 0, 1, 0]);

test('the same grip of the same chord is gathered once; under another name it is another card', () => {
  const twice = withCard(withCard([], C), { ...C, under: 'again' });
  expect(twice).toEqual([C]);
  expect(withCard(twice, card('Am7', C.frets as number[]))).toHaveLength(2);
});

test('at most 120 cards are gathered, the first ones kept', () => {
  const many = Array.from({ length: 130 }, (_, i) => card(`C${i}`, [i % 20, 0, 0, 0, 0, 0]));
  const gathered = many.reduce<PaperCard[]>(withCard, []);
  expect(gathered).toHaveLength(120);
  expect(gathered[0].name).toBe('C0');
});

test.each([
  [4000, 3000, 213, 160],
  [240, 160, 240, 160],
  [50, 20, 50, 20],
  [1000, 10, 240, 2],
  [3, 5000, 1, 160],
])('a picture of %i by %i becomes %i by %i', (width, height, w, h) => {
  expect(smallSize(width, height)).toEqual({ width: w, height: h });
});
