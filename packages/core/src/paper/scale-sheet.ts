/** A scale on paper: necks under each other, each with its name, as many to a page as it holds. */
import type { Instrument } from '../fretboard/instrument';
import { drawBoard, type BoardNote, type BoardShow } from '../scales/draw-board';
import { A4, footOf, paperText, placed, PT, type PaperPage } from './card-page';

export interface ScaleSheetNeck {
  readonly name: string;
  readonly under: string;
  readonly notes: readonly BoardNote[];
}

export interface ScaleSheetOptions {
  readonly title: string;
  readonly foot: string;
  readonly show: BoardShow;
  readonly leftHanded: boolean;
  readonly signs: (text: string) => string;
}

const WIDTH = A4.width - 2 * A4.margin;
const TOP = 30;
const NECK = { width: 860, gap: 12, head: 7 } as const;

export function drawScaleSheet(
  necks: readonly ScaleSheetNeck[],
  instrument: Instrument,
  options: ScaleSheetOptions,
): PaperPage[] {
  const scale = WIDTH / NECK.width;
  const pages: PaperPage['marks'][number][][] = [[]];
  let y = TOP;
  for (const neck of necks) {
    const drawing = drawBoard(neck.notes, instrument, { ...options, leastFrets: 5, width: NECK.width });
    const height = NECK.head + drawing.height * scale + NECK.gap;
    if (y + height > A4.height - A4.margin && y > TOP) {
      pages.push([]);
      y = TOP;
    }
    pages[pages.length - 1].push(
      paperText('name', A4.margin, y + 4, neck.name, 13 * PT, 'start', 'display'),
      ...drawing.marks.map((mark) => placed(mark, A4.margin, y + NECK.head, scale)),
      paperText(
        'under',
        A4.margin,
        y + NECK.head + drawing.height * scale + 3,
        neck.under,
        9 * PT,
        'start',
        'text',
        'ink2',
      ),
    );
    y += height;
  }
  return pages.map((marks, i) => ({
    widthMm: A4.width,
    heightMm: A4.height,
    marks: [
      paperText('title', A4.margin, A4.margin + 8, options.title, 20 * PT, 'start', 'display'),
      ...footOf(options.foot, i, pages.length),
      ...marks,
    ],
  }));
}
