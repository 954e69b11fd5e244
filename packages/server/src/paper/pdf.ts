/**
 * Pages of the core as a PDF, drawn with vectors and with the house's own fonts inside. Millimetres become points;
 * a text is set run by run, since no one font has both letters and music signs.
 */
import { PAPER_INKS, type PaperPage } from '@finch/core/paper';
import { type Ink, type Mark } from '@finch/core/shapes';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import PDFDocument from 'pdfkit';

const POINTS_A_MM = 72 / 25.4;
const SIGNS = /[°←↑→↓∴≈≤≥△♭♮♯]/;
/** Beyond the first 256 characters and the usual typographic ones. */
const EXTENDED = /[Ā-ɏ]/;

type Face = 'text' | 'bold' | 'display' | 'text-ext' | 'bold-ext' | 'display-ext' | 'signs';

export function paperFonts(root: string): Readonly<Record<Face, string>> {
  const { resolve } = createRequire(join(root, 'packages', 'server', 'package.json'));
  const text = (name: string) =>
    resolve(`@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-${name}-normal.woff`);
  const display = (name: string) => resolve(`@fontsource/piazzolla/files/piazzolla-${name}-700-normal.woff`);
  return {
    text: text('latin-400'),
    bold: text('latin-700'),
    'text-ext': text('latin-ext-400'),
    'bold-ext': text('latin-ext-700'),
    display: display('latin'),
    'display-ext': display('latin-ext'),
    // The same font as the screen's woff2, unpacked: readers draw nothing of a woff2 inside a PDF.
    signs: join(root, 'packages', 'core', 'fonts', 'finch-signs.ttf'),
  };
}

/** The PDF of some pages, each of its own size. */
export async function pdfOf(
  pages: readonly PaperPage[],
  title: string,
  fonts: Readonly<Record<Face, string>>,
  madeAt: Date,
): Promise<Buffer> {
  const pdf = new PDFDocument({
    autoFirstPage: false,
    info: { Title: title, Creator: 'Zealous Finch', CreationDate: madeAt, ModDate: madeAt },
  });
  const chunks: Buffer[] = [];
  pdf.on('data', (chunk: Buffer) => chunks.push(chunk));
  const ended = new Promise<void>((resolve, reject) => {
    pdf.on('end', resolve);
    pdf.on('error', reject);
  });
  for (const [face, path] of Object.entries(fonts)) pdf.registerFont(face, path);
  for (const page of pages) {
    pdf.addPage({ size: [page.widthMm * POINTS_A_MM, page.heightMm * POINTS_A_MM], margin: 0 });
    pdf.scale(POINTS_A_MM);
    for (const mark of page.marks) draw(pdf, mark);
  }
  pdf.end();
  await ended;
  return Buffer.concat(chunks);
}

type Pdf = InstanceType<typeof PDFDocument>;

function draw(pdf: Pdf, mark: Mark): void {
  if (mark.kind === 'text') return setText(pdf, mark);
  if (mark.kind === 'line') pdf.moveTo(mark.x1, mark.y1).lineTo(mark.x2, mark.y2);
  else if (mark.kind === 'circle') pdf.circle(mark.x, mark.y, mark.r);
  else if (mark.kind === 'rect') pdf.roundedRect(mark.x, mark.y, mark.w, mark.h, mark.round);
  else pdf.path(mark.d);
  pdf.lineWidth(mark.width);
  if (mark.kind === 'line' && mark.dash) pdf.dash(mark.dash[0], { space: mark.dash[1] });
  else pdf.undash();
  const fill: Ink = mark.kind === 'line' ? 'none' : mark.fill;
  if (fill !== 'none' && mark.ink !== 'none') pdf.fillAndStroke(PAPER_INKS[fill], PAPER_INKS[mark.ink]);
  else if (fill !== 'none') pdf.fill(PAPER_INKS[fill]);
  else if (mark.ink !== 'none') pdf.stroke(PAPER_INKS[mark.ink]);
}

/** A text as runs of one face each. */
export function runsOf(text: string, face: 'text' | 'bold' | 'display'): { face: Face; text: string }[] {
  const runs: { face: Face; text: string }[] = [];
  for (const character of text) {
    const own: Face = SIGNS.test(character) ? 'signs' : EXTENDED.test(character) ? `${face}-ext` : face;
    const last = runs[runs.length - 1];
    if (last?.face === own) last.text += character;
    else runs.push({ face: own, text: character });
  }
  return runs;
}

function setText(pdf: Pdf, mark: Mark & { kind: 'text' }): void {
  const runs = runsOf(mark.text, mark.font === 'display' ? 'display' : mark.bold ? 'bold' : 'text');
  const widths = runs.map((run) => pdf.font(run.face).fontSize(mark.size).widthOfString(run.text));
  const whole = widths.reduce((sum, width) => sum + width, 0);
  let x = mark.x - (mark.anchor === 'middle' ? whole / 2 : mark.anchor === 'end' ? whole : 0);
  pdf.fillColor(PAPER_INKS[mark.ink]);
  runs.forEach((run, i) => {
    pdf
      .font(run.face)
      .fontSize(mark.size)
      .text(run.text, x, mark.y, { lineBreak: false, baseline: 'alphabetic' });
    x += widths[i];
  });
}
