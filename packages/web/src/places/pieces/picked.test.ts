import { playedBars, readChart } from '@finch/core/score';
import { pickBar, stretchOf } from './picked';

// Played: 1 2 3 (first ending) 1 2 4 (second ending) 5 6.
const bars = playedBars(readChart('[A] x2\n| C | F |1. G |2. C |\n[B]\n| Am | F |').piece);

test('one bar, then all between two, then another one; the same again lets go', () => {
  expect(pickBar([], 3)).toEqual([3]);
  expect(pickBar([3], 6)).toEqual([3, 4, 5, 6]);
  expect(pickBar([3], 1)).toEqual([1, 2, 3]);
  expect(pickBar([3, 4, 5, 6], 2)).toEqual([2]);
  expect(pickBar([3], 3)).toEqual([]);
  expect(pickBar([3, 4], 3)).toEqual([]);
});

test('picked bars are heard in the order played, the first time they come', () => {
  expect(bars.map((bar) => bar.number)).toEqual([1, 2, 3, 1, 2, 4, 5, 6]);
  expect(stretchOf(bars, [1, 2], false)).toEqual({ from: 0, to: 1 });
  expect(stretchOf(bars, [4, 5], false)).toEqual({ from: 5, to: 6 });
  expect(stretchOf(bars, [], false)).toEqual({ from: 0, to: 7 });
  expect(stretchOf(bars, [99], false)).toBeNull();
  expect(stretchOf([], [], false)).toBeNull();
});

test('a drill ends at a repeat and at its most bars', () => {
  expect(stretchOf(bars, [], true)).toEqual({ from: 0, to: 2 });
  expect(stretchOf(bars, [2, 4], true)).toEqual({ from: 1, to: 1 });
  expect(stretchOf(bars, [], false, 4)).toEqual({ from: 0, to: 3 });
});
