/**
 * The lines of a chart that hold bars: chords in their beats, and under them a melody and its words. What is wrong is
 * told to whoever reads the chart, with its column.
 */
import { parseChord } from '../theory/chord';
import { parsePitch } from '../theory/pitch';
import {
  PIECE_LIMITS,
  readPieceKey,
  type ChordOnBeat,
  type MelodyNote,
  type PieceBar,
  type TimeSignature,
} from './piece';
import { beatsWords, readTicks, TICKS_A_BEAT } from './ticks';

export type Draft<T> = { -readonly [K in keyof T]: T[K] };
/** Where a reader stands: the line being read and what to do with a problem in it. */
export interface Here {
  readonly line: number;
  readonly wrong: (code: string, column: number, detail: string) => void;
}

export function readTime(text: string): TimeSignature | null {
  const read = /^(\d{1,2})\s*\/\s*(2|4|8|16)$/.exec(text);
  const beats = read ? Number(read[1]) : 0;
  return read && beats >= 1 && beats <= 16 ? { beats, unit: Number(read[2]) } : null;
}

export function readTempo(text: string): number | null {
  const tempo = Number(text);
  const [least, most] = PIECE_LIMITS.tempo;
  return /^\d{1,3}(\.\d)?$/.test(text) && tempo >= least && tempo <= most ? tempo : null;
}

export interface BarsRead {
  readonly bars: Draft<PieceBar>[];
  readonly times: TimeSignature[];
  readonly time: TimeSignature;
}

/** Cells between upright lines, each with the column it begins in. */
function cellsOf(line: string, from: number): { text: string; column: number }[] {
  const cells: { text: string; column: number }[] = [];
  let begin = line.indexOf('|', from) + 1;
  for (let at = begin; at <= line.length; at++) {
    if (at < line.length && line[at] !== '|') continue;
    const text = line.slice(begin, at);
    if (at < line.length || text.trim() !== '') cells.push({ text, column: begin });
    begin = at + 1;
  }
  return cells;
}

export function readBars(
  line: string,
  start: number,
  before: TimeSignature,
  lastBar: PieceBar | undefined,
  here: Here,
  room: number,
): BarsRead {
  let time = before;
  let last = lastBar;
  const bars: Draft<PieceBar>[] = [];
  const times: TimeSignature[] = [];
  if (!line.endsWith('|')) here.wrong('chart.open', line.length - 1, 'a | after the last bar');
  for (const { text, column } of cellsOf(line, start)) {
    if (bars.length >= room) {
      here.wrong('chart.bars', column, `at most ${PIECE_LIMITS.bars} bars`);
      break;
    }
    const bar: Draft<PieceBar> = { chords: [] };
    let rest = text;
    let at = column;
    const eat = (pattern: RegExp): RegExpExecArray | null => {
      const space = rest.length - rest.trimStart().length;
      rest = rest.slice(space);
      at += space;
      const found = pattern.exec(rest);
      if (!found) return null;
      rest = rest.slice(found[0].length);
      at += found[0].length;
      return found;
    };
    const ending = eat(/^([12])\.(?=\s|$)/);
    if (ending) bar.ending = ending[1] === '1' ? 1 : 2;
    for (let note = eat(/^\(([^)]*)\)/); note; note = eat(/^\(([^)]*)\)/)) {
      const said = note[1].trim();
      const place = at - note[0].length;
      const newTime = readTime(said);
      const named = /^(tempo|key)\s+(.+)$/.exec(said);
      if (newTime) time = bar.time = newTime;
      else if (named?.[1] === 'tempo') {
        const tempo = readTempo(named[2]);
        if (tempo !== null) bar.tempoBpm = tempo;
        else here.wrong('chart.tempo', place, '20 to 300 beats a minute');
      } else if (named) {
        const key = readPieceKey(named[2]);
        if (key.ok) bar.key = key.value.name;
        else here.wrong('chart.key', place, key.problem.detail);
      } else here.wrong('chart.note', place, '(3/4), (tempo 100) or (key Eb)');
    }
    const tokens = [...rest.matchAll(/\S+/g)].map((match) => ({ text: match[0], column: at + match.index }));
    if (tokens.length === 1 && tokens[0].text === '%') {
      if (last) bar.chords = last.chords;
      else here.wrong('chart.same', tokens[0].column, 'a bar before it to be the same as');
    } else bar.chords = readChords(tokens, time.beats, here);
    last = bar;
    bars.push(bar);
    times.push(time);
  }
  return { bars, times, time };
}

interface Token {
  readonly text: string;
  readonly column: number;
}

/** A length beside what lasts so long: `C:1.5`, `F4:1/3`. */
const LENGTH = '(?::([\\d./]+))?';
const CHORD_TOKEN = new RegExp(`^(.*?)${LENGTH}$`);
const NOTE_TOKEN = new RegExp(`^([^:~]+)${LENGTH}(~)?$`);
const LENGTH_WORDS = 'beats like 2, 1.5 or 1/3; a beat is divided by 2, 3, 5, 7 and what they make together';

/**
 * Chords of a bar: shares of whole beats, the first the longest; a token a beat where dots hold the chord before; or
 * with beats of their own, `C:1.5 F:2.5`, `C:1/3 F:11/3`.
 */
