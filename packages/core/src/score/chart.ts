/**
 * Reads a chart: a piece typed as plain text, in a small grammar of our own (docs/chart.md). Whatever is wrong is said
 * with its line and column and what would be right; what could be read is given all the same, so that a preview can
 * stand beside what is being typed.
 */
import { readBars, readMelody, readTempo, readTime, readWords, type Draft, type Here } from './chart-bars';
import {
  PIECE_LIMITS,
  playedBars,
  readPieceKey,
  SWINGS,
  type Piece,
  type PieceBar,
  type Section,
  type TimeSignature,
} from './piece';
import { readPattern } from './pattern';

export interface ChartProblem {
  readonly code: string;
  /** From 1. */
  readonly line: number;
  readonly column: number;
  /** What would be right. */
  readonly detail: string;
}

export interface ChartReading {
  readonly piece: Piece;
  readonly problems: readonly ChartProblem[];
}

export const CHART_LIMITS = { characters: 200_000, problems: 50, text: 120, name: 24 } as const;

interface DraftSection extends Omit<Draft<Section>, 'bars'> {
  bars: Draft<PieceBar>[];
  line: number;
}

export const EMPTY_PIECE: Piece = {
  schemaVersion: 1,
  title: '',
  by: '',
  key: 'C major',
  time: { beats: 4, unit: 4 },
  tempoBpm: 90,
  swing: 'straight',
  capo: 0,
  patterns: [],
  sections: [],
};

/** Reads the whole text; the piece holds what could be read. */
export function readChart(text: string): ChartReading {
  const problems: ChartProblem[] = [];
  const piece: Draft<Piece> = { ...EMPTY_PIECE };
  const sections: DraftSection[] = [];
  const patterns: Piece['patterns'][number][] = [];
  let order: { names: string[]; line: number; column: number } | null = null;
  let time = piece.time;
  let bars = 0;
  /** Bars of the line of bars above, for a melody or words under it. */
  let above: { bars: Draft<PieceBar>[]; times: TimeSignature[] } | null = null;
  const lines = text
    .slice(0, CHART_LIMITS.characters)
    .replace(/^\uFEFF/, '')
    .split(/\r?\n/);
  const full = text.length > CHART_LIMITS.characters;
  for (const [i, raw] of lines.entries()) {
    const wrong: Here['wrong'] = (code, column, detail) => {
      if (problems.length < CHART_LIMITS.problems)
        problems.push({ code, line: i + 1, column: column + 1, detail });
    };
    const here: Here = { line: i + 1, wrong };
    const line = raw.trimEnd();
    const start = line.length - line.trimStart().length;
    const body = line.slice(start);
    if (body === '' || body.startsWith('//')) continue;
    if (body.startsWith('[')) {
      const section = readSectionHead(body, start, here);
      if (section) {
        if (sections.some((one) => one.name === section.name))
          wrong('chart.section-twice', start + 1, `another name than ${section.name}`);
        if (sections.length >= PIECE_LIMITS.sections)
          wrong('chart.sections', start, `at most ${PIECE_LIMITS.sections} sections`);
        else sections.push(section);
      }
      above = null;
      continue;
    }
    if (body.startsWith('|')) {
      if (sections.length === 0) sections.push({ name: 'A', times: 1, bars: [], line: i + 1 });
      const section = sections[sections.length - 1];
      const room = PIECE_LIMITS.bars - bars;
      const read = readBars(line, start, time, section.bars[section.bars.length - 1], here, room);
      section.bars.push(...read.bars);
      bars += read.bars.length;
      time = read.time;
      above = read;
      continue;
    }
    const under = /^(m|w)\s*:\s*/.exec(body);
    if (under) {
      const at = start + under[0].length;
      if (!above) wrong('chart.under', start, 'a line of bars above it, beginning with |');
      else if (under[1] === 'm') readMelody(line, at, above, here);
      else readWords(line, at, above.bars, here);
      continue;
    }
    const pattern = /^(strum|pick)\s+(\S+)\s+(\d+)\s*:\s*/.exec(body);
    if (pattern) {
      const [head, kind, name, perBeat] = pattern;
      const read = readPattern(kind as 'strum' | 'pick', name, Number(perBeat), body.slice(head.length));
      if (!read.ok)
        wrong(read.problem.code, start + head.length + Number(read.problem.at), read.problem.detail);
      else if (patterns.some((one) => one.name === name))
        wrong('chart.pattern-twice', start, `another name than ${name}`);
      else patterns.push(read.value);
      continue;
    }
    const field = /^([a-z]+)\s*:\s*/.exec(body);
    if (field && HEADERS.has(field[1])) {
      const at = start + field[0].length;
      const value = line.slice(at).trim();
      if (sections.length > 0 && field[1] !== 'order')
        wrong('chart.late', start, 'above the first section; inside, write (3/4), (tempo 100) or (key Eb)');
      else if (field[1] === 'order') order = { names: value.split(/[\s,]+/), line: i + 1, column: at };
      else {
        readHeader(field[1], value, at, piece, here);
        time = piece.time;
      }
      continue;
    }
    wrong('chart.line', start, 'bars (| C | F |), a section ([A]) or a header such as title: or key:');
  }
  if (full)
    problems.push({
      code: 'chart.long',
      line: lines.length,
      column: 1,
      detail: `at most ${CHART_LIMITS.characters} characters`,
    });
  checkSections(sections, patterns, problems);
  const whole: Draft<Piece> = { ...piece, patterns, sections: sections.map(({ line: _, ...rest }) => rest) };
  if (order) {
    const { names, line, column } = order;
    const foreign = names.find((name) => !sections.some((one) => one.name === name));
    if (foreign !== undefined || names.length > 200)
      problems.push({
        code: 'chart.order',
        line,
        column: column + 1,
        detail: `names of sections: ${sections.map((one) => one.name).join(' ')}`,
      });
    else whole.order = names;
  }
  if (playedBars(whole).length > PIECE_LIMITS.playedBars)
    problems.push({
      code: 'chart.bars',
      line: lines.length,
      column: 1,
      detail: `at most ${PIECE_LIMITS.playedBars} bars as they are played`,
    });
  return { piece: whole, problems };
}

