/** Drills on paper: tab as it is played, boxes for takes, calls without their answers, which stand on a page of their own. */
import { averageHand, standardGuitar } from '../fretboard';
import { must } from '../kernel';
import {
  changeLoop,
  degrees,
  firstRecipe,
  makeDrill,
  onPaper,
  openTask,
  spellIt,
  writeItOut,
  type Drill,
  type Recipe,
} from '../drills';
import { staffLines } from '../engraving';
import { tabColumns } from '../score';
import { trueSigns, type Mark } from '../shapes';
import { drawDrillSheet, type DrillSheetOptions } from '.';

const context = { hand: averageHand, instrument: standardGuitar };
const C = { chord: 'C', frets: [null, 3, 2, 0, 1, 0] };
const G = { chord: 'G', frets: [3, 2, 0, 0, 0, 3] };
const options = (more: Partial<DrillSheetOptions> = {}): DrillSheetOptions => ({
  title: 'A drill',
  foot: 'The Shed, Ode',
  lines: ['what it trains', 'Were 9 of 10 clean?'],
  answers: true,
  takes: 10,
  words: { takes: 'Takes', clean: 'clean', nearly: 'nearly', notYet: 'not yet', answers: 'Answers' },
  names: {},
  show: 'fingers',
  leftHanded: false,
  signs: trueSigns,
  ...more,
});
function printed(recipe: Recipe, more: Partial<DrillSheetOptions> = {}) {
  const drill = must(makeDrill(recipe, context));
  const asks = drill.steps.map((step, i) => `ask ${i + 1}: ${String(step.ask.values.label ?? '')}`);
  const pages = drawDrillSheet(onPaper(drill, { asks, names: {}, signs: trueSigns }, context), options(more));
  return { drill, pages };
}
const texts = (marks: readonly Mark[], is?: string) =>
  marks.flatMap((mark) => (mark.kind === 'text' && (!is || mark.is === is) ? [mark.text] : []));
const spell = spellIt({ what: 'triads', key: 'Ab major', keys: 1, count: 10, secondsPerCall: 8 });

test('every fret of the tab is printed on its string, bar by bar, with chords over it and bar numbers', () => {
  const recipe = degrees({ key: 'Eb major', of: 'triads', place: 'root on 5', position: 3, way: 'both', beatsEach: 4 }); // prettier-ignore
  const { drill, pages } = printed(recipe);
  const marks = pages.flatMap((page) => page.marks);
  const wanted = tabColumns(drill.score).flatMap((column) => column.cells.flatMap((cell) => cell ?? []));
  expect(texts(marks, 'fret').sort()).toEqual(wanted.sort());
  expect(texts(marks, 'bar')).toEqual(drill.score.parts[0].bars.map((_, i) => String(i + 1)));
  expect(texts(marks, 'chord')).toContain('E♭');
  const lines = new Set(
    marks.flatMap((mark) => (mark.is === 'fret' && mark.kind === 'text' ? [mark.x] : [])),
  );
  for (const x of lines) expect(x).toBeLessThan(210 - 16);
});

test('cards of its grips, ten rows for takes at the foot of the first page, nothing over an edge', () => {
  for (const recipe of [
    changeLoop({ grips: [C, G], beatsEach: 4 }),
    spell,
    writeItOut({
      what: 'sevenths',
      root: 'E',
      kind: 'major',
      keys: 4,
      times: 3,
      progression: '1 5 6 4',
      days: 1,
    }),
  ]) {
    // prettier-ignore
    const { pages } = printed(recipe);
    expect(pages[0].marks.filter((mark) => mark.is === 'take')).toHaveLength(30);
    for (const { marks } of pages)
      for (const mark of marks)
        if (mark.kind === 'text') {
          expect(mark.y).toBeLessThan(297);
          expect(mark.y).toBeGreaterThan(10);
          expect(mark.x).toBeGreaterThanOrEqual(15);
          expect(mark.x).toBeLessThanOrEqual(195);
        }
  }
  const { pages } = printed(changeLoop({ grips: [C, G], beatsEach: 4 }));
  expect(texts(pages[0].marks, 'name')).toEqual(['C', 'G']);
  expect(printed(changeLoop({ grips: [C, G], beatsEach: 4 }), { takes: 0 }).pages[0].marks.filter((mark) => mark.is === 'take')).toEqual([]); // prettier-ignore
});

