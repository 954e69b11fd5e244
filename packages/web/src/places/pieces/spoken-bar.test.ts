import { readChart } from '@finch/core/score';
import { barMarks, spokenBar } from './spoken-bar';

const { piece } = readChart(`title: T
key: Ab major
time: 4/4
[A] x2
| Ab | % |1. Bbm7 Eb7 |2. 3/4 Ab |
`);
const bars = piece.sections[0].bars;
const said = { number: 1, limit: 58, weak: false };

test('the chords as they are spoken, and that one sounds on', () => {
  expect(spokenBar(bars[0], said)).toBe('bar 1: A flat');
  expect(spokenBar({ chords: [] }, { ...said, number: 2 })).toBe('bar 2: the chord before sounds on');
});

test('the round it belongs to, its effort against the limit, and the weakest change', () => {
  const ending = bars.find((bar) => bar.ending === 1)!;
  expect(spokenBar(ending, { number: 3, effort: 61.6, limit: 58, weak: true })).toBe(
    'bar 3, time 1: B flat minor 7, E flat 7; heaviest grip 62, over the limit; weakest change',
  );
  expect(spokenBar(ending, { number: 3, effort: 58.4, limit: 58, weak: false })).toMatch(/heaviest grip 58$/);
  expect(spokenBar(ending, { number: 3, effort: 99, limit: null, weak: false })).toMatch(/heaviest grip 99$/);
});

test('what changes with the bar, and the words sung to it', () => {
  const bar = {
    chords: [],
    time: { beats: 3, unit: 4 },
    tempoBpm: 96,
    melody: [{ beats: 1, word: 'row' }, { beats: 1 }, { beats: 1, word: 'on' }],
  } as unknown as Parameters<typeof spokenBar>[0];
  expect(barMarks(bar)).toEqual(['3/4', '96 bpm']);
  expect(spokenBar(bar, said)).toBe('bar 1: the chord before sounds on; 3/4; 96 bpm; words: row on');
});
