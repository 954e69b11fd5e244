/** The item of a grip on an instrument, with the fingers that hold it. */
import type { Instrument } from '../fretboard/instrument';
import type { FingerLabel, Frets } from '../grips/grip';
import type { GripItem } from './items';

export function gripItem(
  frets: Frets,
  fingers: readonly FingerLabel[],
  chord: string,
  instrument: Instrument,
): GripItem {
  return { kind: 'grip', frets, fingers, tuning: instrument.openPitches, capo: instrument.capo, chord };
}
