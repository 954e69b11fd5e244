/**
 * A drill on paper: what is asked of it, the grips it is played on, its tab line by line, calls with a line to answer on, boxes
 * to write in, and at the foot of the first page boxes for takes. What was to be answered stands on pages of its own.
 */
import { A4, footOf, paperText, PT, type PaperPage } from './card-page';
import {
  boardPieces,
  boxPieces,
  callPieces,
  cardPieces,
  FLOOR,
  flow,
  heading,
  rule,
  square,
  staffPieces,
  tabPieces,
  WIDTH,
  type DrillSheetContent,
  type Piece,
  type PieceLook,
} from './sheet-pieces';

export interface DrillSheetOptions extends PieceLook {
  readonly title: string;
  readonly foot: string;
  /** Under the title: what one take answers, its tempo. */
  readonly lines: readonly string[];
  /** Pages with what was to be answered follow. */
  readonly answers: boolean;
  /** Boxes for so many takes. */
  readonly takes: number;
  readonly words: {
    readonly takes: string;
    readonly clean: string;
    readonly nearly: string;
    readonly notYet: string;
    readonly answers: string;
  };
}

const TAKE = { height: 7, columns: 2, head: 8 } as const;

export function drawDrillSheet(content: DrillSheetContent, options: DrillSheetOptions): PaperPage[] {
  const pieces = [
    ...linePieces(options),
    ...boardPieces(content, options),
    ...cardPieces(content.cards, options),
    ...staffPieces(content.staff),
    ...tabPieces(content.score, options),
    ...callPieces(content.calls, false),
    ...boxPieces(content.boxes, false),
  ];
  const asked = [...content.calls, ...content.boxes];
  const takes = takeMarks(options);
  const pages = flow(pieces, takes.height);
  pages[0].push(...takes.draw(FLOOR - takes.height));
  if (options.answers && asked.length)
    pages.push(
      ...flow([
        heading(options.words.answers),
        ...callPieces(
          content.calls.filter((one) => one.right !== ''),
          true,
        ),
        ...boxPieces(content.boxes, true),
      ]),
    );
  return pages.map((marks, i) => ({
    widthMm: A4.width,
    heightMm: A4.height,
    marks: [
      paperText('title', A4.margin, A4.margin + 8, options.title, 17 * PT, 'start', 'display'),
      ...footOf(options.foot, i, pages.length),
      ...marks,
    ],
  }));
}

const linePieces = ({ lines }: DrillSheetOptions): Piece[] =>
  lines.map((words, i) => ({
    height: i === lines.length - 1 ? 7 : 5,
    draw: (y) => [paperText('line', A4.margin, y + 2.5, words, 10 * PT, 'start', 'text', 'ink2')],
  }));

/** A row for each take: the day, the tempo, and how it came. */
function takeMarks({ takes, words }: DrillSheetOptions): Piece {
  const rows = Math.ceil(takes / TAKE.columns);
  const column = WIDTH / TAKE.columns;
  return {
    height: takes ? TAKE.head + rows * TAKE.height + 2 : 0,
    draw: (y) =>
      takes === 0
        ? []
        : [
            paperText('takes', A4.margin, y + 5, words.takes, 9 * PT, 'start', 'text', 'ink2'),
            ...Array.from({ length: takes }, (_, n) => {
              const x = A4.margin + (n % TAKE.columns) * column;
              const at = y + TAKE.head + Math.floor(n / TAKE.columns) * TAKE.height;
              const ways = [words.clean, words.nearly, words.notYet];
              return [
                rule(x, at + 4.4, x + 16, at + 4.4),
                rule(x + 18, at + 4.4, x + 28, at + 4.4),
                ...ways.flatMap((way, i) => [
                  square('take', x + 32 + i * 18, at + 1.4, 3),
                  paperText('way', x + 36 + i * 18, at + 4, way, 8 * PT, 'start', 'text'),
                ]),
              ];
            }).flat(),
          ],
  };
}
