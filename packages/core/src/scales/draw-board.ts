/**
 * Notes on a neck lying down, as marks on a plane: string 1 on top, true fret spacing, the position marks on a ruler below.
 * Degrees and names stand in rounded squares, fingers in circles, the root carries its beak towards the nut. What is in
 * hand is filled, the rest outlined; a colour is outlined and a note that wants care is underlined with dots.
 */
import { stringNumber, type Instrument } from '../fretboard/instrument';
import { beakPath, dotAt, MARKED_FRETS, windowOf, wireAt } from '../grips/drawn-neck';
import type { Mark } from '../shapes/card-drawing';
import type { Degree } from '../theory/degree';
import { noteText } from '../theory/note';
import type { PlacedNote, Spot } from './tones';

export type BoardShow = 'degrees' | 'notes' | 'fingers';

export interface BoardNote extends PlacedNote {
  readonly finger?: number;
  /** Left out: filled. */
  readonly look?: 'filled' | 'outlined' | 'care';
  /** What stands in it, where it is no degree of the scale: a degree over a chord. */
  readonly label?: string;
  /** Whether it is drawn as the root; left out, degree 1 is. */
  readonly root?: boolean;
}

export interface BoardOptions {
  readonly show: BoardShow;
  readonly leftHanded: boolean;
  /** Fewest frets drawn. */
  readonly leastFrets: number;
  /** Spots drawn with a ring: where two boxes join, where the hand moves. */
  readonly rings?: readonly Spot[];
  readonly width: number;
  readonly signs: (text: string) => string;
}

export interface BoardDrawing {
  readonly width: number;
  readonly height: number;
  readonly marks: readonly Mark[];
}

const GAP = 30;
const R = 12.5;
const TOP = 20;
const PAD = 40;

export function drawBoard(
  notes: readonly BoardNote[],
  instrument: Instrument,
  options: BoardOptions,
): BoardDrawing {
  const { show, leftHanded, leastFrets, width, signs, rings = [] } = options;
  const strings = instrument.openPitches.length;
  const window = windowOf([notes.map((one) => one.fret)], leastFrets);
  const bottom = TOP + (strings - 1) * GAP;
  const height = bottom + R + 34;
  const mirrored = (x: number) => (leftHanded ? width - x : x);
  const along = (share: number) => mirrored(PAD + share * (width - PAD - R));
  const y = (s: number) => TOP + (strings - 1 - s) * GAP;
  const x = (fret: number) => (fret === 0 ? mirrored(PAD - R * 1.5) : along(dotAt(window, fret)));
  const rows = Array.from({ length: window.to - window.from }, (_, i) => window.from + 1 + i);
  const marks: Mark[] = [];
  const line = (is: string, x1: number, y1: number, x2: number, y2: number, ink: 'ink' | 'wire' | 'string' | 'ink3', thick: number): Mark => ({
    kind: 'line', is, x1, y1, x2, y2, ink, width: thick,
  }); // prettier-ignore
  for (const fret of [window.from, ...rows]) {
    const at = along(wireAt(window, fret));
    marks.push(
      line(
        fret === 0 ? 'nut' : 'wire',
        at,
        TOP,
        at,
        bottom,
        fret === 0 ? 'ink' : 'wire',
        fret === 0 ? 6 : 1.8,
      ),
    );
  }
  for (let s = 0; s < strings; s++)
    marks.push(
      line('string', along(0), y(s), along(1), y(s), 'string', 2.4 - (1.6 * s) / Math.max(1, strings - 1)),
    );
  for (const fret of rows) {
    const marked = MARKED_FRETS.has(fret);
    const [from, to] = [along(wireAt(window, fret - 1)), along(wireAt(window, fret))];
    const ruler = bottom + R + 8;
    if (marked) marks.push(line('bar', from, ruler, to, ruler, 'ink', 3));
    if (fret === 12 || fret === 24) marks.push(line('bar', from, ruler + 5, to, ruler + 5, 'ink', 3));
    marks.push({
      kind: 'text', is: 'fret-number', x: (from + to) / 2, y: ruler + 21, text: String(fret), size: 14,
      bold: marked, anchor: 'middle', ink: marked ? 'ink' : 'ink3', font: 'text',
    }); // prettier-ignore
  }
  for (const { stringIndex, fret } of rings)
    marks.push({
      kind: 'circle',
      is: 'ring',
      x: x(fret),
      y: y(stringIndex),
      r: R * 1.3,
      fill: 'none',
      ink: 'ink',
      width: 2,
    });
  for (const one of notes) marks.push(...noteMarks(one));
  return { width, height, marks };

  function noteMarks(one: BoardNote): Mark[] {
    const [cx, cy] = [x(one.fret), y(one.stringIndex)];
    const root = one.root ?? one.degree === '1';
    const look = one.look ?? 'filled';
    const filled = look === 'filled';
    const [fill, ink] = filled ? (['ink', 'sheet'] as const) : (['sheet', 'ink'] as const);
    const text = labelOf(one, show, signs, root);
    const body: Mark[] = root
      ? [
          {
            kind: 'path',
            is: `spot root ${look}`,
            d: beakPath(cx, cy, R, leftHanded ? 'right' : 'left'),
            fill,
            ink,
            width: 1.5,
          },
        ]
      : show === 'fingers'
        ? [{ kind: 'circle', is: `spot ${look}`, x: cx, y: cy, r: R, fill, ink, width: 1.5 }]
        : [
            {
              kind: 'rect',
              is: `spot ${look}`,
              x: cx - R,
              y: cy - R,
              w: 2 * R,
              h: 2 * R,
              round: R * 0.3,
              fill,
              ink,
              width: 1.5,
            },
          ];
    body.push({
      kind: 'text', is: 'spot-text', x: cx, y: cy + 5, text, size: text.length > 2 ? 11 : 14, bold: true,
      anchor: 'middle', ink: filled ? 'sheet' : 'ink', font: 'text',
    }); // prettier-ignore
    if (look === 'care')
      body.push({
        kind: 'line',
        is: 'care-line',
        x1: cx - R + 3,
        y1: cy + R - 3.5,
        x2: cx + R - 3,
        y2: cy + R - 3.5,
        ink: 'ink',
        width: 2,
        dash: [2, 2],
      });
    return body;
  }
}

function labelOf(one: BoardNote, show: BoardShow, signs: (text: string) => string, root: boolean): string {
  if (show === 'fingers' && one.finger !== undefined) return String(one.finger);
  if (show === 'notes') return signs(noteText(one.note));
  if (one.label !== undefined) return one.label === '1' ? 'R' : signs(one.label);
  return root ? 'R' : signs(one.degree);
}

/** A spoken form: string by string, thinnest first, the frets with what stands there. */
export function boardSpoken(
  notes: readonly BoardNote[],
  instrument: Instrument,
  say: (degree: Degree) => string,
): string {
  const rows = instrument.openPitches.map((_, s) => s).reverse();
  return rows
    .flatMap((s) => {
      const here = notes.filter((one) => one.stringIndex === s);
      if (here.length === 0) return [];
      const spots = here.map(
        (one) => `${one.fret === 0 ? 'open' : one.fret} ${say(one.label ?? one.degree)}`,
      );
      return [`string ${stringNumber(instrument, s)}: ${spots.join(', ')}`];
    })
    .join('; ');
}
