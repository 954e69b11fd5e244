/**
 * Grips played with a pattern: which strings sound when, bar by bar. A rest of the pattern lets what sounds go on, a
 * stop silences it; a chop or a mute is silent after itself. A plucked string rings on in the ear; on paper each pluck
 * lasts until the next, as tab and staff are usually written.
 */
import { gripNotes, type Bar, type ScoreEvent, type ScoreNote, type Struck } from '../score/score';
import type { Step } from '../score/pattern-bars';
import type { Pluck } from '../score/piece';
import { TICKS_A_BEAT } from '../score/ticks';
import { pluckedStrings, strummedStrings } from '../score/struck-strings';
import type { GripItem } from './items';

export interface BarPlan {
  readonly beats: number;
  readonly unit?: number;
  /** In order, the first where the bar begins. */
  readonly steps: readonly Step[];
  /** Where a grip begins in this bar, in order; null where nothing is played. The last one goes on. */
  readonly grips: readonly { readonly tick: number; readonly item: GripItem | null }[];
}

/** Strings a step strikes, thickest first; a family that leads the thumb otherwise gives its own. */
export type StringsOf = (step: Struck | Pluck, notes: readonly ScoreNote[], index: number) => ScoreNote[];

const usualStrings: StringsOf = (step, notes) =>
  (typeof step === 'string' ? strummedStrings(step, notes) : pluckedStrings(step, notes)).sort(
    (a, b) => a.stringIndex - b.stringIndex,
  );

export function struckBars(plans: readonly BarPlan[], stringsOf: StringsOf = usualStrings): Bar[] {
  let held: GripItem | null = null;
  /** Notes that sound on into the next bar; empty where they were stopped. */
  let ringing: readonly ScoreNote[] = [];
  return plans.map(({ beats, unit, steps, grips }) => {
    const events: ScoreEvent[] = [];
    let named: GripItem | null = null;
    let open: { event: Omit<ScoreEvent, 'ticks'>; short: boolean } | null = null;
    const close = (tick: number) => {
      if (open) events.push({ ...open.event, ticks: tick - open.event.tick });
      open = null;
    };
    steps.forEach(({ tick, stroke }, i) => {
      const begins = grips.findLast((one) => one.tick <= tick);
      if (begins) {
        // The hand leaves the strings: what sounded ends, whether the pattern strikes here or passes.
        if (begins.item?.frets.join() !== held?.frets.join()) {
          close(tick);
          ringing = [];
        }
        held = begins.item;
      }
      if (stroke === 'rest' || stroke === 'tie') {
        if (open?.short) close(tick);
        // Over a bar line the sound goes on as a tied note.
        if (i === 0 && ringing.length > 0 && held)
          open = {
            event: { tick, notes: ringing.map((note) => ({ ...note, tied: true })), stroke: 'strum' },
            short: false,
          };
        return;
      }
      close(tick);
      ringing = [];
      if (stroke === 'stop' || !held) return;
      const item: GripItem = held;
      const notes = stringsOf(stroke, gripNotes(item.frets, item.fingers), i);
      if (notes.length === 0) return;
      const short = stroke === 'chop' || stroke === 'mute';
      open = {
        event: {
          tick,
          notes,
          stroke: typeof stroke === 'string' ? 'strum' : 'pick',
          hand: stroke,
          ...(named === item ? {} : { chord: item.chord }),
        },
        short,
      };
      named = item;
      if (!short) ringing = notes;
    });
    close(beats * TICKS_A_BEAT);
    return { beats, ...(unit === undefined || unit === 4 ? {} : { unit }), events };
  });
}
