/**
 * A piece on paper: A4 pages in millimetres with the chart four bars to a line, chords where their beats fall, the names
 * behind a capo, repeats and endings, melody and words under the bars, the strokes, and a card for every grip it is
 * played with. Widths of texts are estimated, since the core measures none; sizes shrink where chords stand close.
 */
import type { FingerLabel, Frets } from '../grips/grip';
import { asIfWithoutCapo } from '../score/rekey-piece';
import type { Piece, PieceBar, StrokePattern, TimeSignature } from '../score/piece';
import { writtenChords } from '../score/piece';
import { beatsOf } from '../score/ticks';
import { drawCard, type CardShow, type Mark } from '../shapes/card-drawing';
import { A4, footOf, paperText, placed, PT, type PaperPage } from './card-page';
import { pitchText } from '../theory/pitch';

export interface ChartPaperGrip {
  readonly frets: Frets;
  readonly fingers: readonly FingerLabel[];
}

export interface ChartPaperOptions {
  /** Under the title: key, time and tempo, as they are to be printed. */
  readonly facts: string;
  readonly foot: string;
  /** Printed names by chord symbol; a symbol without one is printed as it is. */
  readonly names: Readonly<Record<string, string>>;
  /** For every written chord; null where nothing is gripped. Empty prints no cards. */
  readonly grips: readonly (ChartPaperGrip | null)[];
  readonly show: CardShow;
  readonly leftHanded: boolean;
  readonly signs: (text: string) => string;
}

const BARS = 4;
const LABEL = 20;
const WIDTH = A4.width - 2 * A4.margin;
const BAR_WIDTH = (WIDTH - LABEL) / BARS;
const FLOOR = A4.height - A4.margin - 4;
/** Mean width of a letter as a share of its size (assumed; the names are short). */
const LETTER = 0.56;
const CHORD = { most: 15 * PT, least: 7 * PT } as const;
const ROW = { chords: 10, capo: 4, notes: 4.4, words: 4.4, gap: 3.4 } as const;
const CARD = { scale: 0.17, columns: 6, height: 36 } as const;
const STEP = 7;

const text = paperText;
const line = (is: string, x1: number, y1: number, x2: number, y2: number, width = 0.3): Mark => ({
  kind: 'line',
  is,
  x1,
  y1,
  x2,
  y2,
  ink: 'ink',
  width,
});

/** Pages filled from the top; what does not fit begins a new one. */
class Paper {
  readonly pages: Mark[][] = [[]];
  y: number;
  constructor(private readonly top: number) {
    this.y = top;
  }
  /** Makes sure of room for a block of this height. */
  room(height: number): void {
    if (this.y + height <= FLOOR || this.y === this.top) return;
    this.pages.push([]);
    this.y = A4.margin + 6;
  }
  put(...marks: readonly Mark[]): void {
    this.pages[this.pages.length - 1].push(...marks);
  }
}

/** One page or more; the foot stands on each, with its number where there are several. */
export function drawChart(piece: Piece, options: ChartPaperOptions): PaperPage[] {
  const paper = new Paper(A4.margin + 20);
  paper.put(
    text('title', A4.margin, A4.margin + 8, piece.title, 22 * PT, 'start', 'display'),
    text('facts', A4.margin, A4.margin + 14, options.facts, 9.5 * PT, 'start', 'text', 'ink2'),
  );
  drawSections(paper, piece, options);
  if (piece.order) {
    paper.room(7);
    paper.put(
      text(
        'order',
        A4.margin + LABEL,
        paper.y + 4,
        `Played: ${piece.order.join(' ')}`,
        9 * PT,
        'start',
        'text',
      ),
    );
    paper.y += 7;
  }
  for (const pattern of piece.patterns) drawPattern(paper, piece, pattern);
  drawCards(paper, piece, options);
  return paper.pages.map((marks, i) => ({
    widthMm: A4.width,
    heightMm: A4.height,
    marks: [...marks, ...footOf(options.foot, i, paper.pages.length)],
  }));
}

