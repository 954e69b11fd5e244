/** What the striking hand has to do in some bars, counted as the effort of striking asks for it. */
import type { StrikeCounts } from '../effort/strike';
import type { Bar, ScoreEvent } from '../score/score';
import { TICKS_A_BEAT } from '../score/ticks';

const BAR_BEATS = 4;
const offBeat = (event: ScoreEvent): boolean => event.tick % TICKS_A_BEAT !== 0;

/** A pluck that leaves out a string between it and the one before counts as a skip. */
export function strikeCounts(bars: readonly Bar[]): StrikeCounts {
  const events = bars.flatMap((bar) => bar.events);
  const beats = bars.reduce((sum, bar) => sum + bar.beats, 0);
  const inBar = (count: number): number => (beats > 0 ? (BAR_BEATS * count) / beats : 0);
  const struck = events.filter((event) => event.notes.some((note) => !note.tied));
  const heavyOff = events.filter(
    (event) => offBeat(event) && (event.hand === 'down accent' || event.hand === 'up accent'),
  );
  // Struck between the beats and held over the next one: the tie a reader has to count through.
  const ties = events.filter(
    (event, i) =>
      offBeat(event) &&
      !event.notes.every((note) => note.tied) &&
      (event.tick + event.ticks > TICKS_A_BEAT * Math.ceil(event.tick / TICKS_A_BEAT) ||
        (events[i + 1]?.notes.some((note) => note.tied) ?? false)),
  );
  const plucked = struck.filter((event) => event.stroke === 'pick');
  const skips = plucked.filter((event, i) => i > 0 && skipped(plucked[i - 1], event)).length;
  return {
    perBeat: Math.max(0.1, ...bars.map((bar) => struckIn(bar) / bar.beats)),
    offBeat: inBar(new Set([...heavyOff, ...ties]).size),
    muffled: inBar(events.filter((event) => event.hand === 'chop' || event.hand === 'mute').length),
    skippedStrings: inBar(skips),
  };
}

const struckIn = (bar: Bar): number =>
  bar.events.filter((event) => event.notes.some((note) => !note.tied)).length;

/** Whether the nearest strings of two plucks have another between them. */
function skipped(a: ScoreEvent, b: ScoreEvent): boolean {
  const gaps = a.notes.flatMap((one) => b.notes.map((two) => Math.abs(one.stringIndex - two.stringIndex)));
  return gaps.length > 0 && Math.min(...gaps) > 1;
}
