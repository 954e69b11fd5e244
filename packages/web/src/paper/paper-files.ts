/**
 * Shape cards, charts, keys and scales as files: SVG with its fonts inside, PNG drawn from that SVG, PDF from the server, and the
 * printer. Each comes from the same pages of the core.
 */
import {
  drawChart,
  drawDrillSheet,
  type DrillSheetOptions,
  drawKeySheet,
  drawScaleSheet,
  type ChartPaperGrip,
  drawPages,
  drawSingle,
  drawWeekSheet,
  writeSvg,
  type PaperCard,
  type PaperFonts,
  type KeySheetOptions,
  type PaperPage,
  type ScaleSheetNeck,
  type WeekSheetDrill,
  type WeekSheetOptions,
} from '@finch/core/paper';
import { onPaper, needsNoNeck, readsStaff, type Drill } from '@finch/core/drills';
import type { Instrument } from '@finch/core/fretboard';
import type { DrillContext } from '@finch/core/hands';
import textFont from '@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2?url';
import displayFont from '@fontsource-variable/piazzolla/files/piazzolla-latin-wght-normal.woff2?url';
import { routes, type PaperBody } from '@finch/contract';
import { writeChart, type Piece } from '@finch/core/score';
import { trueSigns, type CardShow } from '@finch/core/shapes';
import signsFont from '../../../core/fonts/finch-signs.woff2?url';
import { call } from '../session/api';

interface Look {
  readonly title: string;
  readonly foot: string;
  readonly show: CardShow;
  readonly leftHanded: boolean;
}

interface CardsJob extends Look {
  readonly layout: 'page' | 'single';
  readonly cards: readonly PaperCard[];
}

export interface ChartJob extends Look {
  readonly layout: 'chart';
  readonly piece: Piece;
  readonly facts: string;
  readonly names: Readonly<Record<string, string>>;
  /** For every written chord; empty prints no cards. */
  readonly grips: readonly (ChartPaperGrip | null)[];
}

interface KeysJob extends Look, Pick<KeySheetOptions, 'sevenths' | 'blank' | 'school' | 'names'> {
  readonly layout: 'keys';
  readonly keys: readonly string[];
}

interface NecksJob extends Look {
  readonly layout: 'necks';
  readonly instrument: Instrument;
  readonly necks: readonly ScaleSheetNeck[];
}

interface DrillJob extends Look, Pick<DrillSheetOptions, 'lines' | 'answers' | 'takes' | 'words' | 'names'> {
  readonly layout: 'drill';
  readonly drill: Drill;
  readonly context: DrillContext;
  /** A staff over the tab; a drill that is read has one anyway. */
  readonly staff: boolean;
  /** What each step asks, as it is to be printed. */
  readonly asks: readonly string[];
}

interface WeekJob extends Look, Omit<WeekSheetOptions, 'drills' | 'signs'> {
  readonly layout: 'week';
  readonly context: DrillContext;
  readonly drills: readonly (Omit<WeekSheetDrill, 'content'> & {
    readonly drill: Drill;
    /** What each step asks, as it is to be printed. */
    readonly asks: readonly string[];
  })[];
}

export type PaperJob = CardsJob | ChartJob | KeysJob | NecksJob | DrillJob | WeekJob;

const PNG_DOTS_A_MM = 300 / 25.4;
/** A browser refuses canvases much larger than this. */
const MOST_DOTS = 8000;

async function fontData(url: string): Promise<string> {
  const answer = await fetch(url);
  const bytes = new Uint8Array(await answer.arrayBuffer());
  let binary = '';
  for (const byte of bytes) binary += String.fromCharCode(byte);
  return `data:font/woff2;base64,${btoa(binary)}`;
}

let fonts: Promise<PaperFonts> | null = null;

function paperFonts(): Promise<PaperFonts> {
  fonts ??= Promise.all([textFont, displayFont, signsFont].map(fontData)).then(([text, display, signs]) => {
    const face = (family: string, data: string, weight: string) =>
      `@font-face{font-family:"${family}";src:url(${data}) format("woff2");font-weight:${weight}}`;
    return {
      text: 'Finch Paper Text, Finch Paper Signs, sans-serif',
      display: 'Finch Paper Display, Finch Paper Signs, serif',
      css: [
        face('Finch Paper Text', text, '200 800'),
        face('Finch Paper Display', display, '100 900'),
        face('Finch Paper Signs', signs, '100 900'),
      ].join(''),
    };
  });
  fonts.catch(() => (fonts = null));
  return fonts;
}

async function pagesOf(job: PaperJob): Promise<PaperPage[]> {
  const options = { ...job, signs: trueSigns };
  if (job.layout === 'chart') return drawChart(job.piece, { ...job, signs: trueSigns });
  if (job.layout === 'keys') return drawKeySheet(job.keys, { ...job, signs: trueSigns });
  if (job.layout === 'drill') {
    const asked = { ...job, signs: trueSigns };
    const staffed = job.staff || readsStaff(job.drill) || needsNoNeck(job.drill);
    const engraver = staffed ? (await import('@finch/core/engraving')).staffLines : null;
    return drawDrillSheet(onPaper(job.drill, asked, job.context, engraver), asked);
  }
  if (job.layout === 'week') {
    const { names, context } = job;
    const drills = [];
    for (const { drill, asks, ...rest } of job.drills) {
      const staffed = readsStaff(drill) || needsNoNeck(drill);
      const engraver = staffed ? (await import('@finch/core/engraving')).staffLines : null;
      drills.push({ ...rest, content: onPaper(drill, { asks, names, signs: trueSigns }, context, engraver) });
    }
    return [drawWeekSheet({ ...job, drills, signs: trueSigns })];
  }
  if (job.layout === 'necks') return drawScaleSheet(job.necks, job.instrument, { ...job, signs: trueSigns });
  return job.layout === 'page'
    ? drawPages(job.cards, options)
    : job.cards.map((card) => drawSingle(card, options));
}

