/** Open strings by name, as players say them: E A D G B E. */
import type { Instrument } from '@finch/core/fretboard';

const NAMES = ['C', 'C♯', 'D', 'E♭', 'E', 'F', 'F♯', 'G', 'A♭', 'A', 'B♭', 'B'];

/** What each open string sounds, thickest first; behind a capo what sounds there. */
export const openNames = ({ openPitches, capo }: Pick<Instrument, 'openPitches' | 'capo'>): string[] =>
  openPitches.map((pitch) => NAMES[(pitch + capo) % 12]);
