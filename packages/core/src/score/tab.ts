/**
 * Tablature of a score: one line per string, string 1 on top, as columns for a drawing or as plain text.
 * A tied note is shown in brackets, as tab usually does.
 */
import type { Score } from './score';

export interface TabColumn {
  readonly bar: number;
  readonly startBeat: number;
  readonly chord: string | null;
  /** String 1 first; null where nothing is struck. */
  readonly cells: readonly (string | null)[];
}

export function tabColumns(score: Score): TabColumn[] {
  let start = 0;
  return (score.parts[0]?.bars ?? []).flatMap((bar, index) => {
    const columns = bar.events.map((event) => {
      const cells: (string | null)[] = new Array(score.strings).fill(null);
      for (const note of event.notes) {
        cells[score.strings - 1 - note.stringIndex] = note.tied ? `(${note.fret})` : String(note.fret);
      }
      return { bar: index, startBeat: start + event.beat, chord: event.chord ?? null, cells };
    });
    start += bar.beats;
    return columns;
  });
}

/** Plain text tab, bars between upright lines; fits a mail or a test. */
export function tabText(score: Score): string {
  const columns = tabColumns(score);
  const lines = Array.from({ length: score.strings }, (_, line) => {
    let text = '';
    let bar = -1;
    for (const column of columns) {
      if (column.bar !== bar) {
        text += '|';
        bar = column.bar;
      }
      const width = Math.max(...column.cells.map((cell) => cell?.length ?? 1));
      text += `-${(column.cells[line] ?? '').padEnd(width, '-')}-`;
    }
    return `${text}|`;
  });
  return lines.join('\n');
}
