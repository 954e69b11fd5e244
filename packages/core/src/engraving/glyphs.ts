/** Music signs as outlines (`fonts/make-staff-glyphs.mjs`): what an engraver asks a font for, without a font. */
import drawn from './glyphs.json';

interface Glyph {
  /** In units of the font, upwards positive. */
  readonly d: string;
  readonly advance: number;
  /** Leftmost, lowest, rightmost, highest. */
  readonly box: readonly number[];
}

const GLYPHS: Readonly<Record<string, Glyph>> = drawn.glyphs;

/** What a sign on a note is, by its range in the standard layout of music fonts (SMuFL). */
const KINDS: readonly (readonly [first: number, last: number, kind: string])[] = [
  [0xe0a0, 0xe0ff, 'notehead'],
  [0xe1e7, 0xe1e7, 'dot'],
  [0xe240, 0xe25f, 'flag'],
  [0xe260, 0xe26f, 'accidental'],
  [0xe4a0, 0xe4bf, 'accent'],
  [0xe4e0, 0xe4ff, 'rest'],
  [0xe880, 0xe88f, 'tuplet'],
];
export function kindOf(text: string): string | null {
  const code = text.codePointAt(0) ?? 0;
  return KINDS.find(([first, last]) => code >= first && code <= last)?.[2] ?? null;
}

/** Of one letter of a text; a sign that is not among them is a fault of whoever lists them. */
function glyphOf(letter: string): Glyph {
  const code = (letter.codePointAt(0) ?? 0).toString(16);
  const glyph = GLYPHS[code];
  if (!glyph) throw new RangeError(`no outline of U+${code.toUpperCase()}`);
  return glyph;
}

/** Lengths of a text set at so many pixels, as a canvas gives them. */
export function measured(text: string, size: number) {
  const scale = size / drawn.unitsPerEm;
  let width = 0;
  let [left, low, right, high] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const letter of text) {
    const { advance, box } = glyphOf(letter);
    [left, right] = [Math.min(left, width + box[0]), Math.max(right, width + box[2])];
    [low, high] = [Math.min(low, box[1]), Math.max(high, box[3])];
    width += advance;
  }
  const or0 = (value: number) => (Number.isFinite(value) ? value * scale : 0);
  return {
    width: width * scale,
    actualBoundingBoxLeft: -or0(left),
    actualBoundingBoxRight: or0(right),
    actualBoundingBoxAscent: or0(high),
    actualBoundingBoxDescent: -or0(low),
    fontBoundingBoxAscent: size,
    fontBoundingBoxDescent: size,
  };
}

/** The outlines of a text as path data, its first letter's foot at x and y, downwards positive. */
export function outlines(text: string, x: number, y: number, size: number): string {
  const scale = size / drawn.unitsPerEm;
  let at = x;
  let d = '';
  for (const letter of text) {
    const glyph = glyphOf(letter);
    d += glyph.d.replace(/([MLQC])([^MLQCZ]*)/g, (_, command: string, rest: string) => {
      const points = rest.split(' ').map((one, i) => {
        const value = Number(one) * scale;
        return short(i % 2 === 0 ? at + value : y - value);
      });
      return command + points.join(' ');
    });
    at += glyph.advance * scale;
  }
  return d;
}

/** A hundredth of a pixel is finer than any printer. */
export const short = (value: number): string => String(Math.round(value * 100) / 100);