function readChords(tokens: readonly Token[], beats: number, { wrong }: Here): ChordOnBeat[] {
  if (tokens.length === 0) return [];
  if (tokens.length > PIECE_LIMITS.chordsInBar) {
    wrong('chart.crowded', tokens[0].column, `at most ${PIECE_LIMITS.chordsInBar} chords in a bar`);
    return [];
  }
  const read = tokens.map(({ text, column }) => {
    const [, symbol, said] = CHORD_TOKEN.exec(text) ?? [];
    const length = said === undefined ? null : readTicks(said);
    if (said !== undefined && length === null)
      wrong('chart.length', column + text.length - said.length, LENGTH_WORDS);
    return { symbol, column, length, sized: said !== undefined, dot: symbol === '.' };
  });
  const dots = read.some((one) => one.dot);
  const sized = read.some((one) => one.sized);
  if (read.some((one) => one.sized && one.length === null)) return [];
  const bar = beats * TICKS_A_BEAT;
  const shares = dots || sized ? read.map((one) => one.length ?? TICKS_A_BEAT) : evenly(beats, read.length);
  if (!shares) {
    wrong('chart.share', tokens[0].column, `a length for each: ${read.length} do not share ${beats} beats`);
    return [];
  }
  const sum = shares.reduce((total, share) => total + share, 0);
  if (sum !== bar)
    wrong('chart.beats', tokens[0].column, `${beats} beats in this bar, not ${beatsWords(sum)}`);
  const chords: ChordOnBeat[] = [];
  let tick = 0;
  read.forEach((one, i) => {
    if (!one.dot) {
      const chord = parseChord(one.symbol);
      if (!chord.ok) wrong('chart.chord', one.column + Number(chord.problem.at || 0), chord.problem.detail);
      else if (tick < bar) chords.push({ tick, chord: chord.value.symbol });
    }
    tick += shares[i];
  });
  return chords;
}

/** Ticks of each of so many in a bar; null where they would not be whole. */
function evenly(beats: number, count: number): number[] | null {
  if (count > beats) {
    const each = (beats * TICKS_A_BEAT) / count;
    return Number.isInteger(each) ? Array.from({ length: count }, () => each) : null;
  }
  const least = Math.floor(beats / count);
  return Array.from({ length: count }, (_, i) => TICKS_A_BEAT * (least + (i < beats % count ? 1 : 0)));
}

/** `m: | Db5:1/3 Eb5 F5 G5:3~ | r:4 |`, octaves as they sound, a length lasting until the next one. */
export function readMelody(
  line: string,
  from: number,
  above: { bars: Draft<PieceBar>[]; times: TimeSignature[] },
  { wrong }: Here,
): void {
  let length = TICKS_A_BEAT;
  const cells = cellsOf(line, line.indexOf('|', from) < 0 ? line.length : from);
  if (cells.length !== above.bars.length)
    wrong('chart.melody-bars', from, `${above.bars.length} bars, as above, each between upright lines`);
  for (const [i, cell] of cells.slice(0, above.bars.length).entries()) {
    const notes: MelodyNote[] = [];
    let tick = 0;
    let read = true;
    for (const match of cell.text.matchAll(/\S+/g)) {
      const column = cell.column + match.index;
      const [, name, said, tie] = NOTE_TOKEN.exec(match[0]) ?? [];
      const pitch = name === 'r' ? null : parsePitch(name ?? '');
      if (pitch && !pitch.ok) {
        wrong(
          'chart.note-name',
          column,
          'a note with its octave and its beats, like Db4:1.5 or F4:1/3, or r for a rest',
        );
        read = false;
        continue;
      }
      const own = said === undefined ? length : readTicks(said);
      if (own === null) {
        wrong('chart.length', column + match[0].indexOf(':') + 1, LENGTH_WORDS);
        read = false;
        continue;
      }
      length = own;
      notes.push({
        tick,
        ticks: length,
        pitch: pitch?.value ?? null,
        ...(tie ? { tied: true as const } : {}),
      });
      tick += length;
    }
    const wanted = above.times[i].beats;
    if (read && notes.length > 0 && tick !== wanted * TICKS_A_BEAT)
      wrong('chart.beats', cell.column, `${wanted} beats in this bar, not ${beatsWords(tick)}`);
    else if (notes.length > 0) above.bars[i].melody = notes;
  }
}

/** Words in order under the notes that are struck; `_` leaves a note without one. */
export function readWords(line: string, from: number, bars: Draft<PieceBar>[], { wrong }: Here): void {
  const words = [...line.slice(from).matchAll(/[^\s|]+/g)];
  let next = 0;
  let tied = false;
  for (const bar of bars) {
    bar.melody = bar.melody?.map((note) => {
      const sung = note.pitch !== null && !tied;
      tied = note.tied === true;
      if (!sung || next >= words.length) return note;
      const word = words[next++][0];
      return word === '_' ? note : { ...note, word: word.slice(0, 40) };
    });
    if (!bar.melody) delete bar.melody;
  }
  if (next < words.length)
    wrong('chart.words', from + (words[next].index ?? 0), 'no more words than notes above them');
}
