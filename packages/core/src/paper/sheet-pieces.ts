/** What a drill is printed from: its neck, its grips, staff and tab line by line, calls and boxes; each put where there is room. */
import type { StaffDrawing } from '../engraving/engrave';
import type { Instrument } from '../fretboard/instrument';
import { drawBoard, type BoardNote } from '../scales/draw-board';
import type { Score } from '../score/score';
import { tabColumns, type TabColumn } from '../score/tab';
import { TICKS_A_BEAT } from '../score/ticks';
import { drawCard, type CardShow, type Mark } from '../shapes/card-drawing';
import { A4, paperText, placed, PT, type PaperCard } from './card-page';

export interface SheetCall {
  readonly ask: string;
  readonly right: string;
}
export interface DrillSheetContent {
  readonly cards: readonly PaperCard[];
  /** Its bars on a staff, in lines `STAFF_WIDTH` wide; null prints none. */
  readonly staff: readonly StaffDrawing[] | null;
  /** Null prints no tab: what is asked would stand in it. */
  readonly score: Score | null;
  readonly calls: readonly SheetCall[];
  /** Labels with what is to be written in their boxes. */
  readonly boxes: readonly SheetCall[];
  /** Where it is played, where that is free. */
  readonly board: { readonly notes: readonly BoardNote[]; readonly instrument: Instrument } | null;
}
/** How what is drawn looks. */
export interface PieceLook {
  /** Printed names by chord symbol. */
  readonly names: Readonly<Record<string, string>>;
  readonly show: CardShow;
  readonly leftHanded: boolean;
  readonly signs: (text: string) => string;
}

export const WIDTH = A4.width - 2 * A4.margin;
export const FLOOR = A4.height - A4.margin - 4;
const TOP = A4.margin + 16;
/** Millimetres of a pixel of an engraved staff: 7 mm for its four spaces. */
const STAFF = { scale: 0.175, below: 2 } as const;
/** Pixels that a line of a staff may be wide. */
export const STAFF_WIDTH = WIDTH / STAFF.scale;
const CARD = { scale: 0.115, width: 29, head: 7 } as const;
const TAB = { gap: 2.7, above: 7, below: 6, bars: 4, size: 8.5 * PT, pad: 5 } as const;
/** Where nothing but its number stands before it, the line to answer on begins behind that. */
const CALL = { height: 8.4, columns: 2, number: 8 } as const;
const BOX = { columns: 3, height: 42, staff: 1.9, frame: 3 } as const;
/** Most events in a line of tab before it holds fewer bars. */
const MOST_IN_LINE = 34;

export const rule = (x1: number, y1: number, x2: number, y2: number, width = 0.25): Mark => ({ kind: 'line', is: 'rule', x1, y1, x2, y2, ink: 'ink3', width }); // prettier-ignore
export const square = (is: string, x: number, y: number, side: number): Mark => ({ kind: 'rect', is, x, y, w: side, h: side, round: 0.3, fill: 'none', ink: 'ink', width: 0.3 }); // prettier-ignore

/** Something of a height that is put where there is room, else on the next page. */
export interface Piece {
  readonly height: number;
  readonly draw: (y: number) => readonly Mark[];
}

/** Pieces down the pages; `kept` millimetres stay free at the foot of the first one. */
export function flow(pieces: readonly Piece[], kept = 0): Mark[][] {
  const pages: Mark[][] = [[]];
  let y = TOP;
  for (const piece of pieces) {
    const floor = FLOOR - (pages.length === 1 ? kept : 0);
    if (y + piece.height > floor && y > TOP) {
      pages.push([]);
      y = TOP;
    }
    pages[pages.length - 1].push(...piece.draw(y));
    y += piece.height;
  }
  return pages;
}

export const heading = (words: string): Piece => ({
  height: 9,
  draw: (y) => [paperText('heading', A4.margin, y + 5, words, 12 * PT, 'start', 'display')],
});

