import { durationsOf, writtenNotes } from './staff-engraver';

test.each([
  [4, ['w']],
  [3, ['h.']],
  [2, ['h']],
  [1, ['q']],
  [3.5, ['h.', '8']],
  [6, ['w', 'h']],
  [1.5, ['q.']],
  [0.75, ['8.']],
  [0.25, ['16']],
  [1 / 3, ['8']],
  [2 / 3, ['q']],
  [0, []],
])('%d beats are written %j', (beats, written) => {
  expect(durationsOf(beats).map(({ duration, dots }) => duration + '.'.repeat(dots))).toEqual(written);
});

test('every sixteenth up to eight bars is written whole', () => {
  const length: Readonly<Record<string, number>> = { w: 4, h: 2, q: 1, '8': 0.5, '16': 0.25 };
  for (let steps = 1; steps <= 128; steps++) {
    const written = durationsOf(steps / 4);
    const sum = written.reduce((beats, one) => beats + length[one.duration] * (one.dots ? 1.5 : 1), 0);
    expect(sum).toBe(steps / 4);
  }
});

const note = { written: { note: { letter: 'C', accidental: 0 }, octave: 4 }, midi: 48 } as const;
const shown = (events: readonly (readonly [beat: number, beats: number, rings?: boolean])[], unit = 4) =>
  writtenNotes({
    beats: 4,
    unit,
    events: events.map(([beat, beats, rings = true]) => ({ beat, beats, notes: rings ? [note] : [] })),
  }).map(
    (one) =>
      `${one.tied ? '~' : ''}${one.event.notes.length ? '' : 'r'}${one.duration}${'.'.repeat(one.dots)}${one.triplet === null ? '' : `t${one.triplet}`}`,
  );

test('a length that is no single note is written as tied notes; a rest is never tied', () => {
  expect(shown([[0, 2.5]])).toEqual(['h', '~8']);
  expect(shown([[0, 2.5, false]])).toEqual(['rh', 'r8']);
});

test('thirds of a beat are triplets, divided where they cross one', () => {
  expect(shown([[0, 2 / 3], [2 / 3, 1 / 3]])).toEqual(['qt0', '8t0']); // prettier-ignore
  expect(shown([[0, 2 / 3], [2 / 3, 2 / 3], [4 / 3, 2 / 3]])).toEqual(['qt0', '8t0', '~8t1', 'qt1']); // prettier-ignore
});

test('a beat of another unit is written as that unit', () => {
  expect(shown([[0, 1], [1, 2], [3, 3]], 8)).toEqual(['8', 'q', 'q.']); // prettier-ignore
});