/** One SVG file a page, or a card. */
export async function svgFiles(job: PaperJob): Promise<string[]> {
  const [inside, pages] = await Promise.all([paperFonts(), pagesOf(job)]);
  return pages.map((page, i) =>
    writeSvg(page, job.layout === 'single' ? (job.cards[i]?.name ?? job.title) : job.title, inside),
  );
}

/** The SVG at 300 dots an inch. */
export async function pngOf(svg: string): Promise<Blob> {
  const image = new Image();
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`;
  await image.decode();
  const [width, height] = /viewBox="0 0 ([\d.]+) ([\d.]+)"/.exec(svg)?.slice(1).map(Number) ?? [100, 100];
  const dots = Math.min(PNG_DOTS_A_MM, MOST_DOTS / Math.max(width, height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.round(width * dots);
  canvas.height = Math.round(height * dots);
  canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height);
  return new Promise((resolve, reject) =>
    canvas.toBlob(
      (blob) => (blob ? resolve(blob) : reject(new Error('the picture came out empty'))),
      'image/png',
    ),
  );
}

function bodyOf(job: PaperJob): PaperBody {
  const { title, foot, show, leftHanded } = job;
  const look = { title: title.slice(0, 80), foot: foot.slice(0, 160), show, leftHanded };
  if (job.layout === 'keys') {
    const { layout, keys, sevenths, blank, school, names } = job;
    return { ...look, layout, keys: [...keys], sevenths, blank, school, names: { ...names } };
  }
  if (job.layout === 'drill') {
    const { layout, drill, context, lines, answers, staff, takes, words, asks, names } = job;
    const { hand, instrument, limits } = context;
    return {
      ...look,
      layout,
      recipe: drill.recipe,
      hand,
      instrument,
      ...(limits ? { limits } : {}),
      lines: lines.map((one) => one.slice(0, 160)),
      answers,
      staff,
      takes,
      words: { ...words },
      asks: asks.map((one) => one.slice(0, 160)),
      names: { ...names },
    };
  }
  if (job.layout === 'week') {
    const { layout, head, days, rows, drills, cautions, words, names, context } = job;
    const { hand, instrument, limits } = context;
    const short = (text: string) => text.slice(0, 160);
    return {
      ...look,
      layout,
      head: head.map(short),
      days: days.map((day) => ({ ...day })),
      rows: rows.map(({ name, minutes }) => ({ name: short(name), minutes: [...minutes] })),
      hand,
      instrument,
      ...(limits ? { limits } : {}),
      drills: drills.map(({ row, title: of, aside, line, drill, asks }) => ({
        row,
        title: short(of),
        aside: short(aside),
        line: short(line),
        recipe: drill.recipe,
        asks: asks.map(short),
      })),
      cautions: cautions.map(short),
      words: { ...words, feels: [...words.feels] },
      names: { ...names },
    };
  }
  if (job.layout === 'necks') {
    const necks = job.necks.map((neck) => ({ ...neck, notes: neck.notes.map((one) => ({ ...one })) }));
    return { ...look, layout: job.layout, instrument: job.instrument, necks };
  }
  if (job.layout !== 'chart')
    return {
      ...look,
      layout: job.layout,
      cards: job.cards.map((card) => ({
        ...card,
        frets: [...card.frets],
        fingers: [...card.fingers],
        degrees: card.degrees && [...card.degrees],
        notes: card.notes && [...card.notes],
      })),
    };
  return {
    ...look,
    layout: 'chart',
    chart: writeChart(job.piece),
    facts: job.facts.slice(0, 160),
    names: { ...job.names },
    grips: job.grips.map((grip) => grip && { frets: [...grip.frets], fingers: [...grip.fingers] }),
  };
}

export async function pdfFile(job: PaperJob): Promise<Blob> {
  const { pdf } = await call(routes.paper, { body: bodyOf(job) });
  return new Blob([Uint8Array.from(atob(pdf), (character) => character.charCodeAt(0))], {
    type: 'application/pdf',
  });
}

/** Prints pages without leaving the bench: a frame of its own holds them, one a sheet. */
export function printPages(svgs: readonly string[]): void {
  document.getElementById('paper-frame')?.remove();
  const frame = document.createElement('iframe');
  frame.id = 'paper-frame';
  frame.title = 'Pages to print';
  frame.style.cssText = 'position:fixed;right:0;bottom:0;width:0;height:0;border:0';
  document.body.append(frame);
  const page = frame.contentDocument;
  if (!page) return;
  const style = page.createElement('style');
  style.textContent = '@page{size:A4;margin:0}body{margin:0}svg{display:block;page-break-after:always}';
  page.head.append(style);
  for (const svg of svgs) {
    const drawn = new DOMParser().parseFromString(svg, 'image/svg+xml').documentElement;
    page.body.append(page.importNode(drawn, true));
  }
  void frame.contentWindow?.document.fonts.ready.then(() => frame.contentWindow?.print());
}

/** A file name of letters, digits and dashes. */
export function fileName(title: string, ending: string): string {
  const plain = title
    .replaceAll('♭', 'b')
    .replaceAll('♯', 'sharp')
    .replaceAll('△', 'maj')
    .replace(/[^A-Za-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '');
  return `${plain || 'shapes'}.${ending}`;
}
