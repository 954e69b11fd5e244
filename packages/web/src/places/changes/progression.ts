/** What is typed in the Changes bench: chords with or without bar lines, read as a chart, and what the path asks of it. */
import {
  beatsWords,
  readChart,
  TICKS_A_BEAT,
  writtenChords,
  type ChartProblem,
  type Piece,
  type WrittenChord,
} from '@finch/core/score';

/** "C Am F G" is a bar each; with bar lines it is a chart. */
export function progressionText(typed: string): string {
  const text = typed.trim();
  if (text.includes('|')) return text.startsWith('|') || text.includes('\n') ? text : `| ${text}`;
  return text === '' ? '' : `| ${text.split(/[\s,]+/).join(' | ')} |`;
}

export interface Progression {
  readonly piece: Piece;
  readonly chords: readonly WrittenChord[];
  readonly problems: readonly ChartProblem[];
}

const MOST_CHORDS = 128;

export function readProgression(typed: string): Progression {
  const text = progressionText(typed);
  const closed = text === '' || text.endsWith('|') || text.includes('\n') ? text : `${text} |`;
  const { piece, problems } = readChart(closed);
  const chords = writtenChords(piece);
  return {
    piece,
    chords: chords.slice(0, MOST_CHORDS),
    problems:
      chords.length > MOST_CHORDS
        ? [
            ...problems,
            { code: 'chart.bars', line: 1, column: 1, detail: `the first ${MOST_CHORDS} chords are shown` },
          ]
        : problems,
  };
}

/** "bar 3", or "bar 3, beat 2". */
export const whereText = (chord: WrittenChord): string =>
  `bar ${chord.number}${chord.tick > 0 ? `, beat ${beatsWords(chord.tick + TICKS_A_BEAT)}` : ''}`;
