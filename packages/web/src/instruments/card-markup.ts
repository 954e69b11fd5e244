/**
 * The marks of a card as SVG markup with classes for the theme's inks. One text set at once: a screen of cards is
 * hundreds of strokes, and making each of them a component part costs more than the search that found the grips.
 */
import type { Mark } from '@finch/core/shapes';

const escaped = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;');

/** Two decimals are finer than any screen. */
const n = (value: number): number => Math.round(value * 100) / 100;

export function cardMarkup(marks: readonly Mark[]): string {
  return marks.map(markup).join('');
}

function markup(mark: Mark): string {
  if (mark.kind === 'text') {
    const bold = mark.bold ? ' font-weight="700"' : '';
    return `<text class="${mark.is} fill-${mark.ink}" x="${n(mark.x)}" y="${n(mark.y)}" font-size="${n(mark.size)}"${bold} text-anchor="${mark.anchor}">${escaped(mark.text)}</text>`;
  }
  if (mark.kind === 'line') {
    const dash = mark.dash ? ` stroke-dasharray="${mark.dash.join(' ')}"` : '';
    return `<line class="${mark.is} stroke-${mark.ink}" x1="${n(mark.x1)}" y1="${n(mark.y1)}" x2="${n(mark.x2)}" y2="${n(mark.y2)}" stroke-width="${n(mark.width)}"${dash}/>`;
  }
  const look = `class="${mark.is} fill-${mark.fill} stroke-${mark.ink}" stroke-width="${n(mark.width)}"`;
  if (mark.kind === 'circle') return `<circle ${look} cx="${n(mark.x)}" cy="${n(mark.y)}" r="${n(mark.r)}"/>`;
  if (mark.kind === 'path') return `<path ${look} d="${mark.d}"/>`;
  return `<rect ${look} x="${n(mark.x)}" y="${n(mark.y)}" width="${n(mark.w)}" height="${n(mark.h)}" rx="${n(mark.round)}"/>`;
}
