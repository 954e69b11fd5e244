/** Where bars of a piece go from here: as a drill, to Changes, and its weakest change as a loop. */
import {
  changeLoop,
  pieceSection,
  SECTION_LIMITS,
  type ChangeLoopRecipe,
  type PieceSectionRecipe,
} from '@finch/core/drills';
import type { Frets } from '@finch/core/grips';
import {
  EMPTY_PIECE,
  excerptOf,
  playedBars,
  writeChart,
  type Excerpt,
  type Piece,
  type PieceDemand,
} from '@finch/core/score';
import { stretchOf } from './picked';

const fits = (cut: Excerpt): boolean =>
  cut.writtenChords.length <= SECTION_LIMITS.chords &&
  writeChart(cut.piece).length <= SECTION_LIMITS.characters;

/** The picked bars, or the piece from its beginning, as far as they follow one another on the chart; null without bars. */
export function sectionDrill(
  piece: Piece,
  pieceId: string,
  picked: readonly number[],
  grips: readonly (Frets | null)[],
): PieceSectionRecipe | null {
  const stretch = stretchOf(playedBars(piece), picked, true, SECTION_LIMITS.bars);
  if (!stretch) return null;
  let cut = excerptOf(piece, stretch.from, stretch.to);
  // Bars with much in them: as many as a recipe holds.
  for (let to = stretch.to; cut && !fits(cut) && to > stretch.from; to--)
    cut = excerptOf(piece, stretch.from, to - 1);
  if (!cut) return null;
  return pieceSection({
    pieceId,
    title: piece.title,
    fromBar: cut.fromNumber,
    toBar: cut.toNumber,
    chart: writeChart(cut.piece),
    grips: cut.writtenChords.map((i) => grips[i] ?? null),
    part: 'as written',
  });
}

/** The address of Changes for some bars by their numbers, or all: chords with bars, tempo, capo and a title. */
export function changesQuery(piece: Piece, numbers: readonly number[]): Record<string, string> {
  const all = piece.sections.flatMap((section) => section.bars);
  const chosen = numbers.length ? all.filter((_, i) => numbers.includes(i + 1)) : all;
  const first = numbers[0] ?? 1;
  const time = playedBars(piece).find((bar) => bar.number === first)?.time ?? piece.time;
  const bars = chosen.map((bar, i) => ({
    ...(i === 0 ? { time } : bar.time ? { time: bar.time } : {}),
    chords: bar.chords,
  }));
  const chart = writeChart({ ...EMPTY_PIECE, sections: [{ name: 'A', times: 1, bars }] });
  const lines = chart.split('\n').filter((line) => line.startsWith('|'));
  return {
    chords: lines.join(' ').replaceAll('| |', '|'),
    tempo: String(piece.tempoBpm),
    ...(piece.capo ? { capo: String(piece.capo) } : {}),
    title: `${piece.title}${numbers.length ? `, bars ${first} to ${numbers[numbers.length - 1]}` : ''}`,
  };
}

/** The weakest change of a piece round and round; null where nothing changes. */
export function weakestLoop(demand: PieceDemand): ChangeLoopRecipe | null {
  const one = demand.weakest === null ? null : demand.changes[demand.weakest];
  if (!one) return null;
  const [a, b] = [demand.chords[one.from].step, demand.chords[one.to].step];
  if (!a.grip || !b.grip) return null;
  return changeLoop({
    grips: [
      { chord: a.chord.symbol, frets: a.grip.frets },
      { chord: b.chord.symbol, frets: b.grip.frets },
    ],
    beatsEach: 4,
  });
}
