/**
 * Keys on paper: one key with its degrees, chords, tones, scales and tensions on a page, and the circle beside it; or twelve
 * or fifteen of them in rows. Blank for homework: the names are left out and lines to write on stand in their place.
 */
import type { Mark } from '../shapes/card-drawing';
import { degreeChords, type DegreeChord } from '../theory/degree-chords';
import type { FigureSchool } from '../theory/figure';
import { majorKeys, makeKey, minorKeys, type Key } from '../theory/key';
import { noteText } from '../theory/note';
import { A4, footOf, paperText, PT, type PaperPage } from './card-page';

export interface KeySheetOptions {
  readonly title: string;
  readonly foot: string;
  readonly sevenths: boolean;
  /** Leaves what is to be written open: the chords, or all but the key's name. */
  readonly blank: boolean;
  readonly school: FigureSchool;
  /** Printed names by what they name: chord symbols, figures, names of keys, `tonic 3` for the job of a degree. */
  readonly names: Readonly<Record<string, string>>;
  readonly signs: (text: string) => string;
}

const WIDTH = A4.width - 2 * A4.margin;
const FLOOR = A4.height - A4.margin - 4;
const HEAD = 30;
const ROW = { one: 11, many: 15.6 } as const;
const LABEL = 26;

const line = (x1: number, y1: number, x2: number, y2: number, width = 0.25): Mark => ({
  kind: 'line', is: 'rule', x1, y1, x2, y2, ink: 'ink3', width,
}); // prettier-ignore

/** Fifteen keys of a kind by fifths, or the twelve with the fewest signs. */
export function keysFor(kind: 'major' | 'minor', count: 12 | 15): Key[] {
  const all = kind === 'major' ? majorKeys() : minorKeys();
  return count === 15 ? all : all.filter((one) => one.fifths >= -6 && one.fifths <= 5);
}

