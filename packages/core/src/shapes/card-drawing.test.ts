/** The drawing of a card and the pages made of it: what stands where, on screen and on paper alike. */
import fc from 'fast-check';
import { averageHand, standardGuitar } from '../fretboard';
import { parseFrets } from '../grips';
import { gradeGrip } from '../effort';
import { must } from '../kernel';
import {
  drawCard,
  drawPages,
  drawSingle,
  trueSigns,
  writeSvg,
  type CardOptions,
  type Mark,
  type PaperCard,
} from '.';

const options: CardOptions = {
  size: 'bench',
  show: 'fingers',
  leftHanded: false,
  leastFrets: 4,
  signs: trueSigns,
};
const content = (text: string) => {
  const frets = must(parseFrets(text));
  return { frets, fingers: must(gradeGrip(frets, averageHand, standardGuitar)).fingering.fingers };
};
const draw = (text: string, change: Partial<CardOptions> = {}, more: object = {}) =>
  drawCard({ ...content(text), ...more }, { ...options, ...change });
const count = (marks: readonly Mark[], is: string) => marks.filter((mark) => mark.is === is).length;
const xs = (marks: readonly Mark[], is: string) =>
  marks.flatMap((mark) =>
    mark.is === is && mark.kind === 'line'
      ? [mark.x1]
      : mark.is === is && mark.kind === 'circle'
        ? [mark.x]
        : [],
  );

test('C: a cross for string 6, rings for the open ones, three numbered dots', () => {
  const { marks } = draw('x32010');
  expect([count(marks, 'mute'), count(marks, 'open'), count(marks, 'dot-text')]).toEqual([1, 2, 3]);
  expect([count(marks, 'string'), count(marks, 'silent'), count(marks, 'nut')]).toEqual([5, 1, 1]);
});

test('F: one capsule, four numbers, two pips beside the number of the barre', () => {
  const { marks } = draw('133211');
  expect([count(marks, 'capsule'), count(marks, 'dot-text'), count(marks, 'pip')]).toEqual([1, 4, 2]);
  // Strings 5, 4 and 3 are stopped higher, so the barre need not press them.
  expect([count(marks, 'higher'), count(marks, 'pressed')]).toEqual([3, 3]);
});

test('left-handed is the mirror image, dot for dot', () => {
  const places = (leftHanded: boolean) => {
    const { marks } = draw('xx0232', { leftHanded });
    const [low, high] = [
      Math.min(...xs(marks, 'string'), ...xs(marks, 'silent')),
      Math.max(...xs(marks, 'string'), ...xs(marks, 'silent')),
    ];
    return xs(marks, 'dot').map((x) => (x - low) / (high - low));
  };
  places(true).forEach((share, i) => expect(share).toBeCloseTo(1 - places(false)[i], 9));
});

test('intervals and notes take the place of fingers, with true signs and R for the root', () => {
  const degrees = [null, '1', '3', '5', '1', 'b7'];
  const notes = [null, 'Eb', 'G', 'Bb', 'Eb', 'Db'];
  const words = (show: 'degrees' | 'notes') =>
    draw('x32010', { show }, { degrees, notes }).marks.flatMap((mark) =>
      mark.kind === 'text' && mark.is !== 'fret-number' ? [mark.text] : [],
    );
  expect(words('degrees')).toEqual(['5', '♭7', 'R', '3', 'R']);
  expect(words('notes')).toEqual(['B♭', 'D♭', 'E♭', 'G', 'E♭']);
});

