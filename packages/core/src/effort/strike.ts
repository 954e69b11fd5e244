/**
 * Effort of the striking hand over a pattern (our assumptions throughout; thinner evidence than for grips): 12 points for
 * each octave of strokes a second above four, as for a line, and for what falls in a bar of four beats: 3 for an accent
 * or a tie off the beat, 4 for a mute or a chop, 2 for a string skipped between two plucks.
 */
import { LINE } from './line';

export const STRIKE = { offBeat: 3, muffled: 4, skippedString: 2 } as const;

export interface StrikeCounts {
  /** Strokes or plucks a beat where they stand closest. */
  readonly perBeat: number;
  /** In a bar of four beats, on the mean. */
  readonly offBeat: number;
  readonly muffled: number;
  readonly skippedStrings: number;
}

/** Points at a tempo; never fewer for a faster one. */
export function strikePoints(counts: StrikeCounts, tempoBpm: number): number {
  const rate = (counts.perBeat * tempoBpm) / 60;
  return (
    LINE.ratePerOctave * Math.max(0, Math.log2(Math.max(1e-9, rate) / LINE.freeRate)) +
    STRIKE.offBeat * counts.offBeat +
    STRIKE.muffled * counts.muffled +
    STRIKE.skippedString * counts.skippedStrings
  );
}