const HEADERS = new Set(['title', 'by', 'key', 'time', 'tempo', 'swing', 'capo', 'order']);

function readHeader(name: string, value: string, at: number, piece: Draft<Piece>, { wrong }: Here): void {
  if (name === 'title' || name === 'by') {
    if (value.length > CHART_LIMITS.text) wrong('chart.text', at, `at most ${CHART_LIMITS.text} characters`);
    piece[name] = value.slice(0, CHART_LIMITS.text);
  } else if (name === 'key') {
    const key = readPieceKey(value);
    if (key.ok) piece.key = key.value.name;
    else wrong('chart.key', at, key.problem.detail);
  } else if (name === 'time') {
    const time = readTime(value);
    if (time) piece.time = time;
    else wrong('chart.time', at, 'like 4/4, 3/4 or 6/8: 1 to 16 beats of 2, 4, 8 or 16');
  } else if (name === 'tempo') {
    const tempo = readTempo(value);
    if (tempo !== null) piece.tempoBpm = tempo;
    else wrong('chart.tempo', at, '20 to 300 beats a minute');
  } else if (name === 'swing') {
    const swing = SWINGS.find((one) => one === value);
    if (swing) piece.swing = swing;
    else wrong('chart.swing', at, SWINGS.join(', '));
  } else if (name === 'capo') {
    const capo = Number(value);
    if (/^\d+$/.test(value) && capo <= PIECE_LIMITS.capo) piece.capo = capo;
    else wrong('chart.capo', at, `fret 0 to ${PIECE_LIMITS.capo}`);
  }
}

/** `[Chorus] x2 chop` */
function readSectionHead(body: string, start: number, { line, wrong }: Here): DraftSection | null {
  const read = /^\[([^\]]*)\]\s*(?:x(\d+)\b\s*)?(\S+)?\s*(.*)$/.exec(body);
  const name = read?.[1].trim() ?? '';
  if (!read || !/^[\p{L}\d][\p{L}\d'-]*$/u.test(name) || name.length > CHART_LIMITS.name) {
    wrong('chart.section', start, 'a name of one word in brackets, like [A] or [Coda]');
    return null;
  }
  if (read[4]) wrong('chart.section-rest', start + body.length - read[4].length, 'nothing after the pattern');
  const times = read[2] === undefined ? 1 : Number(read[2]);
  if (times < 1 || times > 8) wrong('chart.times', start + body.indexOf('x'), 'x1 to x8');
  const section: DraftSection = { name, times: Math.min(8, Math.max(1, times)), bars: [], line };
  if (read[3]) section.pattern = read[3];
  return section;
}

function checkSections(
  sections: readonly DraftSection[],
  patterns: Piece['patterns'],
  problems: ChartProblem[],
): void {
  for (const section of sections) {
    const say = (code: string, detail: string) =>
      problems.push({ code, line: section.line, column: 1, detail });
    if (section.pattern !== undefined && !patterns.some((one) => one.name === section.pattern)) {
      say(
        'chart.pattern',
        `one of ${patterns.map((one) => one.name).join(', ') || 'the patterns above, of which there is none'}`,
      );
      delete section.pattern;
    }
    const endings = section.bars.some((bar) => bar.ending !== undefined);
    if (endings && section.times < 2) say('chart.ending', 'x2 on a section with endings');
  }
  if (!sections.some((section) => section.bars.length > 0))
    problems.push({
      code: 'chart.empty',
      line: 1,
      column: 1,
      detail: 'a line of bars, like | C | F | G | C |',
    });
}
