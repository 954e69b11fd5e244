import { standardGuitar } from '../fretboard';
import { must } from '../kernel';
import { trueSigns, type Mark } from '../shapes';
import { parseScale } from '../theory';
import { boardSpoken, drawBoard, inPosition, type BoardShow } from '.';

const { notes } = inPosition(must(parseScale('Ab major')), 3, standardGuitar);
const drawn = (
  show: BoardShow = 'degrees',
  more: Partial<Parameters<typeof drawBoard>[2]> = {},
  all: Parameters<typeof drawBoard>[0] = notes,
) =>
  drawBoard(all, standardGuitar, {
    show,
    leftHanded: false,
    leastFrets: 5,
    width: 600,
    signs: trueSigns,
    ...more,
  });
const of = (marks: readonly Mark[], is: string) => marks.filter((mark) => mark.is.split(' ').includes(is));
const words = (marks: readonly Mark[]) =>
  of(marks, 'spot-text').map((mark) => (mark.kind === 'text' ? mark.text : ''));

test('a mark and a text for every note, the roots with their beaks', () => {
  const { marks } = drawn();
  expect([of(marks, 'spot').length, words(marks).length]).toEqual([notes.length, notes.length]);
  expect(of(marks, 'root').every((mark) => mark.kind === 'path')).toBe(true);
  expect(words(marks).filter((word) => word === 'R').length).toBe(of(marks, 'root').length);
  expect(of(marks, 'string')).toHaveLength(6);
});

test('degrees, names or fingers', () => {
  expect(words(drawn('notes').marks)).toContain('A♭');
  expect(words(drawn('fingers').marks).every((word) => /^[1-4]$/.test(word))).toBe(true);
  const [one] = notes;
  const dressed = { ...one, label: 'b9', look: 'care' as const, root: false };
  const { marks } = drawn('degrees', {}, [dressed]);
  expect([words(marks), of(marks, 'care-line').length, of(marks, 'root').length]).toEqual([['♭9'], 1, 0]);
});

test('string 1 is on top, frets are true, and for a left hand all is mirrored', () => {
  const spots = of(drawn('notes').marks, 'spot-text').map((mark) => (mark.kind === 'text' ? mark : null));
  const at = (s: number) => spots[notes.findIndex((one) => one.stringIndex === s)];
  expect((at(5)?.y ?? 0) < (at(0)?.y ?? 0)).toBe(true);
  const wires = of(drawn().marks, 'wire').map((mark) => (mark.kind === 'line' ? mark.x1 : 0));
  const gaps = wires.slice(1).map((x, i) => x - wires[i]);
  for (let i = 1; i < gaps.length; i++) expect(gaps[i] / gaps[i - 1]).toBeCloseTo(2 ** (-1 / 12), 4);
  const [right, left] = [drawn(), drawn('degrees', { leftHanded: true })].map(({ marks }) =>
    of(marks, 'spot-text').map((mark) => (mark.kind === 'text' ? mark.x : 0)),
  );
  right.forEach((x, i) => expect(left[i]).toBeCloseTo(600 - x, 6));
});

test('rings where they are asked for, and a spoken form string by string', () => {
  expect(of(drawn('degrees', { rings: [notes[0], notes[1]] }).marks, 'ring')).toHaveLength(2);
  expect(boardSpoken(notes, standardGuitar, (degree) => degree)).toBe(
    'string 1: 3 7, 4 1, 6 2; string 2: 4 5, 6 6; string 3: 3 2, 5 3, 6 4; string 4: 3 6, 5 7, 6 1; string 5: 3 3, 4 4, 6 5; string 6: 3 7, 4 1, 6 2',
  );
});