test('calls are asked without their answers, and without a tab that would tell; the answers follow', () => {
  const { drill, pages } = printed(spell);
  expect(pages).toHaveLength(2);
  const [asked, answers] = pages.map((page) => page.marks);
  expect(texts(asked, 'call')).toHaveLength(10);
  expect(texts(asked, 'fret')).toEqual([]);
  expect(texts(asked, 'answer')).toEqual([]);
  const right = drill.steps.map(({ answer }) =>
    answer?.kind === 'choice' ? answer.right.split(' ').map(trueSigns).join(' ') : '',
  );
  expect(texts(answers, 'answer').sort()).toEqual(right.sort());
  expect(printed(spell, { answers: false }).pages).toHaveLength(1);
});

test('what is written out has a staff, a frame and lines for each chord; its notes stand on the answer page alone', () => {
  const { pages } = printed(writeItOut({ what: 'triads', root: 'Eb', kind: 'major', keys: 1, times: 3, progression: '1 5 6 4', days: 1 })); // prettier-ignore
  expect(texts(pages[0].marks, 'box')).toHaveLength(7);
  expect(pages[0].marks.filter((mark) => mark.is === 'rule').length).toBeGreaterThan(7 * (5 + 6 + 5));
  expect(texts(pages[0].marks).join(' ')).not.toContain('E♭ G B♭');
  expect(texts(pages.at(-1)?.marks ?? []).join(' ')).toContain('E♭ G B♭');
  // What is to be played stands under the boxes.
  expect(texts(pages[0].marks, 'call')).toHaveLength(1);
});

test('an open task shows its bounds on a neck', () => {
  const recipe = openTask({ key: 'A minor', question: 'what rubs', lowFret: 5, highFret: 8, thickString: 6, thinString: 1, notes: 'the five', ground: 'drone', minutes: 3 }); // prettier-ignore
  expect(printed(recipe).pages[0].marks.filter((mark) => mark.is.startsWith('spot-text'))).toHaveLength(12);
});

test('a staff over the tab where it is asked for, with the numbers of its bars, inside the page; none over calls', () => {
  const recipe = degrees({ key: 'Eb major', of: 'triads', place: 'root on 5', position: 3, way: 'both', beatsEach: 4 }); // prettier-ignore
  const drill = must(makeDrill(recipe, context));
  const on = (one: Drill) => onPaper(one, { asks: [], names: {}, signs: trueSigns }, context, staffLines);
  expect(onPaper(drill, { asks: [], names: {}, signs: trueSigns }, context).staff).toBeNull();
  const pages = drawDrillSheet(on(drill), options());
  const marks = pages.flatMap((page) => page.marks);
  const bars = drill.score.parts[0].bars.length;
  // Once over the staff and once over the tab.
  expect(texts(marks, 'bar').filter((one) => one === String(bars))).toHaveLength(2);
  expect(marks.filter((mark) => mark.is === 'keysignature').length % 3).toBe(0);
  for (const mark of marks)
    if (mark.kind === 'path' && mark.is === 'notehead') {
      expect(mark.d).not.toContain('NaN');
      for (const [, x, y] of mark.d.matchAll(/[MLQC](-?[\d.]+) (-?[\d.]+)/g)) {
        expect(Number(x)).toBeGreaterThan(15);
        expect(Number(x)).toBeLessThan(195);
        expect(Number(y)).toBeGreaterThan(10);
        expect(Number(y)).toBeLessThan(290);
      }
    }
  expect(on(must(makeDrill(spell, context))).staff).toBeNull();
});

test('what is read is printed to be read: each note on the staff, a line with its number for the place, the places after', () => {
  const reading = must(
    makeDrill(firstRecipe('note reading', { grip: C, from: null, instrument: standardGuitar }), context),
  );
  const content = onPaper(reading, { asks: reading.steps.map(() => 'Find this note'), names: {}, signs: trueSigns }, context, staffLines); // prettier-ignore
  expect(content.staff?.reduce((sum, line) => sum + line.bars.length, 0)).toBe(reading.steps.length);
  expect([content.score, new Set(content.calls.map((call) => call.ask))]).toEqual([null, new Set([''])]);
  const pages = drawDrillSheet(content, options());
  const heads = pages[0].marks.filter((mark) => mark.is === 'notehead');
  expect(heads).toHaveLength(reading.steps.length);
  const numbers = texts(pages[0].marks, 'call').map((one) => Number(one.replace('.', '')));
  expect(numbers.sort((a, b) => a - b)).toEqual(reading.steps.map((_, i) => i + 1));
  expect(texts(pages[0].marks, 'answer')).toEqual([]);
  expect(
    texts(
      pages.flatMap((page) => page.marks),
      'answer',
    ),
  ).toHaveLength(reading.steps.length);
});
