/**
 * A grip as a card, as marks on a plane: strings upright, thickest at the left (mirrored for left-handers), true
 * fret spacing. One drawing for the screen, for SVG and for paper; each gives the inks its own colours. Units are
 * those of the size asked for, y downward. Our own drawing rules: the direction of the house, docs/decisions.
 */
import { barresOf, type Barre } from '../grips/barre';
import { beakPath, dotAt, MARKED_FRETS, windowOf, wireAt } from '../grips/drawn-neck';
import type { FingerLabel, Frets } from '../grips/grip';

/** What a mark is drawn with; `sheet` is the paper. */
export type Ink = 'ink' | 'ink2' | 'ink3' | 'wire' | 'string' | 'sheet' | 'none';

interface MarkBase {
  /** What the mark stands for; screens style by it, tests count it. */
  readonly is: string;
}
export type Mark =
  | (MarkBase & {
      readonly kind: 'line';
      readonly x1: number;
      readonly y1: number;
      readonly x2: number;
      readonly y2: number;
      readonly ink: Ink;
      readonly width: number;
      readonly dash?: readonly [number, number];
    })
  | (MarkBase & {
      readonly kind: 'circle';
      readonly x: number;
      readonly y: number;
      readonly r: number;
      readonly fill: Ink;
      readonly ink: Ink;
      readonly width: number;
    })
  | (MarkBase & {
      readonly kind: 'rect';
      readonly x: number;
      readonly y: number;
      readonly w: number;
      readonly h: number;
      readonly round: number;
      readonly fill: Ink;
      readonly ink: Ink;
      readonly width: number;
    })
  | (MarkBase & {
      readonly kind: 'path';
      readonly d: string;
      readonly fill: Ink;
      readonly ink: Ink;
      readonly width: number;
    })
  | (MarkBase & {
      readonly kind: 'text';
      readonly x: number;
      readonly y: number;
      readonly text: string;
      readonly size: number;
      readonly bold: boolean;
      readonly anchor: 'start' | 'middle' | 'end';
      readonly ink: Ink;
      readonly font: 'text' | 'display';
    });

export interface CardContent {
  readonly frets: Frets;
  readonly fingers: readonly FingerLabel[];
  /** Degrees by string; marks the root and fills the interval view. */
  readonly degrees?: readonly (string | null)[];
  /** Note names by string, ASCII. */
  readonly notes?: readonly (string | null)[];
}

export type CardSize = 'thumb' | 'list' | 'bench' | 'lesson';
export type CardShow = 'fingers' | 'degrees' | 'notes';

export interface CardOptions {
  readonly size: CardSize;
  readonly show: CardShow;
  readonly leftHanded: boolean;
  readonly leastFrets: number;
  /** Draws the signs of an ASCII name; a vocabulary's business. */
  readonly signs: (text: string) => string;
}

export interface CardDrawing {
  readonly width: number;
  readonly height: number;
  readonly marks: readonly Mark[];
}

const SIZES = {
  thumb: { r: 6.5, gap: 12, height: 62, label: 0, strings: 0.45, nut: 3, wire: 1, sign: 1.4 },
  list: { r: 10.5, gap: 22.8, height: 106, label: 12.5, strings: 0.6, nut: 5, wire: 1.6, sign: 2 },
  bench: { r: 17, gap: 37, height: 200, label: 16, strings: 0.85, nut: 5, wire: 1.6, sign: 2 },
  lesson: { r: 29, gap: 58, height: 270, label: 30, strings: 0.85, nut: 7, wire: 1.6, sign: 2 },
} as const;