/** One page for one key, rows for several; as many pages as they need. */
export function drawKeySheet(names: readonly string[], options: KeySheetOptions): PaperPage[] {
  const keys = names.flatMap((name) => {
    const made = makeKey(name);
    return made.ok ? [made.value] : [];
  });
  const pages = keys.length === 1 ? [onePage(keys[0], options)] : rowPages(keys, options);
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

/** `#` five times, or the flats, in words a reader of signatures uses. */
function signatureText({ fifths }: Key, signs: (text: string) => string): string {
  const order = fifths < 0 ? 'B E A D G C F' : 'F C G D A E B';
  const count = Math.abs(fifths);
  if (count === 0) return 'no sharps or flats';
  const letters = order
    .split(' ')
    .slice(0, count)
    .map((letter) => signs(letter + (fifths < 0 ? 'b' : '#')));
  return `${count} ${fifths < 0 ? 'flat' : 'sharp'}${count === 1 ? '' : 's'}: ${letters.join(' ')}`;
}

function onePage(key: Key, { sevenths, blank, school, names, signs }: KeySheetOptions): Mark[] {
  const degrees = degreeChords(key, { sevenths, school });
  const column = (WIDTH - LABEL) / 7;
  const x = (i: number) => A4.margin + LABEL + i * column;
  const marks: Mark[] = [];
  let y = HEAD;
  const tensions = (one: DegreeChord, care: boolean) =>
    one.tensions
      .filter((tension) => (tension.care ?? false) === care)
      .map((tension) => signs(tension.degree))
      .join(' ');
  const rows: readonly (readonly [string, (one: DegreeChord) => string, number, boolean])[] = [
    ['Degree', (one) => named(names, sevenths ? one.figure : one.numeral), 15, false],
    ['Chord', (one) => named(names, one.chord.symbol), 14, true],
    ['Tones', (one) => one.chord.tones.map((tone) => signs(noteText(tone.note))).join(' '), 9, true],
    ['Job', (one) => named(names, `${one.job} ${one.degree}`), 9, true],
    ['Scale over it', (one) => one.mode, 9, true],
    ['Colours well', (one) => tensions(one, false), 9, true],
    ['With care', (one) => tensions(one, true), 9, true],
  ];
  marks.push(
    paperText(
      'signature',
      A4.margin,
      y,
      blank ? 'Signature:' : signatureText(key, signs),
      11 * PT,
      'start',
      'text',
      'ink2',
    ),
    ...(blank ? [line(A4.margin + 24, y + 1, A4.margin + 90, y + 1)] : []),
  );
  y += 8;
  const notes = key.scale.map((note) => signs(noteText(note))).join('   ');
  marks.push(
    paperText('scale', A4.margin, y, blank ? 'Scale:' : notes, 14 * PT, 'start', 'display'),
    ...(blank ? [line(A4.margin + 24, y + 1, A4.margin + WIDTH, y + 1)] : []),
  );
  y += 8;
  for (const [label, said, size, asked] of rows) {
    marks.push(line(A4.margin, y - 2, A4.margin + WIDTH, y - 2));
    marks.push(paperText('label', A4.margin, y + 6, label, 9 * PT, 'start', 'text', 'ink2'));
    degrees.forEach((one, i) => {
      if (blank && asked) marks.push(line(x(i), y + 7.4, x(i) + column - 2, y + 7.4));
      else fitted(marks, x(i), y + 6, said(one), size * PT, column - 1);
    });
    y += ROW.one;
  }
  marks.push(line(A4.margin, y - 2, A4.margin + WIDTH, y - 2));
  const middle = y + 12 + ROUND;
  marks.push(
    ...circleMarks(A4.margin + ROUND, middle, ROUND, key, blank, signs),
    ...ringMarks(A4.margin + WIDTH - ROUND, middle, ROUND, degrees, { sevenths, blank, names }),
  );
  return marks;
}

/** Half the width of the circle and of the ring on a page of one key, mm. */
const ROUND = 43;
/** Degrees by fourths: each a fifth above the next, so that each pulls to the next. */
const BY_FOURTHS = [0, 3, 6, 2, 5, 1, 4];

/** The seven degrees in a ring, clockwise as they pull; blank, the chords are left to be written. */
function ringMarks(
  cx: number,
  cy: number,
  r: number,
  degrees: readonly DegreeChord[],
  { sevenths, blank, names }: Pick<KeySheetOptions, 'sevenths' | 'blank' | 'names'>,
): Mark[] {
  const [path, spot] = [r * 0.74, r * 0.26];
  const marks: Mark[] = [
    { kind: 'circle', is: 'ring', x: cx, y: cy, r: path, fill: 'none', ink: 'ink3', width: 0.3 },
    paperText('middle', cx, cy - 1, 'each pulls to', 9 * PT, 'middle', 'text', 'ink2'),
    paperText('middle', cx, cy + 4, 'the next, clockwise', 9 * PT, 'middle', 'text', 'ink2'),
  ];
  BY_FOURTHS.forEach((at, place) => {
    const one = degrees[at];
    const angle = (place / BY_FOURTHS.length) * 2 * Math.PI - Math.PI / 2;
    const [x, y] = [cx + Math.cos(angle) * path, cy + Math.sin(angle) * path];
    const fits = (text: string, size: number) => Math.min(size, (1.8 * spot) / (text.length * LETTER));
    const figure = named(names, sevenths ? one.figure : one.numeral);
    const chord = named(names, one.chord.symbol);
    marks.push(
      { kind: 'circle', is: 'degree', x, y, r: spot, fill: 'sheet', ink: 'ink', width: 0.4 },
      paperText('figure', x, y - 1.4, figure, fits(figure, 11 * PT), 'middle', 'display'),
      blank
        ? line(x - spot * 0.7, y + 4.6, x + spot * 0.7, y + 4.6)
        : paperText('chord', x, y + 4.2, chord, fits(chord, 10 * PT), 'middle', 'display'),
    );
  });
  return marks;
}

const named = (names: KeySheetOptions['names'], text: string): string => names[text] ?? text;
const LETTER = 0.56;

/** A text no wider than its column: smaller where it must be. */
function fitted(marks: Mark[], x: number, y: number, text: string, size: number, width: number): void {
  const parts = size > 11 * PT || text.length * size * LETTER <= width * 1.4 ? [text] : halves(text);
  parts.forEach((part, i) => {
    const fits = Math.min(size, width / Math.max(1, part.length * LETTER));
    marks.push(paperText('cell', x, y + i * 3.6, part, fits, 'start', size > 11 * PT ? 'display' : 'text'));
  });
}
const halves = (text: string): string[] => {
  const words = text.split(' ');
  const middle = Math.ceil(words.length / 2);
  return [words.slice(0, middle).join(' '), words.slice(middle).join(' ')].filter(Boolean);
};

/** Twelve places by fifths, majors outside and minors inside; the key's own place filled with the others of its signature a step off. */
export function circleMarks(
  cx: number,
  cy: number,
  r: number,
  key: Key | null,
  blank: boolean,
  signs: (text: string) => string,
): Mark[] {
  const ring = (radius: number): Mark => ({
    kind: 'circle',
    is: 'ring',
    x: cx,
    y: cy,
    r: radius,
    fill: 'none',
    ink: 'ink3',
    width: 0.3,
  });
  const marks: Mark[] = [ring(r), ring(r * 0.68), ring(r * 0.38)];
  const at = (place: number, share: number): readonly [number, number] => {
    const angle = (place / 12) * 2 * Math.PI - Math.PI / 2;
    return [cx + Math.cos(angle) * r * share, cy + Math.sin(angle) * r * share];
  };
  for (let place = 0; place < 12; place++) {
    const [x1, y1] = at(place + 0.5, 0.38);
    const [x2, y2] = at(place + 0.5, 1);
    marks.push(line(x1, y1, x2, y2));
    for (const [list, share, size] of [
      [majorKeys(), 0.84, 11],
      [minorKeys(), 0.53, 9],
    ] as const) {
      const here = list.filter((one) => ((one.fifths % 12) + 12) % 12 === place);
      const own = key ? here.some((one) => one.fifths === key.fifths) : false;
      const [x, y] = at(place, share);
      if (own)
        marks.push({ kind: 'circle', is: 'own', x, y, r: r * 0.13, fill: 'none', ink: 'ink', width: 0.6 });
      if (blank && !own) continue;
      const names = here.map((one) => signs(noteText(one.tonic)) + (one.mode === 'minor' ? 'm' : ''));
      names.forEach((name, i) =>
        marks.push(
          paperText(
            'place',
            x,
            y + 1.4 + (i - (names.length - 1) / 2) * 4,
            name,
            (names.length > 1 ? size * 0.8 : size) * PT,
            'middle',
            'display',
          ),
        ),
      );
    }
  }
  return marks;
}

function rowPages(keys: readonly Key[], { sevenths, blank, school, names }: KeySheetOptions): Mark[][] {
  const pages: Mark[][] = [[]];
  const column = (WIDTH - LABEL) / 7;
  let y = HEAD;
  for (const key of keys) {
    if (y + ROW.many > FLOOR) {
      pages.push([]);
      y = HEAD;
    }
    const marks = pages[pages.length - 1];
    marks.push(line(A4.margin, y, A4.margin + WIDTH, y));
    marks.push(paperText('key', A4.margin, y + 6, named(names, key.name), 12 * PT, 'start', 'display'));
    if (!blank && key.fifths !== 0)
      marks.push(
        paperText(
          'signs',
          A4.margin,
          y + 11,
          `${Math.abs(key.fifths)} ${key.fifths < 0 ? '♭' : '♯'}`,
          8 * PT,
          'start',
          'text',
          'ink2',
        ),
      );
    degreeChords(key, { sevenths, school }).forEach((one, i) => {
      const x = A4.margin + LABEL + i * column;
      const figure = named(names, sevenths ? one.figure : one.numeral);
      fitted(marks, x, y + 5.4, figure, 8 * PT, column - 1);
      if (blank) marks.push(line(x, y + 12.4, x + column - 3, y + 12.4));
      else fitted(marks, x, y + 11.6, named(names, one.chord.symbol), 12 * PT, column - 1);
    });
    y += ROW.many;
  }
  return pages;
}
