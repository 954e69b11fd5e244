/** Pages of shape cards, and the file they make. */
import { averageHand, standardGuitar } from '../fretboard';
import { parseFrets } from '../grips';
import { gradeGrip } from '../effort';
import { must } from '../kernel';
import { trueSigns } from '../shapes';
import { drawPages, drawSingle, writeSvg, type PaperCard } from '.';

const content = (text: string) => {
  const frets = must(parseFrets(text));
  return { frets, fingers: must(gradeGrip(frets, averageHand, standardGuitar)).fingering.fingers };
};

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

  /** The box that the strings of the first card fill, millimetres. */
  const strings = (cards: number) => {
    const [page] = drawPages(new Array(cards).fill(card('F')), paper);
    const lines = page.marks.flatMap((mark) => (mark.kind === 'line' && mark.is === 'string' ? [mark] : []));
    return { page, lines, spacing: Math.abs(lines[1].x1 - lines[0].x1) };
  };

  test('few cards are drawn larger, up to twice; many fill the page', () => {
    const spacings = [1, 2, 4, 6, 9, 12, 40].map((cards) => strings(cards).spacing);
    for (const [i, now] of spacings.entries()) if (i) expect(now).toBeLessThanOrEqual(spacings[i - 1] + 1e-9);
    expect(spacings[0]).toBeCloseTo(13.32, 2);
    // Twelve: the last row ends where the foot begins, and the cells are filled one way or the other.
    const { page } = strings(12);
    const under = page.marks.flatMap((mark) => (mark.is === 'under' && mark.kind === 'text' ? [mark.y] : []));
    expect(Math.max(...under)).toBeGreaterThan(page.heightMm - 16 - 12);
    expect(Math.max(...under)).toBeLessThan(page.heightMm - 16);
  });

  test.each([1, 2, 3, 4, 5, 6, 7, 9, 10, 12])('%i cards stay inside the margins and apart', (cards) => {
    const { page } = strings(cards);
    for (const mark of page.marks) {
      if (mark.kind !== 'line') continue;
      expect(Math.min(mark.x1, mark.x2)).toBeGreaterThan(15);
      expect(Math.max(mark.x1, mark.x2)).toBeLessThan(page.widthMm - 15);
      expect(Math.max(mark.y1, mark.y2)).toBeLessThan(page.heightMm - 16);
    }
    const names = page.marks.flatMap((mark) => (mark.is === 'name' && mark.kind === 'text' ? [mark] : []));
    const rows = [...new Set(names.map((name) => name.y))];
    const under = page.marks.flatMap((mark) => (mark.is === 'under' && mark.kind === 'text' ? [mark.y] : []));
    rows.slice(1).forEach((y, i) => expect(y - names[0].size).toBeGreaterThan([...new Set(under)][i]));
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
    const lines = page.marks.flatMap((mark) => (mark.kind === 'line' && mark.is === 'string' ? [mark] : []));
    for (const d of beaks) {
      const [x, y] = d.slice(1).split(/[ LA]/).map(Number);
      // On one of its strings, within half the space to the next, and above the last fret drawn.
      expect(Math.min(...lines.map((one) => Math.abs(one.x1 - x)))).toBeLessThan(13.32 / 2);
      expect(y).toBeGreaterThan(30);
      expect(y).toBeLessThan(Math.max(...lines.map((one) => one.y2)));
    }
  });
});
