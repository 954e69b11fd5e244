/** A piece on paper: what stands on the pages, and where. */
import { EMPTY_PIECE, readChart, type Piece } from '../score';
import { trueSigns, type Mark } from '../shapes';
import { drawChart, writeSvg, type ChartPaperOptions, type PaperPage } from '.';

const piece = (text: string): Piece => {
  const { piece: read, problems } = readChart(text);
  expect(problems).toEqual([]);
  return read;
};
const TUNE = piece(`title: Wick & Wire
key: Db
time: 3/4
capo: 1
strum rock 2: D - d u x .
[A] x2 rock
| Db | Gb . Ab7 | Db |1. Ab7 |2. Db |
m: | Db4:1 F4 Ab4 | Bb4:3 | Ab4:3 | r:3 | Db4:3 |
w: Hang the lamp high, row home
[B]
| N.C. | Gb |`);
const options: ChartPaperOptions = {
  facts: 'D♭ major · 3/4',
  foot: 'Grips for Ode',
  names: { Ab7: 'A♭7', Db: 'D♭' },
  grips: [],
  show: 'fingers',
  leftHanded: false,
  signs: trueSigns,
};
const texts = (pages: readonly PaperPage[], is: string) =>
  pages.flatMap((page) =>
    page.marks.flatMap((mark) => (mark.is === is && mark.kind === 'text' ? [mark] : [])),
  );
const words = (pages: readonly PaperPage[], is: string) => texts(pages, is).map((mark) => mark.text);
const inside = ({ widthMm, heightMm, marks }: PaperPage) =>
  marks.every((mark: Mark) => {
    const places: [number, number][] =
      mark.kind === 'line'
        ? [
            [mark.x1, mark.y1],
            [mark.x2, mark.y2],
          ]
        : mark.kind === 'path'
          ? []
          : [[mark.x, mark.y]];
    return places.every(([x, y]) => x >= 0 && x <= widthMm && y >= 0 && y <= heightMm);
  });

describe('the chart', () => {
  const pages = drawChart(TUNE, options);

  test('is one page of A4 with everything on it', () => {
    expect(pages).toHaveLength(1);
    expect([pages[0].widthMm, pages[0].heightMm]).toEqual([210, 297]);
    expect(inside(pages[0])).toBe(true);
    expect(words(pages, 'title')).toEqual(['Wick & Wire']);
    expect(words(pages, 'section')).toEqual(['A', 'B']);
    expect(words(pages, 'times')).toEqual(['2 times']);
    expect(words(pages, 'page')).toEqual([]);
  });

  test('names every chord as it is to be printed, and behind the capo', () => {
    expect(words(pages, 'chord')).toEqual(['D♭', 'Gb', 'A♭7', 'D♭', 'A♭7', 'D♭', 'N.C.', 'Gb']);
    expect(words(pages, 'behind')).toEqual(['C', 'F', 'G7', 'C', 'G7', 'C', 'N.C.', 'F']);
  });

  test('puts a chord where its beat falls: the third of three is two thirds into the bar', () => {
    const [, gb, ab] = texts(pages, 'chord');
    const lines = pages[0].marks.flatMap((mark) =>
      mark.is === 'bar-line' && mark.kind === 'line' ? [mark.x1] : [],
    );
    const bar = Math.max(...lines.filter((x) => x <= gb.x));
    const width = (Math.max(...lines) - Math.min(...lines)) / 4;
    // Bars have a little air at both ends.
    expect(Math.abs((ab.x - gb.x) / width - 2 / 3)).toBeLessThan(0.08);
    expect(gb.x - bar).toBeLessThan(3);
  });

  test('writes the melody with true signs and its words under it', () => {
    expect(words(pages, 'note')).toEqual(['D♭4', 'F4', 'A♭4', 'B♭4', 'A♭4', 'D♭4']);
    expect(words(pages, 'word')).toEqual(['Hang', 'the', 'lamp', 'high,', 'row', 'home']);
  });

  test('marks repeats and endings', () => {
    const dots = pages[0].marks.filter((mark) => mark.is === 'repeat-dot');
    expect(dots).toHaveLength(4);
    expect(words(pages, 'ending-number')).toEqual(['1.', '2.']);
  });

  test('draws the strokes of the patterns that are used', () => {
    const drawn = pages[0].marks.map((mark) => mark.is);
    expect(['down accent', 'down', 'up', 'chop', 'stop'].filter((one) => !drawn.includes(one))).toEqual([]);
    expect(words(pages, 'count')).toEqual(['1', '2', '3']);
    expect(
      words(
        drawChart({ ...TUNE, sections: TUNE.sections.map(({ pattern: _, ...one }) => one) }, options),
        'count',
      ),
    ).toEqual([]);
  });
});

test('a card stands for every grip once, by chord', () => {
  const C = { frets: [null, 3, 2, 0, 1, 0], fingers: [null, 3, 2, 0, 1, 0] as const };
  const G7 = { frets: [3, 2, 0, 0, 0, 1], fingers: [3, 2, 0, 0, 0, 1] as const };
  const pages = drawChart(TUNE, { ...options, grips: [C, null, G7, C, G7, C, null, null] });
  expect(words(pages, 'card-name')).toEqual(['D♭', 'A♭7']);
  expect(words(pages, 'card-behind')).toEqual(['C', 'G7']);
});

test('a long piece goes on over pages, each numbered, with nothing off the paper', () => {
  const bars = Array.from(
    { length: 400 },
    (_, i) => `| C | ${i % 2 ? 'F G7' : 'Am7b5/Eb F#m7b5 Bbmaj7 Ebmaj9'} `,
  ).join('');
  const pages = drawChart(piece(`title: Long\n${bars}|`), options);
  expect(pages.length).toBeGreaterThan(5);
  expect(words(pages, 'page')[0]).toBe(`1 of ${pages.length}`);
  expect(pages.every(inside)).toBe(true);
  // Names of four long chords in a bar do not run into each other.
  const [one, two] = texts(pages, 'chord').filter(
    (mark) => mark.text.startsWith('Am7b5') || mark.text === 'F#m7b5',
  );
  expect(one.x + one.text.length * one.size * 0.56).toBeLessThan(two.x + 2.2);
});

test('an empty piece is a page with its title; the file is escaped', () => {
  const [page] = drawChart({ ...EMPTY_PIECE, title: '<b>' }, options);
  const svg = writeSvg(page, 'a & b');
  expect(svg).toContain('&lt;b&gt;');
  expect(svg).toContain('aria-label="a &amp; b"');
});
