/** A week on one page: its minutes in the cells, nothing on days off, whole drills as far as there is room, cautions on each. */
import { changeLoop, makeDrill, onPaper, ringCheck, type Recipe } from '../drills';
import { averageHand, standardGuitar } from '../fretboard';
import { must } from '../kernel';
import { trueSigns, type Mark } from '../shapes';
import { drawWeekSheet, type WeekSheetDrill, type WeekSheetOptions } from '.';

const context = { hand: averageHand, instrument: standardGuitar };
const C = { chord: 'C', frets: [null, 3, 2, 0, 1, 0] };
const G = { chord: 'G', frets: [3, 2, 0, 0, 0, 3] };
const drill = (row: number, recipe: Recipe): WeekSheetDrill => ({
  row,
  title: `Drill of row ${row}`,
  aside: '60 to 66 bpm',
  line: 'Were 9 of 10 clean?',
  content: onPaper(must(makeDrill(recipe, context)), { asks: [], names: {}, signs: trueSigns }, context),
});
const loop = changeLoop({ grips: [C, G], beatsEach: 4 });
const options = (more: Partial<WeekSheetOptions> = {}): WeekSheetOptions => ({
  title: 'Corro Bellfenny',
  head: ['Homework, 10 to 12 June', 'next lesson Tuesday 16 June, 16:45'],
  foot: 'The Shed',
  days: [
    { name: 'Wed 10', off: false },
    { name: 'Thu 11', off: true },
    { name: 'Fri 12', off: false },
  ],
  rows: [
    { name: 'Warm up', minutes: [3, 0, 3] },
    { name: 'C to G', minutes: [5, 0, 4] },
  ],
  drills: [drill(1, loop)],
  cautions: ['Pain means stop.', 'See a doctor.'],
  words: {
    minutes: 'min',
    take: 'take',
    tempo: 'bpm',
    clean: 'clean, of 8',
    felt: 'hand felt',
    feels: ['easy', 'tense', 'pain'],
    question: 'A question for the lesson:',
  },
  names: {},
  show: 'fingers',
  leftHanded: false,
  signs: trueSigns,
  ...more,
});
const texts = (marks: readonly Mark[], is: string) =>
  marks.flatMap((mark) => (mark.kind === 'text' && mark.is === is ? [mark.text] : []));
const drawn = (more: Partial<WeekSheetOptions> = {}) => drawWeekSheet(options(more)).marks;

test('each day that is played has its minutes and a box to tick; a day off is hatched and empty', () => {
  const marks = drawn();
  expect(texts(marks, 'day')).toEqual(['Wed 10', 'Thu 11', 'Fri 12']);
  expect(texts(marks, 'minutes')).toEqual(['3 min', '3 min', '5 min', '4 min']);
  expect(marks.filter((mark) => mark.is === 'tick')).toHaveLength(4);
  const open = drawn({ days: options().days.map((day) => ({ ...day, off: false })) });
  expect(marks.length).toBeGreaterThan(open.length);
});

test('a drill has its number in the table and at its head, its grips, its tab and six boxes for takes', () => {
  const marks = drawn();
  expect(texts(marks, 'row')).toEqual(['Warm up', '1  C to G']);
  expect(texts(marks, 'drill')).toEqual(['1  Drill of row 1']);
  expect(texts(marks, 'name')).toEqual(['C', 'G']);
  expect(texts(marks, 'fret').length).toBeGreaterThan(8);
  expect(texts(marks, 'take')).toEqual([1, 2, 3, 4, 5, 6].map((n) => `take ${n}`));
  expect(texts(marks, 'feels')[0]).toContain('tense');
});

test('what has no room stands in the table alone, without a number; nothing is drawn off the page or into the cautions', () => {
  const rows = Array.from({ length: 7 }, (_, i) => ({ name: `Row ${i}`, minutes: [3, 0, 3] }));
  const marks = drawn({
    rows,
    drills: [1, 2, 3, 4, 5].map((row) => drill(row, row % 2 ? loop : ringCheck(C))),
  });
  const shown = texts(marks, 'drill').length;
  expect(shown).toBeGreaterThan(0);
  expect(shown).toBeLessThan(5);
  expect(texts(marks, 'row').filter((name) => /^\d/.test(name))).toHaveLength(shown);
  const ruled = marks.flatMap((mark) => (mark.kind === 'line' ? [mark.y1, mark.y2] : []));
  expect(Math.max(...ruled)).toBeLessThan(297 - 16);
  const across = marks.flatMap((mark) => (mark.kind === 'line' ? [mark.x1, mark.x2] : []));
  expect(Math.min(...across)).toBeGreaterThanOrEqual(16 - 1e-9);
  expect(Math.max(...across)).toBeLessThanOrEqual(210 - 16 + 1e-9);
  // The last row of boxes ends above the line over the cautions.
  const lowest = Math.max(
    ...marks.flatMap((mark) => (mark.kind === 'text' && mark.is === 'feels' ? [mark.y] : [])),
  );
  const caution = marks.find((mark) => mark.is === 'caution');
  expect(lowest).toBeLessThan(caution?.kind === 'text' ? caution.y - 4 : 0);
});

test('cautions and a line for a question stand on it whatever else does', () => {
  const marks = drawn({ drills: [], rows: [] });
  expect(texts(marks, 'caution')).toEqual(['Pain means stop.', 'See a doctor.']);
  expect(texts(marks, 'question')).toEqual(['A question for the lesson:']);
  expect(texts(marks, 'head')).toHaveLength(2);
});