/** The drawing of a card. */
export function drawCard(content: CardContent, options: CardOptions): CardDrawing {
  const { frets, fingers, degrees, notes } = content;
  const { show, leftHanded, signs } = options;
  const look = SIZES[options.size];
  const { r } = look;
  const strings = frets.length;
  const window = windowOf([frets], options.leastFrets);
  const left = look.label ? look.label * 2.1 + r : r + 3;
  const top = r * 2.3;
  const width = left + (strings - 1) * look.gap + r + 3;
  const height = top + look.height + r * 0.7;
  const x = (s: number) => left + (leftHanded ? strings - 1 - s : s) * look.gap;
  const y = (share: number) => top + share * look.height;
  const wire = (fret: number) => y(wireAt(window, fret));
  const press = (fret: number) => y(dotAt(window, fret));
  const stringWidth = (s: number) => (3 - (1.8 * s) / (strings - 1)) * look.strings;
  const rows = Array.from({ length: window.to - window.from }, (_, i) => window.from + 1 + i);
  const barres = barresOf(frets, fingers);
  const marks: Mark[] = [];

  if (look.label)
    for (const fret of rows) {
      const marked = MARKED_FRETS.has(fret);
      marks.push({
        kind: 'text',
        is: 'fret-number',
        x: left - r - look.label * 0.85,
        y: press(fret) + look.label * 0.35,
        text: String(fret),
        size: look.label,
        bold: marked,
        anchor: 'end',
        ink: marked ? 'ink' : 'ink3',
        font: 'text',
      });
      const bars = [...(marked ? [0.4] : []), ...(fret === 12 || fret === 24 ? [0.12] : [])];
      for (const share of bars) {
        const at = left - r - look.label * share;
        marks.push(line('bar', at, wire(fret - 1) + 2, at, wire(fret) - 2, 'ink', 2.4));
      }
    }
  const [first, last] = [Math.min(x(0), x(strings - 1)) - 1, Math.max(x(0), x(strings - 1)) + 1];
  for (const fret of [window.from, ...rows])
    marks.push(
      fret === 0
        ? line('nut', first, wire(0), last, wire(0), 'ink', look.nut)
        : line('wire', first, wire(fret), last, wire(fret), 'wire', look.wire),
    );
  frets.forEach((fret, s) =>
    marks.push(
      fret === null
        ? { ...line('silent', x(s), y(0), x(s), y(1), 'string', 1.2), dash: [1.5, 5] }
        : line('string', x(s), y(0), x(s), y(1), 'string', stringWidth(s)),
    ),
  );
  if (show === 'fingers') for (const barre of barres) marks.push(...capsule(barre));
  frets.forEach((fret, s) => {
    if (fret === null) marks.push(...mute(s));
    else if (fret === 0) marks.push(...open(s));
  });
  frets.forEach((fret, s) => {
    if (fret !== null && fret > 0) marks.push(...dot(s, fret));
  });
  return { width, height, marks };

  function capsule(barre: Barre): Mark[] {
    const at = press(barre.fret);
    const [from, to] = [x(barre.fromIndex), x(barre.toIndex)];
    const strokes = frets.flatMap((_, s): Mark[] => {
      const under = s > barre.fromIndex && s < barre.toIndex && !barre.presses.includes(s);
      // Dotted: stopped higher, the barre need not press it. Full: it must.
      if (under)
        return [
          { ...line('higher', x(s), at - r * 0.7, x(s), at + r * 0.7, 'string', 1.2), dash: [1.5, 3.5] },
        ];
      return barre.presses.includes(s)
        ? [line('pressed', x(s), at - r * 0.7, x(s), at + r * 0.7, 'string', stringWidth(s))]
        : [];
    });
    return [
      {
        kind: 'rect',
        is: 'capsule',
        x: Math.min(from, to) - r * 0.75,
        y: at - r * 0.75,
        w: Math.abs(to - from) + r * 1.5,
        h: r * 1.5,
        round: r * 0.75,
        fill: 'sheet',
        ink: 'ink',
        width: 2,
      },
      ...strokes,
    ];
  }

  function mute(s: number): Mark[] {
    const [a, b] = [x(s), top];
    const cross = `M${a - r * 0.45} ${b - r * 1.75}L${a + r * 0.45} ${b - r * 0.85}M${a + r * 0.45} ${b - r * 1.75}L${a - r * 0.45} ${b - r * 0.85}`;
    const stand: Mark[] =
      look.label > 0
        ? [line('mute-bar', a - r * 0.6, b - r * 0.6, a + r * 0.6, b - r * 0.6, 'ink2', look.sign)]
        : [];
    return [{ kind: 'path', is: 'mute', d: cross, fill: 'none', ink: 'ink2', width: look.sign }, ...stand];
  }

  function nameOf(s: number): string {
    if (show === 'notes') return signs(notes?.[s] ?? '');
    return degrees?.[s] === '1' ? 'R' : signs(degrees?.[s] ?? '');
  }

  function open(s: number): Mark[] {
    const out: Mark[] = [];
    if (degrees?.[s] !== '1' || show === 'fingers')
      out.push({
        kind: 'circle',
        is: 'open',
        x: x(s),
        y: top - r * 1.25,
        r: r * 0.45,
        fill: 'none',
        ink: 'ink',
        width: look.sign,
      });
    if (show !== 'fingers' && look.label > 0)
      out.push({
        kind: 'text',
        is: 'open-label',
        x: x(s),
        y: top - r * 0.95,
        text: nameOf(s),
        size: r * 1.05,
        bold: true,
        anchor: 'middle',
        ink: 'ink',
        font: 'text',
      });
    out.push(line('stem', x(s), top - r * 0.8, x(s), y(0), 'ink', look.sign));
    return out;
  }

  function dot(s: number, fret: number): Mark[] {
    const [cx, cy] = [x(s), press(fret)];
    const root = degrees?.[s] === '1';
    const barre = barres.find((one) => fingers[s] === one.finger && fret === one.fret);
    // A barre carries its finger's number once, on its thickest string; the rest are pips.
    if (show === 'fingers' && barre && barre.fromIndex !== s)
      return root
        ? [
            {
              kind: 'path',
              is: 'pip root',
              d: beakPath(cx, cy, r * 0.5, 'up'),
              fill: 'ink',
              ink: 'none',
              width: 0,
            },
          ]
        : [{ kind: 'circle', is: 'pip', x: cx, y: cy, r: r * 0.42, fill: 'ink', ink: 'none', width: 0 }];
    const body: Mark[] = [];
    if (show !== 'fingers')
      body.push({
        kind: 'rect',
        is: 'dot',
        x: cx - r,
        y: cy - r,
        w: 2 * r,
        h: 2 * r,
        round: r * 0.3,
        fill: 'ink',
        ink: 'sheet',
        width: 1.5,
      });
    if (root)
      body.push({
        kind: 'path',
        is: 'dot root',
        d: beakPath(cx, cy, r, 'up'),
        fill: 'ink',
        ink: 'sheet',
        width: 1.5,
      });
    else if (show === 'fingers')
      body.push({ kind: 'circle', is: 'dot', x: cx, y: cy, r, fill: 'ink', ink: 'sheet', width: 1.5 });
    const text = show === 'fingers' ? String(fingers[s] ?? '') : nameOf(s);
    if (look.label > 0)
      body.push({
        kind: 'text',
        is: 'dot-text',
        x: cx,
        y: cy + r * (text.length > 1 ? 0.37 : 0.43),
        text,
        size: r * (text.length > 1 ? 1.07 : 1.25),
        bold: true,
        anchor: 'middle',
        ink: 'sheet',
        font: 'text',
      });
    return body;
  }
}

function line(
  is: string,
  x1: number,
  y1: number,
  x2: number,
  y2: number,
  ink: Ink,
  width: number,
): Mark & { kind: 'line' } {
  return { kind: 'line', is, x1, y1, x2, y2, ink, width };
}
