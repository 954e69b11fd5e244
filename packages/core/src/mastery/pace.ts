/** The counted minutes of a log, for a student's pace: the latest ones, since a hand gets quicker. */
import { gripsOf } from '../drills/make-drill';
import { fitPace, type CountedChanges, type PaceFit, type PacePrior } from '../changes/refit';
import type { Hand } from '../fretboard/hand';
import type { Instrument } from '../fretboard/instrument';
import { happenedAt, type LogEvent } from './log';

/** As many as are believed to speak of the hand as it is now (assumed). */
const LATEST = 12;

/** Counts that nobody voided, in the order they were made. */
export function countsOf(events: readonly LogEvent[]): CountedChanges[] {
  const voided = new Set(events.flatMap((event) => (event.kind === 'void' ? [event.voids] : [])));
  return events
    .filter((event) => !voided.has(event.id))
    .toSorted((a, b) => happenedAt(a) - happenedAt(b))
    .flatMap((event): CountedChanges[] => {
      if (event.kind !== 'attempt' || !event.take.count) return [];
      const grips = gripsOf(event.take.recipe).map((grip) => grip.frets);
      return grips.length < 2 ? [] : [{ grips, ...event.take.count }];
    });
}

/** The pace those counts say, from the studio's prior. */
export const paceFrom = (
  counts: readonly CountedChanges[],
  hand: Hand,
  instrument: Instrument,
  prior: PacePrior,
): PaceFit => fitPace(counts.slice(-LATEST), hand, instrument, prior);
