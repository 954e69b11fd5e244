/**
 * A week of homework on one page of A4: days across with a box to tick, then its drills with grips, tab and boxes for six takes as
 * far as the page has room, and what to do where a hand hurts. What has no room stands in the table alone.
 */
import type { Mark } from '../shapes/card-drawing';
import { A4, footOf, paperText, PT, type PaperPage } from './card-page';
import {
  boardPieces,
  cardPieces,
  callPieces,
  FLOOR,
  rule,
  square,
  staffPieces,
  tabPieces,
  WIDTH,
  type DrillSheetContent,
  type Piece,
  type PieceLook,
} from './sheet-pieces';

export interface WeekSheetDrill {
  /** Index of its row in the table. */
  readonly row: number;
  readonly title: string;
  /** At the right of the title: when, and its tempo. */
  readonly aside: string;
  /** What one take answers. */
  readonly line: string;
  readonly content: DrillSheetContent;
}

export interface WeekSheetOptions extends PieceLook {
  /** Whose week it is. */
  readonly title: string;
  /** At the right of the title: the days, when they come next. */
  readonly head: readonly string[];
  readonly foot: string;
  readonly days: readonly { readonly name: string; readonly off: boolean }[];
  readonly rows: readonly {
    readonly name: string;
    /** By day; 0 where it is not played. */
    readonly minutes: readonly number[];
  }[];
  readonly drills: readonly WeekSheetDrill[];
  /** What a hand is told that hurts; the first is printed bold. */
  readonly cautions: readonly string[];
  readonly words: {
    readonly minutes: string;
    readonly take: string;
    readonly tempo: string;
    readonly clean: string;
    readonly felt: string;
    readonly feels: readonly string[];
    readonly question: string;
  };
}

const TABLE = { top: A4.margin + 16, head: 6, row: 6.2, label: 62 } as const;
const DRILL = { head: 10, line: 5.5, gap: 4 } as const;
const TAKES = { count: 6, label: 24, row: 6.4, head: 5 } as const;
const CAUTION = { line: 4.4, height: 22, split: 118 } as const;
/** Grips and lines of tab of one drill: it is played from, not read through. */
const MOST = { cardRows: 1, lines: 2, calls: 4 } as const;

/** One page. */
export function drawWeekSheet(options: WeekSheetOptions): PaperPage {
  const { title, head } = options;
  const drills = fitting(options);
  return {
    widthMm: A4.width,
    heightMm: A4.height,
    marks: [
      paperText('title', A4.margin, A4.margin + 8, title, 20 * PT, 'start', 'display'),
      ...head.map((words, i) =>
        paperText(
          'head',
          A4.width - A4.margin,
          A4.margin + 4 + i * 5,
          words,
          9.5 * PT,
          'end',
          'text',
          i ? 'ink2' : 'ink',
        ),
      ),
      ...tableMarks(
        options,
        drills.map(({ row }) => row),
      ),
      ...drills.flatMap(({ pieces, top }) => {
        let y = top;
        return pieces.flatMap((piece) => {
          y += piece.height;
          return piece.draw(y - piece.height);
        });
      }),
      ...footMarks(options),
    ],
  };
}

interface Fitting {
  readonly row: number;
  readonly pieces: readonly Piece[];
  readonly top: number;
}

/** The drills that the page has room for, each whole, in their order: with fewer lines of tab where that lets more of them on it. */
function fitting(options: WeekSheetOptions): Fitting[] {
  let best: Fitting[] = [];
  for (let lines = MOST.lines; lines > 0; lines--) {
    const found = fittingWith(lines, options);
    if (found.length > best.length) best = found;
  }
  return best;
}

function fittingWith(lines: number, options: WeekSheetOptions): Fitting[] {
  const floor = FLOOR - CAUTION.height;
  let top = TABLE.top + TABLE.head + options.rows.length * TABLE.row + DRILL.gap;
  const found: Fitting[] = [];
  for (const drill of options.drills) {
    const pieces = drillPieces(drill, found.length + 1, lines, options);
    const height = pieces.reduce((sum, piece) => sum + piece.height, 0);
    if (top + height > floor) continue;
    found.push({ row: drill.row, pieces, top });
    top += height + DRILL.gap;
  }
  return found;
}

