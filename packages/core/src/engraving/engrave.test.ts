/** A staff drawn, measured: heads on the right lines, signs of the key, slurs, lines of a page. */
import { staffBars, ticksOf, type Bar, type Score, type ScoreNote } from '../score';
import { standardGuitar } from '../fretboard';
import type { Mark } from '../shapes';
import { engrave, staffLines, type StaffDrawing } from '.';

const note = (stringIndex: number, fret: number, more: Partial<ScoreNote> = {}): ScoreNote => ({
  stringIndex,
  fret,
  finger: 1,
  ...more,
});
const bar = (lengths: readonly number[], notes: (i: number) => ScoreNote[], beats = 4): Bar => {
  let at = 0;
  return {
    beats,
    events: lengths.map((length, i) => {
      const tick = ticksOf(at);
      at += length;
      return { tick, ticks: ticksOf(length), notes: notes(i), stroke: 'pick' };
    }),
  };
};
const staffOf = (...bars: Bar[]) => {
  const score: Score = {
    schemaVersion: 1,
    strings: 6,
    tempoBpm: 60,
    countInBeats: 4,
    parts: [{ name: 'guitar', bars }],
  };
  return staffBars(score, standardGuitar);
};
const drawn = (bars: Bar[], fifths = 0) => engrave(staffOf(...bars), { fifths });
const count = (drawing: StaffDrawing, is: string) => drawing.marks.filter((mark) => mark.is === is).length;
/** Every point of a mark's path, as numbers two by two. */
const points = (mark: Mark): [number, number][] => {
  if (mark.kind !== 'path') return [];
  const all = [...mark.d.matchAll(/-?[\d.]+(?:e-?\d+)?/g)].map(Number);
  return Array.from({ length: all.length / 2 }, (_, i) => [all[2 * i], all[2 * i + 1]]);
};
const middle = (mark: Mark) => {
  const ys = points(mark).map(([, y]) => y);
  return (Math.min(...ys) + Math.max(...ys)) / 2;
};
const heads = (drawing: StaffDrawing) => drawing.marks.filter((mark) => mark.is === 'notehead').map(middle);
/** Half a space is 5: the lowest line of the staff is a written E4. */
const LOWEST_LINE = 84.5;

test('each head stands on its own line or space, an octave over its sound', () => {
  // Open strings: E2 A2 D3 G3 B3 E4, written E3 A3 D4 G4 B4 E5: 7 below the lowest line, then 4, 1; 2, 4 and 7 over it.
  const open = [0, 1, 2, 3, 4, 5].map((s) => bar([4], () => [note(s, 0)]));
  const steps = heads(drawn(open)).map((y) => Math.round((LOWEST_LINE - y) / 5));
  expect(steps).toEqual([-7, -4, -1, 2, 4, 7]);
  const five = drawn(open)
    .marks.filter((mark) => mark.is === 'stave')
    .slice(0, 5)
    .map(middle);
  expect(five).toEqual([44.5, 54.5, 64.5, 74.5, 84.5]);
});

test('a key of flats has them at the clef, in their order, and none before a note of the key', () => {
  const line = [bar([1, 1, 1, 1], (i) => [note(4, [1, 4, 3, 2][i], { name: ['C', 'Eb', 'D', 'Db'][i] })])];
  const inEb = drawn(line, -3);
  expect(count(inEb, 'keysignature')).toBe(3);
  // B flat, E flat, A flat: on the middle line, the highest space, the second space.
  const signs = inEb.marks.filter((mark) => mark.is === 'keysignature');
  // The stem of a flat stands over its line: the first is the B on the middle one.
  expect(middle(signs[0])).toBeLessThan(64.5 - 3);
  const lefts = signs.map((mark) => Math.min(...points(mark).map(([x]) => x)));
  expect(lefts).toEqual([...lefts].sort((a, b) => a - b));
  const bottoms = signs.map((mark) => Math.max(...points(mark).map(([, y]) => y)));
  expect(bottoms[1]).toBeLessThan(bottoms[0]);
  expect(bottoms[2]).toBeGreaterThan(bottoms[0]);
  // D is natural in this key and needs no sign; Db after it does; without a signature Eb needs one too.
  expect(count(inEb, 'accidental')).toBe(1);
  expect(count(drawn(line, 0), 'accidental')).toBe(2);
  expect(count(drawn(line, 5), 'keysignature')).toBe(5);
});

