/** A page as a self-contained SVG file in millimetres, black on white; fonts may be carried inside as CSS. */
import type { Ink, Mark } from '../shapes/card-drawing';
import type { PaperPage } from './card-page';

/** Print: tints become greys. */
export const PAPER_INKS: Readonly<Record<Ink, string>> = {
  ink: '#000000',
  ink2: '#333333',
  ink3: '#555555',
  wire: '#777777',
  string: '#444444',
  sheet: '#ffffff',
  none: 'none',
};

export interface PaperFonts {
  readonly text: string;
  readonly display: string;
  /** CSS that makes them known, e.g. `@font-face` with the font inside; may be empty. */
  readonly css: string;
}

const PLAIN_FONTS: PaperFonts = { text: 'sans-serif', display: 'serif', css: '' };

export function writeSvg(page: PaperPage, label: string, fonts: PaperFonts = PLAIN_FONTS): string {
  const { widthMm, heightMm } = page;
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" role="img" aria-label="${escaped(label)}" width="${n(widthMm)}mm" height="${n(heightMm)}mm" viewBox="0 0 ${n(widthMm)} ${n(heightMm)}">`,
    fonts.css ? `<style>${fonts.css}</style>` : '',
    `<rect width="${n(widthMm)}" height="${n(heightMm)}" fill="${PAPER_INKS.sheet}"/>`,
    ...page.marks.map((mark) => markSvg(mark, fonts)),
    '</svg>',
  ].join('\n');
}

const n = (value: number): string => String(Math.round(value * 1000) / 1000);
const escaped = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;');

function markSvg(mark: Mark, fonts: PaperFonts): string {
  const stroke = `stroke="${PAPER_INKS[mark.ink]}"`;
  switch (mark.kind) {
    case 'line':
      return `<line x1="${n(mark.x1)}" y1="${n(mark.y1)}" x2="${n(mark.x2)}" y2="${n(mark.y2)}" ${stroke} stroke-width="${n(mark.width)}"${mark.dash ? ` stroke-dasharray="${mark.dash.map(n).join(' ')}"` : ''}/>`;
    case 'circle':
      return `<circle cx="${n(mark.x)}" cy="${n(mark.y)}" r="${n(mark.r)}" fill="${PAPER_INKS[mark.fill]}" ${stroke} stroke-width="${n(mark.width)}"/>`;
    case 'rect':
      return `<rect x="${n(mark.x)}" y="${n(mark.y)}" width="${n(mark.w)}" height="${n(mark.h)}" rx="${n(mark.round)}" fill="${PAPER_INKS[mark.fill]}" ${stroke} stroke-width="${n(mark.width)}"/>`;
    case 'path':
      return `<path d="${mark.d}" fill="${PAPER_INKS[mark.fill]}" ${stroke} stroke-width="${n(mark.width)}"/>`;
    case 'text':
      return `<text x="${n(mark.x)}" y="${n(mark.y)}" font-family="${escaped(fonts[mark.font])}" font-size="${n(mark.size)}" font-weight="${mark.bold ? 700 : 400}" text-anchor="${mark.anchor}" fill="${PAPER_INKS[mark.ink]}">${escaped(mark.text)}</text>`;
  }
}
