import { STORY, storyDrawing, storyFrom, storyMoments } from './story-drawing';

const DAY = 86_400_000;
const NOW = Date.UTC(2026, 5, 9, 14);
const ago = (days: number) => NOW - days * DAY;
const point = (days: number, mean: number) => ({ at: ago(days), mean, low: mean - 0.1, high: mean + 0.1 });
const grips = { strandId: 'grips', met: 2, points: [point(120, 0.2), point(50, 0.5), point(0, 0.8)] };
const ear = { strandId: 'ear', met: 1, points: [point(20, 0.4), point(0, 0.4)] };

test('drawn from the first take, a week back at least and fourteen at most', () => {
  expect(storyFrom([ear], NOW)).toBe(ago(20));
  expect(storyFrom([grips, ear], NOW)).toBe(ago(98));
  expect(storyFrom([{ ...ear, points: [point(2, 0.4)] }], NOW)).toBe(ago(7));
  expect(storyFrom([], NOW)).toBe(ago(7));
});

test('a row for each strand, the weeks from left to right, higher where more comes clean', () => {
  const { rows, height, x } = storyDrawing([grips, ear], ago(98), NOW);
  expect(height).toBe(STORY.top + 2 * STORY.row + STORY.foot);
  expect(rows.map(({ strandId, y }) => [strandId, y])).toEqual([
    ['grips', STORY.top],
    ['ear', STORY.top + STORY.row],
  ]);
  expect([x(ago(98)), x(NOW)]).toEqual([STORY.label, STORY.width - 10]);
  // What held when the weeks begin is drawn from their edge; the strand was begun before.
  expect(rows[0].line.startsWith(`M${STORY.label},`)).toBe(true);
  expect(rows[0].begun).toBeNull();
  expect(rows[1].begun).toBeCloseTo(x(ago(20)), 6);
  const heights = rows[0].line.match(/[\d.]+(?=[LHMZ]|$)/g) ?? [];
  expect(Number(heights.at(-1))).toBeLessThan(Number(heights[0]));
  // Clean begins at 80: where the line of the first strand ends.
  expect(Number(heights.at(-1))).toBeCloseTo(rows[0].clean, 3);
});

test('weeks are told a few at a time, none outside', () => {
  const long = storyDrawing([grips], ago(98), NOW).ticks;
  expect(long.map(({ ago: weeks }) => weeks)).toEqual([0, 2, 4, 6, 8, 10, 12]);
  expect(long.every((tick) => tick.x >= STORY.label && tick.x <= STORY.width)).toBe(true);
  expect(storyDrawing([ear], ago(20), NOW).ticks.map(({ ago: weeks }) => weeks)).toEqual([0, 1, 2]);
});

test('what happened on the way, in order, within the weeks drawn', () => {
  const moments = storyMoments(
    {
      lessons: [
        { startsAt: new Date(ago(10)).toISOString(), state: 'written' },
        { startsAt: new Date(ago(40)).toISOString(), state: 'cancelled' },
        { startsAt: new Date(ago(30)).toISOString(), state: 'taught' },
      ],
      measured: [ago(98), ago(25)],
      stops: [
        { from: ago(20), to: ago(15) },
        { from: ago(1), to: null },
      ],
    },
    ago(90),
  );
  expect(moments).toEqual([
    { at: ago(30), words: 'first lesson on record' },
    { at: ago(25), words: 'hand on record' },
    { at: ago(20), words: 'pain' },
    { at: ago(15), words: 'cleared to play' },
    { at: ago(1), words: 'pain' },
  ]);
});
