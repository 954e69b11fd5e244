/**
 * Effort of a line of single notes (our assumptions throughout; thinner evidence than for grips): the reach
 * between notes played by different fingers in one position, 1.5 points for each string crossing in a bar of
 * four beats, and 12 points for each octave of rate above four notes a second.
 */
import type { HoldModel } from './hold';
import { EFFORT } from './constants';

export const LINE = { crossing: 1.5, ratePerOctave: 12, freeRate: 4, base: 3 } as const;

export interface LineNote {
  readonly stringIndex: number;
  readonly fret: number;
  /** 0 open, 1 to 4. */
  readonly finger: number;
}

/** Points of a line played at `notesPerSecond`; Infinity where two fingers cannot span their notes. */
export function linePoints(model: HoldModel, notes: readonly LineNote[], notesPerSecond: number): number {
  const { pressMm } = model.geometry;
  const fretted = notes.filter((note) => note.finger > 0);
  let reach = 0;
  for (const low of fretted) {
    for (const high of fretted) {
      if (low.finger >= high.finger) continue;
      const pair = low.finger * 5 + high.finger;
      const mm = Math.abs(pressMm[high.fret] - pressMm[low.fret]);
      if (mm > model.maxMm[pair]) return Number.POSITIVE_INFINITY;
      const past = (mm - model.comfortMm[pair]) / (model.maxMm[pair] - model.comfortMm[pair]);
      if (past > 0) reach = Math.max(reach, EFFORT.reach.weight * past ** EFFORT.reach.exponent);
    }
  }
  const crossings = notes.filter((note, i) => i > 0 && note.stringIndex !== notes[i - 1].stringIndex).length;
  const rate = LINE.ratePerOctave * Math.max(0, Math.log2(notesPerSecond / LINE.freeRate));
  return LINE.base + reach + (LINE.crossing * crossings * 4) / Math.max(4, notes.length) + rate;
}
