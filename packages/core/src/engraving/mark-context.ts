/** Where the engraver draws: every line, curve and sign becomes a mark, as our own drawings have them. */
import { Element, Font, RenderContext, type FontInfo } from 'vexflow/core';
import type { Mark } from '../shapes/card-drawing';
import { kindOf, measured, outlines, short } from './glyphs';

const pixels = (font: string): number =>
  Font.convertSizeToPixelValue(/[\d.]+(?:pt|px)/.exec(font)?.[0] ?? '10pt');

/** The engraver measures its signs on a canvas; ours knows the outlines. */
export function measureByOutlines(): void {
  const canvas = {
    getContext: () => ({
      font: '',
      measureText(text: string) {
        return measured(text, pixels(this.font));
      },
    }),
  };
  Element.setTextMeasurementCanvas(
    canvas as unknown as Parameters<typeof Element.setTextMeasurementCanvas>[0],
  );
  // It reads a font's name by a page's own parser, which a server and a worker have not.
  Font.fromCSSString = (css) => {
    const [, weight, size, family] = /(?:(bold|\d{3})\s+)?([\d.]+(?:pt|px))\s*(.*)$/.exec(css) ?? [];
    return { family, size, weight, style: '' };
  };
}

interface Pen {
  readonly width: number;
  readonly font: string;
}

/** What a staff does not ask for does nothing: shadows, rotation, colours, an answering rectangle. */
export class MarkContext extends RenderContext {
  readonly marks: Mark[] = [];
  private path = '';
  private pen: Pen = { width: 1, font: '10pt' };
  private readonly kept: Pen[] = [];
  private readonly groups: string[] = [];
  fillStyle = '';
  strokeStyle = '';

  private get is(): string {
    return this.groups[this.groups.length - 1] ?? 'staff';
  }
  private drawn(d: string, how: 'filled' | 'stroked', is = this.is): this {
    const filled = how === 'filled';
    if (d)
      this.marks.push({
        kind: 'path',
        is,
        d,
        fill: filled ? 'ink' : 'none',
        ink: filled ? 'none' : 'ink',
        width: filled ? 0 : this.pen.width,
      });
    return this;
  }
  private to(command: string, ...points: readonly number[]): this {
    this.path += command + points.map(short).join(' ');
    return this;
  }

  beginPath() {
    this.path = '';
    return this;
  }
  moveTo(x: number, y: number) {
    return this.to('M', x, y);
  }
  lineTo(x: number, y: number) {
    return this.to('L', x, y);
  }
  bezierCurveTo(x1: number, y1: number, x2: number, y2: number, x: number, y: number) {
    return this.to('C', x1, y1, x2, y2, x, y);
  }
  quadraticCurveTo(x1: number, y1: number, x: number, y: number) {
    return this.to('Q', x1, y1, x, y);
  }
  closePath() {
    this.path += 'Z';
    return this;
  }
  fill() {
    return this.drawn(this.path, 'filled');
  }
  stroke() {
    return this.drawn(this.path, 'stroked');
  }
  /** Only whole circles come: dots. */
  arc(x: number, y: number, r: number) {
    this.marks.push({ kind: 'circle', is: this.is, x, y, r, fill: 'ink', ink: 'none', width: 0 });
    return this;
  }
  fillRect(x: number, y: number, w: number, h: number) {
    // A height below nothing is drawn upwards.
    const top = Math.min(y, y + h);
    this.marks.push({ kind: 'rect', is: this.is, x, y: top, w, h: Math.abs(h), round: 0, fill: 'ink', ink: 'none', width: 0 }); // prettier-ignore
    return this;
  }
  fillText(text: string, x: number, y: number) {
    // The engraver's groups close around heads and signs alike; those of the clef keep their own.
    const is = /^(clef|keysignature|timesignature)$/.test(this.is) ? this.is : (kindOf(text) ?? this.is);
    return this.drawn(outlines(text, x, y, pixels(this.pen.font)), 'filled', is);
  }
  measureText(text: string) {
    const { width, actualBoundingBoxAscent: up, actualBoundingBoxDescent: down } = measured(text, pixels(this.pen.font)); // prettier-ignore
    return { x: 0, y: -up, width, height: up + down };
  }

  save() {
    this.kept.push(this.pen);
    return this;
  }
  restore() {
    this.pen = this.kept.pop() ?? this.pen;
    return this;
  }
  setLineWidth(width: number) {
    this.pen = { ...this.pen, width };
    return this;
  }
  setFont(font?: string | FontInfo, size?: string | number) {
    const info: FontInfo = typeof font === 'object' ? font : { family: font, size };
    this.pen = { ...this.pen, font: Font.toCSSString(Font.validate(info)) };
    return this;
  }
  getFont() {
    return this.pen.font;
  }
  openGroup(name?: string) {
    this.groups.push(name ?? this.is);
  }
  closeGroup() {
    this.groups.pop();
  }

  setFillStyle() {
    return this;
  }
  setBackgroundFillStyle() {
    return this;
  }
  setStrokeStyle() {
    return this;
  }
  setShadowColor() {
    return this;
  }
  setShadowBlur() {
    return this;
  }
  setLineCap() {
    return this;
  }
  setLineDash() {
    return this;
  }
  scale() {
    return this;
  }
  resize() {
    return this;
  }
  rect() {
    return this;
  }
  clearRect() {
    return this;
  }
  pointerRect() {
    return this;
  }
  clear() {}
  openRotation() {}
  closeRotation() {}
  add() {}
}
