/**
 * Some bars of a piece as a piece of their own, as they are played: repeats written out, time, key and tempo said where
 * the bars begin, the pattern of each section at the step it has reached, and the chord that was sounding on named.
 */
import {
  playedBars,
  playedChords,
  type Piece,
  type PieceBar,
  type Section,
  type StrokePattern,
} from './piece';
import { beatsOf } from './ticks';

export interface Excerpt {
  readonly piece: Piece;
  /** For every written chord of the excerpt, its index among the written chords of the whole. */
  readonly writtenChords: readonly number[];
  /** Bar numbers on the chart of the whole, first and last. */
  readonly fromNumber: number;
  readonly toNumber: number;
}

/** Bars by their index in playing order, both included; null for bars that are not there. */
export function excerptOf(piece: Piece, fromBar: number, toBar: number): Excerpt | null {
  const all = playedBars(piece);
  const bars = all.slice(fromBar, toBar + 1);
  if (fromBar < 0 || bars.length === 0 || bars.length !== toBar - fromBar + 1) return null;
  const chords = playedChords(piece);
  const sections: { section: Section; bars: PieceBar[] }[] = [];
  const patterns: StrokePattern[] = [];
  const written: number[] = [];
  const first = bars[0];
  let now = { time: first.time, tempoBpm: first.tempoBpm, key: first.key };
  bars.forEach((played, i) => {
    const source = piece.sections[played.section];
    const before = bars[i - 1];
    const goesOn =
      before && before.section === played.section && before.round === played.round && before.bar < played.bar;
    if (!goesOn) {
      const name = String.fromCharCode(65 + (sections.length % 26)) + (sections.length >= 26 ? '2' : '');
      const pattern = piece.patterns.find((one) => one.name === source.pattern);
      if (pattern) patterns.push({ ...turned(pattern, ticksInto(all, fromBar + i)), name });
      sections.push({
        section: { name, times: 1, ...(pattern ? { pattern: name } : {}), bars: [] },
        bars: [],
      });
    }
    const { ending: _, ...bar } = source.bars[played.bar];
    const here = chords.filter((one) => one.played === played || one.played.startTick === played.startTick);
    const heard =
      i === 0 && here[0]?.tick !== 0 ? chords.findLast((one) => one.startTick < played.startTick) : undefined;
    written.push(...(heard ? [heard.written] : []), ...here.map((one) => one.written));
    sections[sections.length - 1].bars.push({
      chords: [...(heard ? [{ tick: 0, chord: heard.chord }] : []), ...bar.chords],
      ...(bar.melody ? { melody: bar.melody } : {}),
      ...(sameTime(now.time, played.time) ? {} : { time: played.time }),
      ...(now.tempoBpm === played.tempoBpm ? {} : { tempoBpm: played.tempoBpm }),
      ...(now.key === played.key ? {} : { key: played.key }),
    });
    now = { time: played.time, tempoBpm: played.tempoBpm, key: played.key };
  });
  const { order: _, ...rest } = piece;
  return {
    piece: {
      ...rest,
      key: first.key,
      time: first.time,
      tempoBpm: first.tempoBpm,
      patterns,
      sections: sections.map((one) => ({ ...one.section, bars: one.bars })),
    },
    writtenChords: written,
    fromNumber: first.number,
    toNumber: bars[bars.length - 1].number,
  };
}

const sameTime = (a: { beats: number; unit: number }, b: { beats: number; unit: number }) =>
  a.beats === b.beats && a.unit === b.unit;

/** Ticks of its section's round played before a bar. */
function ticksInto(all: ReturnType<typeof playedBars>, index: number): number {
  const bar = all[index];
  let start = index;
  while (
    start > 0 &&
    all[start - 1].section === bar.section &&
    all[start - 1].round === bar.round &&
    all[start - 1].bar < all[start].bar
  )
    start--;
  return bar.startTick - all[start].startTick;
}

/** The pattern from the step it has reached after some whole beats. */
function turned(pattern: StrokePattern, ticks: number): StrokePattern {
  const steps = (beatsOf(ticks) * pattern.perBeat) % pattern.strokes.length;
  return { ...pattern, strokes: [...pattern.strokes.slice(steps), ...pattern.strokes.slice(0, steps)] };
}
