/**
 * An instrument: open pitches, scale length, frets, capo. Arrays over strings run from the highest string
 * number (the thickest) to string 1, as grips are written. Pitches are sounding MIDI note numbers; a guitar
 * sounds an octave below its staff, which only notation knows about.
 */
import { fail, ok, type Result } from '../kernel/result';

export interface Instrument {
  readonly schemaVersion: 1;
  /** Sounding MIDI pitch of each open string without capo, thickest first. */
  readonly openPitches: readonly number[];
  /** Vibrating length of an open string, nut to saddle. */
  readonly scaleLengthMm: number;
  readonly frets: number;
  /** Fret of the capo, 0 for none. Frets of grips count from it. */
  readonly capo: number;
  readonly leftHanded: boolean;
  /** What is strung on it and how high. Kept with every grade; no formula reads it yet. */
  readonly setup?: InstrumentSetup;
}

export interface InstrumentSetup {
  readonly strings: 'nylon' | 'steel' | 'nickel';
  /** Diameter of string 1. */
  readonly gaugeMm: number;
  /** Height of the thickest string over fret 12. */
  readonly actionMm: number;
}

/** Six strings in standard tuning E A D G B E, 648 mm, 22 frets. */
export const standardGuitar: Instrument = {
  schemaVersion: 1,
  openPitches: [40, 45, 50, 55, 59, 64],
  scaleLengthMm: 648,
  frets: 22,
  capo: 0,
  leftHanded: false,
};

/** Checks an instrument. Problems name the field: 4 to 8 strings, 480 to 700 mm, 12 to 24 frets, capo 0 to 11, strings and action when given. */
export function makeInstrument(parts: Partial<Instrument>): Result<Instrument> {
  const made = { ...standardGuitar, ...parts };
  const strings = made.openPitches.length;
  if (strings < 4 || strings > 8) return fail('instrument.strings', 'openPitches', '4 to 8 strings');
  const pitchesOk = made.openPitches.every((pitch) => Number.isInteger(pitch) && pitch >= 20 && pitch <= 90);
  if (!pitchesOk) return fail('instrument.pitch', 'openPitches', 'whole MIDI pitches 20 to 90');
  if (!(made.scaleLengthMm >= 480 && made.scaleLengthMm <= 700)) {
    return fail('instrument.scale', 'scaleLengthMm', '480 to 700 mm');
  }
  if (!(Number.isInteger(made.frets) && made.frets >= 12 && made.frets <= 24)) {
    return fail('instrument.frets', 'frets', '12 to 24 frets');
  }
  if (!(Number.isInteger(made.capo) && made.capo >= 0 && made.capo <= 11)) {
    return fail('instrument.capo', 'capo', 'fret 0 to 11');
  }
  const { setup } = made;
  if (setup && !(setup.gaugeMm >= 0.15 && setup.gaugeMm <= 0.8))
    return fail('instrument.gauge', 'setup.gaugeMm', '0.15 to 0.8 mm on string 1');
  if (setup && !(setup.actionMm >= 0.5 && setup.actionMm <= 6))
    return fail('instrument.action', 'setup.actionMm', '0.5 to 6 mm at fret 12');
  return ok(made);
}

/** Sounding MIDI pitch of a fret; `stringIndex` 0 is the thickest string, fret 0 the open string at the capo. */
export function pitchAt(instrument: Instrument, stringIndex: number, fret: number): number {
  return instrument.openPitches[stringIndex] + instrument.capo + fret;
}

/** String number (1 is the thinnest) of an array index. */
export function stringNumber(instrument: Instrument, stringIndex: number): number {
  return instrument.openPitches.length - stringIndex;
}