/** @param drilled rows whose drills stand below, in their order there */
function tableMarks({ days, rows, words }: WeekSheetOptions, drilled: readonly number[]): Mark[] {
  const column = (WIDTH - TABLE.label) / days.length;
  const x = (day: number) => A4.margin + TABLE.label + day * column;
  const bottom = TABLE.top + TABLE.head + rows.length * TABLE.row;
  const marks: Mark[] = [
    rule(A4.margin, TABLE.top, A4.width - A4.margin, TABLE.top, 0.5),
    ...days.flatMap(({ name, off }, day): Mark[] => [
      paperText('day', x(day) + column / 2, TABLE.top + 4.4, name, 9 * PT, 'middle', 'text'),
      ...(off ? hatching(x(day), TABLE.top + TABLE.head, column, bottom - TABLE.top - TABLE.head) : []),
    ]),
  ];
  rows.forEach(({ name, minutes }, r) => {
    const y = TABLE.top + TABLE.head + r * TABLE.row;
    const label = drilled.includes(r) ? `${drilled.indexOf(r) + 1}  ${name}` : name;
    marks.push(rule(A4.margin, y, A4.width - A4.margin, y, 0.2));
    marks.push(paperText('row', A4.margin, y + 4.3, label, 9 * PT, 'start', 'text'));
    minutes.forEach((lasts, day) => {
      if (lasts <= 0) return;
      const middle = x(day) + column / 2;
      marks.push(
        paperText('minutes', middle + 0.5, y + 4.3, `${lasts} ${words.minutes}`, 9 * PT, 'end', 'text'),
        square('tick', middle + 2.5, y + 1.5, 3.2),
      );
    });
  });
  return [...marks, rule(A4.margin, bottom, A4.width - A4.margin, bottom, 0.5)];
}

/** Lines from corner to corner of a day off, cut to its column. */
function hatching(x: number, y: number, width: number, height: number): Mark[] {
  const step = 4;
  return Array.from({ length: Math.ceil((width + height) / step) }, (_, i): Mark => {
    const at = i * step;
    const [fromX, fromY] = [Math.max(0, at - height), Math.min(height, at)];
    const [toX, toY] = [Math.min(width, at), Math.max(0, at - width)];
    return rule(x + fromX, y + fromY, x + toX, y + toY, 0.15);
  });
}

function drillPieces(
  { title, aside, line, content }: WeekSheetDrill,
  number: number,
  lines: number,
  options: WeekSheetOptions,
): Piece[] {
  const played = [
    ...boardPieces(content, options),
    ...cardPieces(content.cards, options).slice(0, MOST.cardRows),
    ...(content.score ? tabPieces(content.score, options) : staffPieces(content.staff)).slice(0, lines),
    ...callPieces([...content.calls, ...content.boxes], false).slice(0, MOST.calls),
  ];
  return [
    {
      height: DRILL.head,
      draw: (y) => [
        rule(A4.margin, y, A4.width - A4.margin, y, 0.5),
        paperText('drill', A4.margin, y + 7, `${number}  ${title}`, 13 * PT, 'start', 'display'),
        paperText('aside', A4.width - A4.margin, y + 7, aside, 9 * PT, 'end', 'text'),
      ],
    },
    {
      height: DRILL.line,
      draw: (y) => [paperText('line', A4.margin, y + 3.5, line, 9 * PT, 'start', 'text', 'ink2')],
    },
    ...played,
    takesPiece(options),
  ];
}

/** Six takes: tempo, how many came clean, how the hand felt. */
function takesPiece({ words }: WeekSheetOptions): Piece {
  const column = (WIDTH - TAKES.label) / TAKES.count;
  const boxes = [words.tempo, words.clean];
  return {
    height: TAKES.head + (boxes.length + 1) * TAKES.row,
    draw: (y) => {
      const x = (take: number) => A4.margin + TAKES.label + take * column;
      const top = y + TAKES.head;
      const bottom = top + boxes.length * TAKES.row;
      return [
        ...Array.from({ length: TAKES.count }, (_, take) =>
          paperText(
            'take',
            x(take) + column / 2,
            y + 3.6,
            `${words.take} ${take + 1}`,
            8 * PT,
            'middle',
            'text',
            'ink2',
          ),
        ),
        ...boxes.map((label, i) =>
          paperText('label', A4.margin, top + i * TAKES.row + 4.4, label, 8.5 * PT, 'start', 'text'),
        ),
        paperText('label', A4.margin, bottom + 4.4, words.felt, 8.5 * PT, 'start', 'text'),
        ...Array.from({ length: boxes.length + 1 }, (_, i) =>
          rule(A4.margin + TAKES.label, top + i * TAKES.row, A4.width - A4.margin, top + i * TAKES.row, 0.25),
        ),
        ...Array.from({ length: TAKES.count + 1 }, (_, take) => rule(x(take), top, x(take), bottom, 0.25)),
        ...Array.from({ length: TAKES.count }, (_, take) =>
          paperText(
            'feels',
            x(take) + column / 2,
            bottom + 4.4,
            words.feels.join('  '),
            6.6 * PT,
            'middle',
            'text',
          ),
        ),
      ];
    },
  };
}

function footMarks({ cautions, words, foot }: WeekSheetOptions): Mark[] {
  const y = FLOOR - CAUTION.height + 3;
  return [
    rule(A4.margin, y, A4.width - A4.margin, y, 0.5),
    ...cautions.map((text, i) =>
      paperText(
        'caution',
        A4.margin,
        y + 5 + i * CAUTION.line,
        text,
        (i === 0 ? 9 : 8.2) * PT,
        'start',
        'text',
        i === 0 ? 'ink' : 'ink2',
      ),
    ),
    paperText('question', A4.margin + CAUTION.split, y + 5, words.question, 8.5 * PT, 'start', 'text'),
    rule(A4.margin + CAUTION.split, y + 13, A4.width - A4.margin, y + 13),
    ...footOf(foot, 0, 1),
  ];
}
