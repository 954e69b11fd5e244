/**
 * Six-line tab as people paste it: blocks of as many lines as the instrument has strings, string 1 on top, numbers where
 * a string is struck. Stacked numbers are taken as grips and named; each grip that differs from the one before is a bar.
 * Single notes are lines, not grips: they are left out and said.
 */
import type { Instrument } from '../fretboard/instrument';
import type { Frets } from '../grips/grip';
import { nameGrip } from '../shapes/name-grip';
import { EMPTY_PIECE } from '../score/chart';
import { PIECE_LIMITS } from '../score/piece';
import type { Imported, NotTaken } from './read-musicxml';

export interface TabRead extends Imported {
  /** The grip of each bar, to be locked there. */
  readonly grips: readonly Frets[];
}

const LEAST_STACKED = 3;
/** "e|--0--3--|", "|---x---", with or without a name before the first bar line. */
const TAB_LINE = /^\s*[A-Ha-h]?[#b]?\s*[|:]?([-0-9xXhpbs/\\~().|\s]*-[-0-9xXhpbs/\\~().|\s]*)$/;

/** Null where the text has no block of tab lines. */
export function readTab(text: string, instrument: Instrument): TabRead | null {
  const strings = instrument.openPitches.length;
  const lines = text.split(/\r?\n/).map((line) => TAB_LINE.exec(line)?.[1] ?? null);
  const notTaken: NotTaken[] = [];
  const grips: Frets[] = [];
  const symbols: string[] = [];
  let blocks = 0;
  for (let i = 0; i + strings <= lines.length;) {
    const block = lines.slice(i, i + strings);
    if (block.some((line) => line === null)) {
      i++;
      continue;
    }
    blocks++;
    for (const { column, frets } of columnsOf(block as string[])) {
      const at = `tab ${blocks}, column ${column + 1}`;
      const struck = frets.filter((fret) => fret !== null).length;
      if (struck < LEAST_STACKED) {
        if (notTaken.length < 200 && struck > 0)
          notTaken.push({ at, code: 'import.line', what: 'notes of a line' });
        continue;
      }
      if (grips.length > 0 && grips[grips.length - 1].join() === frets.join()) continue;
      const named = nameGrip(frets, instrument);
      if (!named.ok || named.value.length === 0) {
        if (notTaken.length < 200)
          notTaken.push({ at, code: 'import.grip', what: 'a grip that is no chord we can name' });
        continue;
      }
      if (grips.length >= PIECE_LIMITS.bars) break;
      grips.push(frets);
      symbols.push(named.value[0].chord.symbol);
    }
    i += strings;
  }
  if (blocks === 0 || grips.length === 0) return null;
  const bars = symbols.map((chord) => ({ chords: [{ tick: 0, chord }] }));
  return {
    piece: { ...EMPTY_PIECE, sections: [{ name: 'A', times: 1, bars }] },
    notTaken,
    grips,
  };
}

/** Where a number or an x begins on any line: the frets struck there, thickest string first. */
function columnsOf(block: readonly string[]): { column: number; frets: (number | null)[] }[] {
  const found = new Map<number, Map<number, number | null>>();
  block.forEach((line, top) => {
    for (const match of line.matchAll(/\d{1,2}|[xX]/g)) {
      const column = found.get(match.index) ?? new Map<number, number | null>();
      column.set(block.length - 1 - top, /\d/.test(match[0]) ? Number(match[0]) : null);
      found.set(match.index, column);
    }
  });
  return [...found]
    .sort(([a], [b]) => a - b)
    .map(([column, struck]) => ({
      column,
      frets: Array.from({ length: block.length }, (_, s) => struck.get(s) ?? null),
    }));
}
