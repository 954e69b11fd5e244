/** What is typed in the Changes bench: chords with or without bar lines, read as a chart, and what the path asks of it. */
import { readNumbers, readsAsNumbers } from '@finch/core/harmony';
import {
  beatsWords,
  EMPTY_PIECE,
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

/** `1 5 6 4 in Ab`. */
const IN_KEY = /^(.*\S)\s+in\s+(\S.*)$/s;

export function readProgression(typed: string): Progression {
  const inKey = IN_KEY.exec(typed.trim());
  if (inKey && readsAsNumbers(inKey[1])) return progressionInKey(typed, inKey[1], inKey[2]);
  if (readsAsNumbers(typed)) return refused('numbers.key', 0, `${typed.trim()} in Ab`);
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

const refused = (code: string, column: number, detail: string): Progression => ({
  piece: EMPTY_PIECE,
  chords: [],
  problems: [{ code, line: 1, column: column + 1, detail }],
});

/** The numbers as chords of the key, with what is wrong at its place in what was typed. */
function progressionInKey(typed: string, numbers: string, key: string): Progression {
  const read = readNumbers(numbers, key);
  if (read.ok) {
    const { piece, problems } = read.value;
    return { piece, chords: writtenChords(piece).slice(0, MOST_CHORDS), problems };
  }
  const { code, at, detail } = read.problem;
  const place = code.startsWith('key.') ? typed.lastIndexOf(key) : typed.indexOf(String(at));
  return refused(code, Math.max(0, place), detail);
}

/** "bar 3", or "bar 3, beat 2". */
export const whereText = (chord: WrittenChord): string =>
  `bar ${chord.number}${chord.tick > 0 ? `, beat ${beatsWords(chord.tick + TICKS_A_BEAT)}` : ''}`;
