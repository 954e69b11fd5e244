/**
 * Tablature of a score: one line per string, string 1 on top, as columns for a drawing or as plain text.
 * A tied note is shown in brackets and a string struck without ringing as x, and h, p, / and b stand
 * before a note that is hammered, pulled, slid or bent to, as tab usually does.
 */
import type { Pluck } from './piece';
import type { Score, ScoreNote, Slur, Struck } from './score';
import { TICKS_A_BEAT } from './ticks';

export interface TabColumn {
  readonly bar: number;
  readonly startTick: number;
  /** From the start of its bar. */
  readonly tick: number;
  readonly chord: string | null;
  /** String 1 first; null where nothing is struck. */
  readonly cells: readonly (string | null)[];
  readonly ticks: number;
  /** What the striking hand does, where the score says. */
  readonly hand?: Struck | Pluck;
}

export function tabColumns(score: Score): TabColumn[] {
  let start = 0;
  return (score.parts[0]?.bars ?? []).flatMap((bar, index) => {
    const columns = bar.events.map((event) => {
      const cells: (string | null)[] = new Array(score.strings).fill(null);
      for (const note of event.notes) {
        cells[score.strings - 1 - note.stringIndex] = cellText(note, event.hand);
      }
      return {
        bar: index,
        startTick: start + event.tick,
        tick: event.tick,
        ticks: event.ticks,
        chord: event.chord ?? null,
        cells,
        ...(event.hand === undefined ? {} : { hand: event.hand }),
      };
    });
    start += bar.beats * TICKS_A_BEAT;
    return columns;
  });
}

/** How a note that is not struck is come to, before its fret; a bent one names the fret it is bent to the pitch of. */
const SLUR_SIGNS: Readonly<Record<Slur, string>> = { hammer: 'h', pull: 'p', slide: '/', bend: 'b' };

function cellText(note: ScoreNote, hand: Struck | Pluck | undefined): string {
  if (hand === 'chop' || hand === 'mute') return 'x';
  if (note.tied) return `(${note.fret})`;
  return note.by ? `${SLUR_SIGNS[note.by]}${note.fret + (note.bent ?? 0)}` : String(note.fret);
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