function drawSections(paper: Paper, piece: Piece, options: ChartPaperOptions): void {
  const behind = piece.capo > 0 ? asIfWithoutCapo(piece) : null;
  let time = piece.time;
  let number = 1;
  piece.sections.forEach((section, s) => {
    const sung = section.bars.some((bar) => bar.melody?.some((note) => note.word !== undefined));
    const played = section.bars.some((bar) => bar.melody?.some((note) => note.pitch !== null));
    const height = ROW.chords + (behind ? ROW.capo : 0) + (played ? ROW.notes : 0) + (sung ? ROW.words : 0);
    const lastRepeated = section.bars.findLastIndex((bar) => bar.ending !== 2);
    for (let from = 0; from < section.bars.length; from += BARS) {
      paper.room(height + ROW.gap);
      const { y } = paper;
      if (from === 0)
        paper.put(
          text('section', A4.margin, y + 6, section.name, 12 * PT, 'start', 'display'),
          ...(section.times > 1
            ? [text('times', A4.margin, y + 10, `${section.times} times`, 8 * PT, 'start', 'text', 'ink2')]
            : []),
        );
      section.bars.slice(from, from + BARS).forEach((bar, i) => {
        const index = from + i;
        time = bar.time ?? time;
        const x = A4.margin + LABEL + i * BAR_WIDTH;
        const place: BarPlace = { x, y, height, beats: time.beats };
        paper.put(
          ...barLines(place, index === 0 && section.times > 1, index === lastRepeated && section.times > 1),
          ...barText(bar, behind?.sections[s].bars[index] ?? null, number + index, place, options),
          ...(played ? melodyText(bar, place, y + ROW.chords + (behind ? ROW.capo : 0) + 3, sung) : []),
          ...(bar.ending ? endingMark(bar.ending, place) : []),
        );
      });
      paper.y += height + ROW.gap;
    }
    number += section.bars.length;
    paper.y += 2;
  });
}

interface BarPlace {
  readonly x: number;
  readonly y: number;
  readonly height: number;
  readonly beats: number;
}

const tickX = ({ x, beats }: BarPlace, tick: number): number =>
  x + 2.4 + (beatsOf(tick) / beats) * (BAR_WIDTH - 3.4);

function barLines({ x, y, height }: BarPlace, opens: boolean, closes: boolean): Mark[] {
  const right = x + BAR_WIDTH;
  const dots = (at: number): Mark[] =>
    [0.38, 0.62].map((share) => ({
      kind: 'circle',
      is: 'repeat-dot',
      x: at,
      y: y + share * height,
      r: 0.5,
      fill: 'ink',
      ink: 'none',
      width: 0,
    }));
  return [
    line('bar-line', x, y, x, y + height, opens ? 0.9 : 0.3),
    line('bar-line', right, y, right, y + height, closes ? 0.9 : 0.3),
    ...(opens ? dots(x + 1.2) : []),
    ...(closes ? dots(right - 1.2) : []),
  ];
}

function barText(
  bar: PieceBar,
  behind: PieceBar | null,
  number: number,
  place: BarPlace,
  { names }: ChartPaperOptions,
): Mark[] {
  const { x, y } = place;
  const name = (symbol: string): string => names[symbol] ?? symbol;
  const starts = bar.chords.map((one) => tickX(place, one.tick));
  const sizes = bar.chords.map((one, i) => {
    const room = (starts[i + 1] ?? x + BAR_WIDTH - 0.8) - starts[i] - 0.8;
    return Math.max(CHORD.least, Math.min(CHORD.most, room / (LETTER * Math.max(1, name(one.chord).length))));
  });
  const notes = [
    String(number),
    ...(bar.time ? [timeText(bar.time)] : []),
    ...(bar.tempoBpm === undefined ? [] : [`${bar.tempoBpm} bpm`]),
    ...(bar.key === undefined ? [] : [bar.key]),
  ];
  return [
    text('bar-number', x + 0.8, y + 2.4, notes.join('  '), 6 * PT, 'start', 'text', 'ink2'),
    ...bar.chords.map((one, i) =>
      text('chord', starts[i], y + 8, name(one.chord), sizes[i], 'start', 'display'),
    ),
    ...(bar.chords.length
      ? []
      : [text('held', tickX(place, 0), y + 8, '·', CHORD.most, 'start', 'text', 'ink2')]),
    ...(behind?.chords ?? []).map((one, i) =>
      text('behind', starts[i] ?? x, y + ROW.chords + 2, name(one.chord), 8 * PT, 'start', 'text', 'ink2'),
    ),
  ];
}

const timeText = ({ beats, unit }: TimeSignature): string => `${beats}/${unit}`;

function melodyText(bar: PieceBar, place: BarPlace, y: number, sung: boolean): Mark[] {
  return (bar.melody ?? []).flatMap((note): Mark[] => {
    if (!note.pitch) return [];
    const x = tickX(place, note.tick);
    const pitch = pitchText(note.pitch)
      .replace('#', '♯')
      .replace(/(?<=[A-G])b+/, (b) => '♭'.repeat(b.length));
    return [
      text('note', x, y, pitch, 7 * PT, 'start', 'text'),
      ...(sung && note.word ? [text('word', x, y + ROW.words, note.word, 7.5 * PT, 'start', 'text')] : []),
    ];
  });
}

function endingMark(ending: 1 | 2, { x, y }: BarPlace): Mark[] {
  const top = y - 1.6;
  return [
    line('ending', x + 0.6, top, x + BAR_WIDTH - 0.6, top, 0.25),
    line('ending', x + 0.6, top, x + 0.6, y - 0.2, 0.25),
    text('ending-number', x + 1.4, y + 0.4, `${ending}.`, 6.5 * PT, 'start', 'text'),
  ];
}