test('everything drawn lies on the card, for any grip', () => {
  fc.assert(
    fc.property(
      fc.array(fc.option(fc.integer({ min: 0, max: 4 }), { nil: null }), { minLength: 4, maxLength: 8 }),
      fc.integer({ min: 0, max: 14 }),
      fc.constantFrom('thumb', 'list', 'bench', 'lesson'),
      fc.boolean(),
      (cells, up, size, leftHanded) => {
        const frets = cells.map((cell) => (cell === null || cell === 0 ? cell : cell + up));
        const fingers = frets.map((fret) =>
          fret === null ? null : fret === 0 ? (0 as const) : (1 as const),
        );
        const { width, height, marks } = drawCard({ frets, fingers }, { ...options, size, leftHanded });
        for (const mark of marks) {
          if (mark.kind === 'line') {
            expect(Math.min(mark.x1, mark.x2)).toBeGreaterThanOrEqual(-0.01);
            expect(Math.max(mark.x1, mark.x2)).toBeLessThanOrEqual(width + 0.01);
            expect(Math.max(mark.y1, mark.y2)).toBeLessThanOrEqual(height + 0.01);
          } else if (mark.kind === 'circle') {
            expect(mark.x + mark.r).toBeLessThanOrEqual(width + 0.01);
            expect(mark.y - mark.r).toBeGreaterThanOrEqual(-0.01);
          }
        }
      },
    ),
    { numRuns: 200 },
  );
});

describe('on paper', () => {
  const card = (name: string): PaperCard => ({ ...content('133211'), name, under: 'E form, fret 1' });
  const paper = {
    title: 'Four & more',
    foot: 'a foot',
    show: 'fingers' as const,
    leftHanded: false,
    signs: trueSigns,
  };

  test.each([
    [1, 1],
    [12, 1],
    [13, 2],
    [36, 3],
    [0, 1],
  ])('%i cards take %i pages', (cards, pages) => {
    const made = drawPages(new Array(cards).fill(card('F')), paper);
    expect(made).toHaveLength(pages);
    expect(made.flatMap((page) => page.marks).filter((mark) => mark.is === 'name')).toHaveLength(cards);
  });

  test('twelve cards lie on the page, none over another', () => {
    const [page] = drawPages(new Array(12).fill(card('F')), paper);
    const names = page.marks.flatMap((mark) => (mark.is === 'name' && mark.kind === 'text' ? [mark] : []));
    const unders = page.marks.flatMap((mark) => (mark.is === 'under' && mark.kind === 'text' ? [mark] : []));
    names.forEach((name, i) => {
      expect(unders[i].y).toBeGreaterThan(name.y);
      expect(unders[i].y).toBeLessThan(page.heightMm - 12);
      const below = names[i + 3];
      if (below) expect(below.y - below.size).toBeGreaterThan(unders[i].y);
    });
    for (const mark of page.marks)
      if (mark.kind === 'line') expect(mark.x2).toBeLessThanOrEqual(page.widthMm - 10);
  });

  test('the SVG says what it is, keeps hostile names as text, and needs nothing from elsewhere', () => {
    const svg = writeSvg(drawSingle(card('<b>"F" & co</b>'), paper), 'F, E form');
    expect(svg).toContain('aria-label="F, E form"');
    expect(svg).toContain('&lt;b&gt;&quot;F&quot; &amp; co&lt;/b&gt;');
    expect(svg).not.toMatch(/<b>|href=|url\(/);
    expect(svg).toMatch(/width="[\d.]+mm"/);
    expect([...svg.matchAll(/<(line|circle|rect|path|text)/g)].length).toBeGreaterThan(25);
    expect(svg).not.toContain('NaN');
  });

  test('a path is moved and scaled with everything else', () => {
    const degrees = ['1', '5', '1', '3', '5', '1'];
    const [page] = drawPages([{ ...card('F'), degrees }], paper);
    const beaks = page.marks.flatMap((mark) =>
      mark.kind === 'path' && mark.is.includes('root') ? [mark.d] : [],
    );
    expect(beaks.length).toBe(3);
    for (const d of beaks) {
      const [x, y] = d.slice(1).split(/[ LA]/).map(Number);
      expect(x).toBeGreaterThan(16);
      expect(x).toBeLessThan(80);
      expect(y).toBeGreaterThan(34);
      expect(y).toBeLessThan(100);
    }
  });
});

test.each([
  ['b3', '♭3'],
  ['bb7', '♭♭7'],
  ['#11', '♯11'],
  ['Bb', 'B♭'],
  ['Ebb', 'E♭♭'],
  ['F##', 'F♯♯'],
  ['B', 'B'],
])('%s is drawn %s', (ascii, signs) => expect(trueSigns(ascii)).toBe(signs));
