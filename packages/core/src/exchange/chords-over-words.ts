/**
 * A song sheet as people paste it: a line of chord names over a line of words, headings in brackets or with a colon.
 * Every chord is taken as a bar, since such a sheet says nothing of time; the words are kept as remarks under the bars.
 */
import { parseChord } from '../theory/chord';
import { EMPTY_PIECE } from '../score/chart';
import { PIECE_LIMITS, type Piece, type PieceBar } from '../score/piece';
import type { Imported, NotTaken } from './read-musicxml';

const isHeading = (line: string): string | null =>
  /^\[([^\]]+)\]$/.exec(line)?.[1] ?? /^([\p{L}][\p{L}\d ]{0,20}):$/u.exec(line)?.[1] ?? null;

/** Chords of a line that holds nothing else; bar lines and repeats of a stroke are passed over. */
function chordsIn(line: string): string[] | null {
  const words = line.split(/[\s|]+/).filter((word) => word !== '' && word !== '/' && word !== '-');
  if (words.length === 0) return null;
  const read = words.map((word) => parseChord(word.replace(/^\(|\)$/g, '')));
  return read.every((one) => one.ok) ? read.map((one) => (one.ok ? one.value.symbol : '')) : null;
}

/** Null where no line holds chords alone. */
export function readChordsOverWords(text: string): Imported | null {
  const sections: { name: string; times: number; bars: PieceBar[] }[] = [];
  const notTaken: NotTaken[] = [];
  let pending: string | null = null;
  let bars = 0;
  text.split(/\r?\n/).forEach((raw, i) => {
    const line = raw.trim();
    if (line === '') return;
    const heading = isHeading(line);
    if (heading) {
      pending = heading;
      return;
    }
    const chords = chordsIn(line);
    if (!chords) {
      if (notTaken.length < 200)
        notTaken.push({ at: `line ${i + 1}`, code: 'import.words', what: line.slice(0, 60) });
      return;
    }
    if (pending !== null || sections.length === 0) {
      const plain = (pending ?? 'A').replace(/[^\p{L}\d]+/gu, '').slice(0, 20) || 'A';
      let name = plain;
      for (let n = 2; sections.some((one) => one.name === name); n++) name = `${plain}${n}`;
      if (sections.length < PIECE_LIMITS.sections) sections.push({ name, times: 1, bars: [] });
      pending = null;
    }
    for (const chord of chords)
      if (bars++ < PIECE_LIMITS.bars)
        sections[sections.length - 1].bars.push({ chords: [{ tick: 0, chord }] });
  });
  if (bars === 0) return null;
  const piece: Piece = { ...EMPTY_PIECE, sections };
  return { piece, notTaken };
}