export function boardPieces({ board }: DrillSheetContent, options: PieceLook): Piece[] {
  if (!board) return [];
  const drawing = drawBoard(board.notes, board.instrument, { show: 'degrees', leftHanded: options.leftHanded, leastFrets: 5, width: 860, signs: options.signs }); // prettier-ignore
  const scale = WIDTH / 860;
  return [
    {
      height: drawing.height * scale + 6,
      draw: (y) => drawing.marks.map((mark) => placed(mark, A4.margin, y, scale)),
    },
  ];
}

/** Grips in rows, each with its name over it. */
export function cardPieces(cards: readonly PaperCard[], options: PieceLook): Piece[] {
  const perRow = Math.floor(WIDTH / CARD.width);
  const rows = Array.from({ length: Math.ceil(cards.length / perRow) }, (_, r) =>
    cards.slice(r * perRow, (r + 1) * perRow),
  );
  return rows.map((row) => {
    const drawn = row.map((card) => drawCard(card, { ...options, size: 'bench', leastFrets: 4 }));
    return {
      height: CARD.head + Math.max(...drawn.map((one) => one.height)) * CARD.scale + 4,
      draw: (y) =>
        row.flatMap((card, i) => {
          const x = A4.margin + i * CARD.width;
          return [
            paperText('name', x + 3, y + 5, card.name, 12 * PT, 'start', 'display'),
            ...drawn[i].marks.map((mark) => placed(mark, x, y + CARD.head - 1, CARD.scale)),
          ];
        }),
    };
  });
}

/** Lines of a staff, each bar with its number. */
export function staffPieces(lines: readonly StaffDrawing[] | null): Piece[] {
  let first = 0;
  return (lines ?? []).map(({ marks, bars, top, height }): Piece => {
    const number = first + 1;
    first += bars.length;
    return {
      height: height * STAFF.scale + STAFF.below,
      draw: (y) => {
        const down = y - top * STAFF.scale;
        return [
          ...marks.map((mark) => placed(mark, A4.margin, down, STAFF.scale)),
          ...bars.map(
            (x, i) =>
            paperText('bar', A4.margin + x * STAFF.scale + 0.6, y + 2, String(number + i), 6 * PT, 'start', 'text', 'ink2'), // prettier-ignore
          ),
        ];
      },
    };
  });
}

/** Bars of tab, as many in a line as can be read. */
export function tabPieces(score: Score | null, options: PieceLook): Piece[] {
  if (!score) return [];
  const columns = tabColumns(score);
  const bars = score.parts[0]?.bars ?? [];
  const inBar = (bar: number) => columns.filter((one) => one.bar === bar);
  const busiest = Math.max(1, ...bars.map((_, bar) => inBar(bar).length));
  const perLine = Math.max(1, Math.min(TAB.bars, Math.floor(MOST_IN_LINE / busiest)));
  return Array.from({ length: Math.ceil(bars.length / perLine) }, (_, line): Piece => {
    const from = line * perLine;
    const here = bars.slice(from, from + perLine);
    return {
      height: TAB.above + (score.strings - 1) * TAB.gap + TAB.below,
      draw: (y) => {
        const top = y + TAB.above;
        const bottom = top + (score.strings - 1) * TAB.gap;
        // The last line is as wide as its bars: a bar is as wide on all lines.
        const barWidth = WIDTH / perLine;
        const end = A4.margin + here.length * barWidth;
        const marks: Mark[] = Array.from({ length: score.strings }, (_, s) =>
          rule(A4.margin, top + s * TAB.gap, end, top + s * TAB.gap, 0.2),
        );
        here.forEach((bar, i) => {
          const x = A4.margin + i * barWidth;
          marks.push(rule(x, top, x, bottom, 0.35));
          marks.push(
            paperText('bar', x + 0.6, top - 4.6, String(from + i + 1), 6 * PT, 'start', 'text', 'ink2'),
          );
          for (const column of inBar(from + i))
            marks.push(...columnMarks(column, x + TAB.pad + ((barWidth - TAB.pad) * column.tick) / (bar.beats * TICKS_A_BEAT), top, options)); // prettier-ignore
        });
        marks.push(rule(end, top, end, bottom, 0.35));
        return marks;
      },
    };
  });
}