function drawPattern(paper: Paper, piece: Piece, pattern: StrokePattern): void {
  const used = piece.sections.filter((one) => one.pattern === pattern.name).map((one) => one.name);
  if (used.length === 0) return;
  const step = Math.min(STEP, (WIDTH - LABEL) / pattern.strokes.length);
  paper.room(17);
  const { y } = paper;
  const at = (i: number) => A4.margin + LABEL + 3 + i * step;
  paper.put(
    text(
      'pattern',
      A4.margin,
      y + 6,
      pattern.kind === 'strum' ? 'Strum' : 'Picking',
      10 * PT,
      'start',
      'display',
    ),
    text('pattern-of', A4.margin, y + 10, used.join(', '), 8 * PT, 'start', 'text', 'ink2'),
    line('beat-line', at(0) - 2, y + 10, at(pattern.strokes.length - 1) + 3, y + 10, 0.2),
  );
  pattern.strokes.forEach((stroke, i) => {
    const x = at(i);
    if (i % pattern.perBeat === 0)
      paper.put(text('count', x, y + 14, String(i / pattern.perBeat + 1), 8 * PT, 'middle', 'text'));
    paper.put(...strokeMarks(stroke, x, y + 2, step));
  });
  paper.y += 17;
}

/** A stroke between `top` and 7 mm below it. */
function strokeMarks(stroke: StrokePattern['strokes'][number], x: number, top: number, step: number): Mark[] {
  if (typeof stroke !== 'string')
    return [text('fingers', x, top + 6, stroke.join(''), 10 * PT, 'middle', 'display')];
  const path = (d: string, width: number): Mark => ({
    kind: 'path',
    is: stroke,
    d,
    fill: 'none',
    ink: 'ink',
    width,
  });
  const [foot, wing] = [top + 6.6, 1.3];
  const cross = `M${x - 1.2} ${top + 2.4}L${x + 1.2} ${top + 4.8}M${x + 1.2} ${top + 2.4}L${x - 1.2} ${top + 4.8}`;
  switch (stroke) {
    case 'down':
    case 'down accent':
      return [
        path(
          `M${x} ${top}L${x} ${foot}M${x - wing} ${foot - 1.8}L${x} ${foot}L${x + wing} ${foot - 1.8}`,
          stroke === 'down' ? 0.4 : 0.9,
        ),
      ];
    case 'up':
    case 'up accent':
      return [
        path(
          `M${x} ${foot}L${x} ${top}M${x - wing} ${top + 1.8}L${x} ${top}L${x + wing} ${top + 1.8}`,
          stroke === 'up' ? 0.4 : 0.9,
        ),
      ];
    case 'chop':
      return [path(cross, 0.4)];
    case 'mute':
      return [path(`${cross}M${x - 1.6} ${top + 6}L${x + 1.6} ${top + 6}`, 0.4)];
    case 'tie':
      return [line('tie', x - step + 1.4, top + 4, x + 1, top + 4, 0.25)];
    case 'stop':
      return [
        {
          kind: 'rect',
          is: 'stop',
          x: x - 1.2,
          y: top + 3.2,
          w: 2.4,
          h: 1.1,
          round: 0,
          fill: 'ink',
          ink: 'none',
          width: 0,
        },
      ];
    case 'rest':
      return [];
  }
}

function drawCards(paper: Paper, piece: Piece, options: ChartPaperOptions): void {
  const seen = new Map<string, { name: string; behind: string; grip: ChartPaperGrip }>();
  const small = piece.capo > 0 ? writtenChords(asIfWithoutCapo(piece)) : [];
  const name = (symbol: string): string => options.names[symbol] ?? symbol;
  writtenChords(piece).forEach(({ chord }, i) => {
    const grip = options.grips[i];
    const behind = small[i] ? name(small[i].chord) : '';
    if (grip) seen.set(`${chord} ${grip.frets.join()}`, { name: name(chord), behind, grip });
  });
  const cell = WIDTH / CARD.columns;
  const cards = [...seen.values()];
  if (cards.length > 0) paper.y += 2;
  for (let from = 0; from < cards.length; from += CARD.columns) {
    paper.room(CARD.height);
    const { y } = paper;
    cards.slice(from, from + CARD.columns).forEach(({ name: printed, behind, grip }, i) => {
      const x = A4.margin + i * cell;
      const drawing = drawCard(grip, {
        size: 'list',
        show: options.show,
        leftHanded: options.leftHanded,
        leastFrets: 4,
        signs: options.signs,
      });
      paper.put(
        text('card-name', x + 3, y + 5, printed, 12 * PT, 'start', 'display'),
        ...(behind ? [text('card-behind', x + cell - 3, y + 5, behind, 9 * PT, 'end', 'text', 'ink2')] : []),
        ...drawing.marks.map((mark) => placed(mark, x, y + 7, CARD.scale)),
      );
    });
    paper.y += CARD.height;
  }
}
