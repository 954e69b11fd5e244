/** Grips and lines as they sound by themselves: one strum after another, one note after another, a drone under them. */
import { pitchAt, type Instrument } from '../fretboard/instrument';
import type { Frets } from '../grips/grip';
import { STRUM_SPREAD_SECONDS, type PluckSound } from './schedule';
import { PLAIN_LEVEL } from './struck';

/** A note of a line: 0 is the thickest string. */
interface SoundingSpot {
  readonly stringIndex: number;
  readonly fret: number;
}

const DRONE_LEVEL = 0.5;

const pluck = (spot: SoundingSpot, instrument: Instrument, atSeconds: number, seconds: number, level = PLAIN_LEVEL): PluckSound => ({
  kind: 'pluck',
  atSeconds,
  seconds,
  midiPitch: pitchAt(instrument, spot.stringIndex, spot.fret),
  stringIndex: spot.stringIndex,
  fret: spot.fret,
  touch: 'ring',
  level,
}); // prettier-ignore

/** Grips one after another, each strummed once from its thickest string; null is silence of the same length. */
export const strumSounds = (
  grips: readonly (Frets | null)[],
  instrument: Instrument,
  secondsEach: number,
): PluckSound[] =>
  grips.flatMap((grip, i) => {
    let struck = 0;
    return (grip ?? []).flatMap((fret, stringIndex) =>
      fret === null
        ? []
        : [
            pluck(
              { stringIndex, fret },
              instrument,
              i * secondsEach + STRUM_SPREAD_SECONDS * struck++,
              secondsEach,
            ),
          ],
    );
  });

/** Notes one after another. RangeError for a rate that is none. */
export function lineSounds(
  notes: readonly SoundingSpot[],
  instrument: Instrument,
  notesPerSecond: number,
): PluckSound[] {
  if (!(notesPerSecond > 0)) throw new RangeError('notes a second above 0');
  return notes.map((spot, i) => pluck(spot, instrument, i / notesPerSecond, 1 / notesPerSecond));
}

/** A note struck again and again under what else sounds, its string chosen as the thickest that has it. */
export function droneSounds(
  pitchClass: number,
  instrument: Instrument,
  seconds: number,
  every = 2,
): PluckSound[] {
  const open = pitchAt(instrument, 0, 0);
  const fret = (((pitchClass - open) % 12) + 12) % 12;
  return Array.from({ length: Math.ceil(seconds / every) }, (_, i) =>
    pluck({ stringIndex: 0, fret }, instrument, i * every, every, DRONE_LEVEL),
  );
}