function columnMarks(
  { cells, chord }: TabColumn,
  x: number,
  top: number,
  { names, signs }: PieceLook,
): Mark[] {
  const marks: Mark[] = [];
  if (chord) marks.push(paperText('chord', x - 1, top - 2, names[chord] ?? signs(chord), 10 * PT, 'start', 'display')); // prettier-ignore
  cells.forEach((cell, line) => {
    if (cell === null) return;
    const y = top + line * TAB.gap;
    const w = 1.1 + 1.5 * cell.length;
    marks.push(
      { kind: 'rect', is: 'behind', x: x - w / 2, y: y - 1.2, w, h: 2.4, round: 0, fill: 'sheet', ink: 'none', width: 0 },
      paperText('fret', x, y + 1.05, cell, TAB.size, 'middle', 'text'),
    ); // prettier-ignore
  });
  return marks;
}

/** Calls in two columns, each with a line to answer on, or the answer. */
export function callPieces(calls: readonly SheetCall[], answered: boolean): Piece[] {
  const rows = Math.ceil(calls.length / CALL.columns);
  const column = WIDTH / CALL.columns;
  return Array.from({ length: rows }, (_, r): Piece => ({
    height: CALL.height,
    draw: (y) =>
      [r, r + rows].flatMap((n, c) => {
        const call = calls[n];
        if (!call) return [];
        const x = A4.margin + c * column;
        return [
          paperText(
            'call',
            x,
            y + 5,
            call.right ? `${n + 1}.  ${call.ask}` : call.ask,
            9.5 * PT,
            'start',
            'text',
          ),
          ...(answered
            ? [paperText('answer', x + column - 6, y + 5, call.right, 9.5 * PT, 'end', 'display')]
            : [rule(x + (call.ask ? column * 0.62 : CALL.number), y + 6, x + column - 6, y + 6)]),
        ];
      }),
  }));
}

/** Boxes with a label, a staff and a frame to write in; with the notes in them as answers. */
export function boxPieces(boxes: readonly SheetCall[], answered: boolean): Piece[] {
  const rows = Math.ceil(boxes.length / BOX.columns);
  const column = WIDTH / BOX.columns;
  const height = answered ? 10 : BOX.height;
  return Array.from({ length: rows }, (_, r): Piece => ({
    height,
    draw: (y) =>
      boxes.slice(r * BOX.columns, (r + 1) * BOX.columns).flatMap((box, c): Mark[] => {
        const x = A4.margin + c * column;
        const label = paperText('box', x, y + 5, box.ask, 11 * PT, 'start', 'display');
        if (answered) return [label, paperText('answer', x, y + 9, box.right, 9.5 * PT, 'start', 'text')];
        const frame = { x: x + 2, y: y + 19, w: 5 * BOX.frame, h: 4 * 4.6 };
        return [
          label,
          ...Array.from({ length: 5 }, (_l, i) =>
            rule(x, y + 8.5 + i * BOX.staff, x + column - 6, y + 8.5 + i * BOX.staff, 0.2),
          ),
          ...Array.from({ length: 6 }, (_s, i) =>
            rule(frame.x + i * BOX.frame, frame.y, frame.x + i * BOX.frame, frame.y + frame.h, 0.25),
          ),
          ...Array.from({ length: 5 }, (_f, i) =>
            rule(frame.x, frame.y + i * 4.6, frame.x + frame.w, frame.y + i * 4.6, i === 0 ? 0.8 : 0.25),
          ),
          ...[0, 1, 2].map((i) => rule(frame.x + frame.w + 6, frame.y + 5 + i * 6.5, x + column - 6, frame.y + 5 + i * 6.5)), // prettier-ignore
        ];
      }),
  }));
}
