/** A piece as chart text, in one form: what `readChart` reads back to the same piece. */
import { pitchText } from '../theory/pitch';
import { patternText } from './pattern';
import { beatsOf, TICKS_A_BEAT, ticksText } from './ticks';
import type { MelodyNote, Piece, PieceBar, Section, TimeSignature } from './piece';

const BARS_A_LINE = 4;
const timeText = ({ beats, unit }: TimeSignature) => `${beats}/${unit}`;
/** A tempo has at most one decimal. */
const number = (value: number) => String(Math.round(value * 10) / 10);

export function writeChart(piece: Piece): string {
  const head = [
    ...(piece.title ? [`title: ${piece.title}`] : []),
    ...(piece.by ? [`by: ${piece.by}`] : []),
    `key: ${piece.key}`,
    `time: ${timeText(piece.time)}`,
    `tempo: ${number(piece.tempoBpm)}`,
    ...(piece.swing === 'straight' ? [] : [`swing: ${piece.swing}`]),
    ...(piece.capo ? [`capo: ${piece.capo}`] : []),
    ...piece.patterns.map((one) => `${one.kind} ${one.name} ${one.perBeat}: ${patternText(one)}`),
    ...(piece.order ? [`order: ${piece.order.join(' ')}`] : []),
  ];
  let time = piece.time;
  const sections = piece.sections.map((section) => {
    const written = sectionLines(section, time);
    time = section.bars.reduce((now, bar) => bar.time ?? now, time);
    return written.join('\n');
  });
  return `${[head.join('\n'), ...sections].join('\n\n')}\n`;
}

/** Bars on one line, as a chart has them: `| C | Am . F . |`. */
export function chartBars(bars: readonly PieceBar[], before: TimeSignature): string {
  let time = before;
  const cells = bars.map((bar) => {
    time = bar.time ?? time;
    return barText(bar, time.beats);
  });
  return `| ${cells.join(' | ')} |`;
}

function sectionLines(section: Section, before: TimeSignature): string[] {
  const lines = [
    `[${section.name}]${section.times > 1 ? ` x${section.times}` : ''}${section.pattern ? ` ${section.pattern}` : ''}`,
  ];
  let time = before;
  for (let at = 0; at < section.bars.length; at += BARS_A_LINE) {
    const bars = section.bars.slice(at, at + BARS_A_LINE);
    lines.push(chartBars(bars, time));
    time = bars.reduce((now, bar) => bar.time ?? now, time);
    if (!bars.some((bar) => bar.melody)) continue;
    lines.push(`m: | ${bars.map((bar) => (bar.melody ?? []).map(noteText).join(' ')).join(' | ')} |`);
    if (bars.some((bar) => bar.melody?.some((note) => note.word !== undefined)))
      lines.push(`w: ${wordsOf(bars).join(' ')}`);
  }
  return lines;
}

function barText(bar: PieceBar, beats: number): string {
  const notes = [
    ...(bar.ending ? [`${bar.ending}.`] : []),
    ...(bar.time ? [`(${timeText(bar.time)})`] : []),
    ...(bar.tempoBpm === undefined ? [] : [`(tempo ${number(bar.tempoBpm)})`]),
    ...(bar.key ? [`(key ${bar.key})`] : []),
  ];
  const { chords } = bar;
  const held = chords.length > 0 && chords[0].tick > 0 ? [{ tick: 0, chord: '.' }] : [];
  const all = [...held, ...chords];
  const lengths = all.map((one, i) => (all[i + 1]?.tick ?? beats * TICKS_A_BEAT) - one.tick);
  const whole = lengths.every((length) => length % TICKS_A_BEAT === 0);
  const text =
    all.length === 1
      ? [all[0].chord]
      : whole
        ? all.flatMap((one, i) => [one.chord, ...Array.from({ length: beatsOf(lengths[i]) - 1 }, () => '.')])
        : all.map((one, i) => `${one.chord}:${ticksText(lengths[i])}`);
  return [...notes, ...text].join(' ');
}

const noteText = (note: MelodyNote): string =>
  `${note.pitch ? pitchText(note.pitch) : 'r'}:${ticksText(note.ticks)}${note.tied ? '~' : ''}`;

/** One word or `_` for every note that is struck, up to the last word. */
function wordsOf(bars: readonly PieceBar[]): string[] {
  const words: string[] = [];
  let tied = false;
  for (const note of bars.flatMap((bar) => bar.melody ?? [])) {
    if (note.pitch !== null && !tied) words.push(note.word ?? '_');
    tied = note.tied === true;
  }
  while (words[words.length - 1] === '_') words.pop();
  return words;
}
