import fc from 'fast-check';
import {
  doneOf,
  latestShare,
  LONGEST_DONE_MINUTES,
  minutesDone,
  notesOf,
  spannedMs,
  type LessonShare,
  type RunBlock,
} from './done';

const MIN = 60_000;
const row = (blockId: string, spans: [number, number][], clean = 0, brought = false): RunBlock => ({
  blockId,
  title: { code: 'title.blank', values: { text: blockId } },
  kind: 'review',
  spans: spans.map(([from, to]) => [from * MIN, to * MIN]),
  takes: { clean, nearly: 0, notYet: 0 },
  brought,
});
const share = (id: string, blocks: RunBlock[], more: Partial<LessonShare> = {}): LessonShare => ({
  id,
  at: blocks.at(-1)?.blockId ?? null,
  movedAt: 0,
  blocks,
  note: '',
  ...more,
});

test('two screens add their takes; time they spent on one block together counts once', () => {
  const laptop = share('a', [row('x', [[0, 5]], 1), row('y', [[5, 9]], 2)]);
  const tablet = share('b', [row('y', [[7, 12]], 1), row('z', [[12, 14]])]);
  const done = doneOf([laptop, tablet]);
  expect(done.map((one) => [one.blockId, one.minutes, one.takes.clean])).toEqual([
    ['x', 5, 1],
    ['y', 7, 3],
    ['z', 2, 0],
  ]);
  expect(minutesDone(done)).toBe(14);
});

test('what was written up before stays, and more is added to it', () => {
  const before = doneOf([share('a', [row('x', [[0, 5]], 1)])]);
  const done = doneOf([share('b', [row('x', [[60, 62]], 1), row('n', [[62, 63]], 0, true)])], before);
  expect(done.map((one) => [one.blockId, one.minutes, one.takes.clean, one.brought])).toEqual([
    ['x', 7, 2, false],
    ['n', 1, 0, true],
  ]);
});

test('a screen left lying teaches ninety minutes at most, and a clock set back nothing', () => {
  expect(spannedMs([[0, 900 * MIN]])).toBe(90 * MIN);
  expect(spannedMs([[10 * MIN, 4 * MIN]])).toBe(0);
});

test('the union of spans is what a minute-by-minute count says', () => {
  fc.assert(
    fc.property(fc.array(fc.tuple(fc.nat(80), fc.nat(80)), { maxLength: 8 }), (spans) => {
      let minutes = 0;
      for (let m = 0; m < 200; m++)
        if (spans.some(([from, length]) => m >= from && m < from + length)) minutes++;
      expect(spannedMs(spans.map(([from, length]) => [from * MIN, (from + length) * MIN]))).toBe(
        minutes * MIN,
      );
    }),
  );
});

test('a lesson goes on where a screen moved last; notes stand once each', () => {
  const a = share('a', [], { movedAt: 5, at: 'x', note: ' Elbow in ' });
  const b = share('b', [], { movedAt: 9, at: 'y', note: 'Elbow in' });
  const c = share('c', [], { movedAt: 7, at: 'z', note: 'Slower' });
  expect(latestShare([a, b, c])?.at).toBe('y');
  expect(latestShare([])).toBeNull();
  expect(notesOf([a, b, c])).toBe('Elbow in\nSlower');
});

test('no block lasts longer than four hours, whatever screens say', () => {
  const wild = Array.from({ length: 400 }, (_, i): [number, number] => [i * 100, i * 100 + 90]);
  expect(doneOf([share('a', [row('x', wild)])])[0].minutes).toBe(LONGEST_DONE_MINUTES);
});
