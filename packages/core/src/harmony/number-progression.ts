/**
 * A progression by numbers: `1 5 6 4`, `ii V I`, `| 2m7 5(b9) | 1maj7 . |`, in a key. Between bar lines the grammar is that
 * of a chart (dots, lengths, `%`); without any each number has a bar. And back: the bars of a piece in the numbers of a key.
 */
import { fail, ok, type Result } from '../kernel/result';
import { readChart, type ChartProblem } from '../score/chart';
import type { Piece } from '../score/piece';
import { chartBars } from '../score/write-chart';
import { parseChord } from '../theory/chord';
import { figureOf, type FigureSchool } from '../theory/figure';
import { makeKey } from '../theory/key';
import { chordOfNumeral } from '../theory/numeral';

export interface NumberProgression {
  readonly piece: Piece;
  /** What is wrong in the bars themselves, with the place in the text of chords. */
  readonly problems: readonly ChartProblem[];
}

export const MOST_NUMBERS = 256;
/** What a chart has between its chords. */
const NO_CHORD = /^(?:\.|%|N\.?C\.?|\([^)]*\))$/i;

/** A digit, or a roman numeral with what may follow one: not the beginning of a word or of a note name. */
const FIRST_NUMBER =
  /^[\s|]*[b#]?(?:\d|[iv]+(?=m(?:Maj|\d)|o|[^a-z]|$)|[IV]+(?=maj|sus|add|aug|dim|o|[^a-z]|$))/;

/** Whether a text is meant as numbers: its first word is one. */
export const readsAsNumbers = (text: string): boolean => FIRST_NUMBER.test(text);

/**
 * The progression as a piece in that key. Problems: those of `makeKey`; of `chordOfNumeral`, with the number's own text as
 * their place; `numbers.long`, `numbers.empty`.
 */
export function readNumbers(text: string, keyName: string): Result<NumberProgression> {
  const key = makeKey(keyName);
  if (!key.ok) return key;
  const words = text
    .replaceAll('|', ' | ')
    .split(/[\s,]+/)
    .filter(Boolean);
  const barred = words.includes('|');
  const numbers = words.filter((word) => word !== '|');
  if (numbers.length === 0) return fail('numbers.empty', 0, 'numbers like 1 5 6 4 or ii V I');
  if (numbers.length > MOST_NUMBERS) return fail('numbers.long', 0, `at most ${MOST_NUMBERS} chords`);
  const written: string[] = [];
  for (const word of words) {
    if (word === '|' || NO_CHORD.test(word)) {
      written.push(word);
      continue;
    }
    const [, number, length] = /^(.*?)(:[\d./]+)?$/.exec(word) ?? ['', word, ''];
    const chord = chordOfNumeral(number, keyName);
    if (!chord.ok) return fail(chord.problem.code, number, chord.problem.detail);
    written.push(chord.value.symbol + (length ?? ''));
  }
  const bars = barred ? written.join(' ') : written.join(' | ');
  const line = `| ${bars.replace(/^\s*\|/, '').replace(/\|\s*$/, '')} |`;
  const { piece, problems } = readChart(line);
  const signed = key.value.kind === 'major' || key.value.kind === 'minor';
  return ok({ piece: signed ? { ...piece, key: key.value.name } : piece, problems });
}

/** The bars of a piece in the numbers of a key, a line a section. Problems: those of `makeKey`. */
export function numbersOf(piece: Piece, keyName: string, school?: FigureSchool): Result<string> {
  const key = makeKey(keyName);
  if (!key.ok) return key;
  const asFigure = (symbol: string): string => {
    const chord = parseChord(symbol);
    return chord.ok && symbol !== 'N.C.' ? figureOf(chord.value, key.value, school) : symbol;
  };
  let time = piece.time;
  const lines = piece.sections.map(({ bars }) => {
    const line = chartBars(
      bars.map((bar) => ({
        ...bar,
        chords: bar.chords.map((one) => ({ ...one, chord: asFigure(one.chord) })),
      })),
      time,
    );
    time = bars.reduce((now, bar) => bar.time ?? now, time);
    return line;
  });
  return ok(lines.join('\n'));
}
