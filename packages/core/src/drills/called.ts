/** What a screen says of chords called by number: the one that is played, the next a while ahead, names only afterwards. */
import { TICKS_A_BEAT, ticksOf } from '../score/ticks';
import type { Drill } from './recipe';

export interface Call {
  readonly number: string;
  readonly key: string;
}
export interface CalledNow {
  /** Null once the last one is over. */
  readonly now: Call | null;
  /** Null until it is due: `lead` beats before it is played. */
  readonly next: Call | null;
  /** What has been played, with the symbols of its chords. */
  readonly past: readonly (Call & { readonly chord: string })[];
}

/** At a beat of the whole score, negative while counting in; null for a drill that calls no numbers. */
export function calledAt(drill: Drill, beat: number): CalledNow | null {
  const { steps } = drill;
  if (!steps.some((step) => step.called)) return null;
  const tick = ticksOf(beat);
  const over = steps.filter((step) => tick >= step.startTick + step.ticks).length;
  const call = (at: number): Call | null => {
    const called = steps[at]?.called;
    return called ? { number: called.number, key: called.key } : null;
  };
  const next = steps[over + 1];
  const due = next?.called !== undefined && tick >= next.startTick - next.called.lead * TICKS_A_BEAT;
  return {
    now: call(over),
    next: due ? call(over + 1) : null,
    past: steps
      .slice(0, over)
      .flatMap(({ called, grip }) =>
        called && grip ? [{ number: called.number, key: called.key, chord: grip.chord }] : [],
      ),
  };
}
