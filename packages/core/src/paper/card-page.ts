/**
 * A page of shape cards for paper, in millimetres: A4 upright, a title, cards in rows, each with its name and what
 * the teacher wants said under it; or one card alone. A page holds as many as fit; the rest go on further pages.
 */
import { drawCard, type CardContent, type CardShow, type Mark } from '../shapes/card-drawing';

export interface PaperCard extends CardContent {
  /** As it is to be printed: `B♭m7`. */
  readonly name: string;
  readonly under: string;
}

export interface PaperOptions {
  readonly title: string;
  readonly foot: string;
  readonly show: CardShow;
  readonly leftHanded: boolean;
  readonly signs: (text: string) => string;
}

export interface PaperPage {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly marks: readonly Mark[];
}

export const A4 = { width: 210, height: 297, margin: 16 } as const;
/** Where the cards begin, below the title. */
const TOP = 30;
/** Columns and rows by how many cards a page has: few are drawn large, twelve fill it. */
const GRIDS = [
  { most: 1, columns: 1, rows: 1 },
  { most: 2, columns: 1, rows: 2 },
  { most: 4, columns: 2, rows: 2 },
  { most: 6, columns: 2, rows: 3 },
  { most: 9, columns: 3, rows: 3 },
] as const;
const FULL = { columns: 3, rows: 4 } as const;
/** Millimetres for each unit of a bench card: 0.18 is a string spacing of 6.6 mm, 0.36 twice that. */
const SCALE = { single: 0.18, most: 0.36 } as const;
/** Millimetres of a cell beside its drawing: the name above, what is said below, air at the side. */
const ROOM = { above: 12, below: 8, side: 6 } as const;
/** Millimetres of a point. */
export const PT = 0.3528;

/** Pages of up to twelve cards each, as large as the page lets them be; one empty page for none. */
export function drawPages(cards: readonly PaperCard[], options: PaperOptions): PaperPage[] {
  const grid = GRIDS.find(({ most }) => cards.length <= most) ?? FULL;
  const perPage = grid.columns * grid.rows;
  const pages = Math.max(1, Math.ceil(cards.length / perPage));
  const cell = {
    width: (A4.width - 2 * A4.margin) / grid.columns,
    height: (A4.height - TOP - A4.margin) / grid.rows,
  };
  // One scale on all pages, so that a fret is as wide on each of them.
  const scale = cards.reduce<number>((least, card) => {
    const drawing = drawingOf(card, options);
    return Math.min(
      least,
      (cell.width - 2 * ROOM.side) / drawing.width,
      (cell.height - ROOM.above - ROOM.below) / drawing.height,
    );
  }, SCALE.most);
  return Array.from({ length: pages }, (_, page): PaperPage => {
    const marks: Mark[] = [
      paperText('title', A4.margin, A4.margin + 8, options.title, 20 * PT, 'start', 'display'),
      ...footOf(options.foot, page, pages),
    ];
    cards.slice(page * perPage, (page + 1) * perPage).forEach((card, i) => {
      const x = A4.margin + (i % grid.columns) * cell.width;
      const y = TOP + Math.floor(i / grid.columns) * cell.height;
      marks.push(...cardAt(card, x, y, scale, options));
    });
    return { widthMm: A4.width, heightMm: A4.height, marks };
  });
}

/** One card as a small sheet of its own. */
export function drawSingle(card: PaperCard, options: PaperOptions): PaperPage {
  const drawing = drawingOf(card, options);
  return {
    widthMm: drawing.width * SCALE.single + 12,
    heightMm: drawing.height * SCALE.single + 24,
    marks: cardAt(card, 4, 3, SCALE.single, options),
  };
}

const drawingOf = (card: PaperCard, options: PaperOptions) =>
  drawCard(card, { ...options, size: 'bench', leastFrets: 4 });

function cardAt(card: PaperCard, x: number, y: number, scale: number, options: PaperOptions): Mark[] {
  const drawing = drawingOf(card, options);
  const below = y + ROOM.above + drawing.height * scale;
  // Words grow with the drawing, half as fast: they are read, not played from.
  const words = Math.sqrt(Math.max(1, scale / SCALE.single));
  return [
    paperText('name', x + 6, y + 7, card.name, 18 * PT * words, 'start', 'display'),
    ...drawing.marks.map((mark) => placed(mark, x, y + 10, scale)),
    paperText('under', x + 6, below + 2.5, card.under, 9 * PT * words, 'start', 'text', 'ink2'),
  ];
}

/** What stands at the foot of a page of A4: the words, and its number where there are several. */
export function footOf(words: string, page: number, pages: number): Mark[] {
  const y = A4.height - A4.margin + 6;
  return [
    paperText('foot', A4.margin, y, words, 8 * PT, 'start', 'text', 'ink2'),
    ...(pages > 1
      ? [paperText('page', A4.width - A4.margin, y, `${page + 1} of ${pages}`, 8 * PT, 'end', 'text', 'ink2')]
      : []),
  ];
}

/** Text of a page; sizes in millimetres. */
export function paperText(
  is: string,
  x: number,
  y: number,
  words: string,
  size: number,
  anchor: 'start' | 'middle' | 'end',
  font: 'text' | 'display',
  ink: 'ink' | 'ink2' = 'ink',
): Mark {
  return { kind: 'text', is, x, y, text: words, size, bold: font === 'display', anchor, ink, font };
}

/** A mark moved and scaled; paths are of M, L, A and Z with absolute places. */
export function placed(mark: Mark, dx: number, dy: number, scale: number): Mark {
  const px = (x: number) => dx + x * scale;
  const py = (y: number) => dy + y * scale;
  switch (mark.kind) {
    case 'line':
      return {
        ...mark,
        x1: px(mark.x1),
        y1: py(mark.y1),
        x2: px(mark.x2),
        y2: py(mark.y2),
        width: mark.width * scale,
        ...(mark.dash ? { dash: [mark.dash[0] * scale, mark.dash[1] * scale] as const } : {}),
      };
    case 'circle':
      return { ...mark, x: px(mark.x), y: py(mark.y), r: mark.r * scale, width: mark.width * scale };
    case 'rect':
      return {
        ...mark,
        x: px(mark.x),
        y: py(mark.y),
        w: mark.w * scale,
        h: mark.h * scale,
        round: mark.round * scale,
        width: mark.width * scale,
      };
    case 'text':
      return { ...mark, x: px(mark.x), y: py(mark.y), size: mark.size * scale };
    case 'path':
      return { ...mark, d: placedPath(mark.d, px, py, scale), width: mark.width * scale };
  }
}

/** Path data of absolute commands: moves, lines, curves by points, arcs. */
function placedPath(d: string, px: (x: number) => number, py: (y: number) => number, scale: number): string {
  return d.replace(/([MLQCA])([^MLQCAZ]*)/g, (_, command: string, rest: string) => {
    const n = rest
      .trim()
      .split(/[\s,]+/)
      .map(Number);
    if (command === 'A')
      return `A${n[0] * scale} ${n[1] * scale} ${n[2]} ${n[3]} ${n[4]} ${px(n[5])} ${py(n[6])}`;
    return command + n.map((value, i) => fine(i % 2 === 0 ? px(value) : py(value))).join(' ');
  });
}

/** A micrometre: enough for any printer, and an outline stays short. */
const fine = (mm: number): number => Math.round(mm * 1000) / 1000;