test('what is not struck is slurred to the note before, once for each; a slide has its line too, a tie none of them', () => {
  const by = (...how: (ScoreNote['by'] | undefined)[]) =>
    drawn([bar([1, 1, 1, 1], (i) => [note(3, i, how[i] ? { by: how[i] } : {})])]);
  const plain = by();
  expect([count(plain, 'slur'), count(plain, 'slide')]).toEqual([0, 0]);
  // A curve is stroked and filled.
  expect(count(by(undefined, 'hammer', 'pull'), 'slur')).toBe(4);
  const slid = by(undefined, 'slide');
  expect([count(slid, 'slur'), count(slid, 'slide')]).toEqual([2, 1]);
  const curve = slid.marks.find((mark) => mark.is === 'slur');
  const xs = curve ? points(curve).map(([x]) => x) : [];
  const at = slid.marks.filter((mark) => mark.is === 'notehead').map((mark) => points(mark).map(([x]) => x));
  expect(Math.min(...xs)).toBeGreaterThan(Math.min(...at[0]));
  expect(Math.max(...xs)).toBeLessThan(Math.max(...at[1]));
  const tied = drawn([bar([4], () => [note(3, 0)]), bar([4], () => [note(3, 0, { tied: true })])]);
  expect([
    count(tied, 'slur'),
    tied.marks.some((mark) => mark.is === 'stavetie' || mark.is === 'tie'),
  ]).toEqual([0, true]);
});

test('every length, rest, bracket, crossed head, accent and double sign has an outline', () => {
  const lengths = [
    [4],
    [2, 2],
    [3, 1],
    [1, 0.5, 0.5, 2],
    [0.25, 0.25, 0.5, 3],
    [0.125, 0.125, 0.75, 3],
    [1 / 3, 1 / 3, 1 / 3, 3],
    [0.0625, 0.0625, 0.875, 3],
  ];
  for (const one of lengths)
    expect(heads(drawn([bar(one, () => [note(2, 2)])])).length).toBeGreaterThanOrEqual(one.length);
  const rests = bar([0.5, 1.5, 0.25, 1.75], (i) => (i % 2 ? [] : [note(1, 3)]));
  expect(heads(drawn([rests]))).toHaveLength(2);
  expect(count(drawn([rests]), 'rest')).toBeGreaterThanOrEqual(2);
  const doubles = bar([1, 1, 1, 1], (i) => [note(3, 2, { name: ['A', 'G##', 'Bbb', 'A'][i] })]);
  expect(count(drawn([doubles]), 'accidental')).toBe(2);
  const struck = bar([1, 1, 1, 1], () => [note(3, 2)]);
  const hands = ['chop', 'mute', 'down accent', 'up accent'] as const;
  const chopped = {
    ...struck,
    events: struck.events.map((event, i) => ({ ...event, hand: hands[i], stroke: 'strum' as const })),
  };
  expect(drawn([chopped]).marks.length).toBeGreaterThan(drawn([struck]).marks.length);
  for (let fifths = -7; fifths <= 7; fifths++)
    expect(count(drawn([struck], fifths), 'keysignature')).toBe(Math.abs(fifths));
});

test('a sheet is as high as what stands on it: a high note and a low one are inside', () => {
  const high = drawn([bar([2, 2], (i) => [i ? note(5, 20) : note(0, 0)])]);
  const ys = high.marks.flatMap((mark) => points(mark).map(([, y]) => y));
  expect(Math.min(...ys)).toBeGreaterThanOrEqual(high.top);
  expect(Math.max(...ys)).toBeLessThanOrEqual(high.top + high.height);
  expect(high.top).toBeLessThan(0);
  expect(drawn([bar([4], () => [note(3, 0)])])).toMatchObject({ top: 0, height: 142 });
});

test('lines of a page: every bar once and in order, as wide as the page but the last, the time said where it changes', () => {
  const many = Array.from({ length: 11 }, (_, i) => bar([1, 1, 1, 1], (n) => [note(3, (i + n) % 5)]));
  const lines = staffLines(staffOf(...many), 2, 900);
  expect(lines.reduce((sum, line) => sum + line.bars.length, 0)).toBe(11);
  expect(lines.length).toBeGreaterThan(1);
  for (const line of lines.slice(0, -1)) expect(line.width).toBeCloseTo(900, 6);
  expect(lines[lines.length - 1].width).toBeLessThanOrEqual(900);
  expect(lines.map((line) => count(line, 'timesignature'))).toEqual([2, ...lines.slice(1).map(() => 0)]);
  expect(lines.map((line) => count(line, 'keysignature'))).toEqual(lines.map(() => 2));
  const heads = lines.flatMap((line) => line.marks.filter((mark) => mark.is === 'notehead'));
  expect(heads).toHaveLength(44);
  for (const line of lines)
    for (const mark of line.marks) for (const [x] of points(mark)) expect(x).toBeLessThanOrEqual(900);
  const changes = staffLines(
    staffOf(
      many[0],
      bar([1, 1, 1], () => [note(3, 0)], 3),
    ),
    0,
    900,
  );
  expect(count(changes[0], 'timesignature')).toBe(4);
  // A bar too full for a line has one of its own.
  const full = bar(
    Array.from({ length: 32 }, () => 0.125),
    () => [note(3, 0)],
  );
  expect(staffLines(staffOf(full, full), 0, 300)).toHaveLength(2);
});
