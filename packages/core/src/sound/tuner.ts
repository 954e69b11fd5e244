/**
 * Tuning by ear of a machine: the pitch of a tone (McLeod and Wyvill 2005, by `pitchy`), the string it is nearest to, and how many
 * cents it is off. Equal temperament, A4 = 440 Hz.
 */
import { PitchDetector } from 'pitchy';
import type { Instrument } from '../fretboard/instrument';
import { pitchToHz } from './pluck';

/** Samples looked at once: seven periods of the lowest E at 48 kHz. */
export const TUNER_SAMPLES = 4096;
/**
 * Below this clarity, 0 to 1, it is noise or several strings at once; further off than this no string is meant; in tune; root mean
 * square of full scale below which nothing is heard (our assumptions).
 */
export const TUNER = { clarity: 0.92, farCents: 300, inTuneCents: 3, quiet: 0.004 } as const;

export interface Tone {
  readonly hz: number;
  /** How much of it is one tone, 0 to 1. */
  readonly clarity: number;
}

const detectors = new Map<number, PitchDetector<Float32Array>>();

/** The tone of some samples in (-1, 1); null for silence, noise and several tones at once. */
export function toneOf(samples: Float32Array, sampleRate: number): Tone | null {
  let detector = detectors.get(samples.length);
  if (!detector) {
    detector = PitchDetector.forFloat32Array(samples.length);
    detector.minVolumeAbsolute = TUNER.quiet;
    detectors.set(samples.length, detector);
  }
  const [hz, clarity] = detector.findPitch(samples, sampleRate);
  return clarity >= TUNER.clarity && hz > 0 ? { hz, clarity } : null;
}

export interface StringHeard {
  /** Index from the thickest string, as the instrument has it. */
  readonly stringIndex: number;
  /** Above 0 too high. */
  readonly cents: number;
}

/** Cents from one frequency to another, 1200 an octave. */
export const centsOff = (hz: number, wantedHz: number): number => 1200 * Math.log2(hz / wantedHz);

/** The open string a tone is nearest to; null where it is near none. The capo counts: what sounds is what is tuned. */
export function stringHeard(hz: number, { openPitches, capo }: Instrument): StringHeard | null {
  let best: StringHeard | null = null;
  for (const [stringIndex, pitch] of openPitches.entries()) {
    const cents = centsOff(hz, pitchToHz(pitch + capo));
    if (!best || Math.abs(cents) < Math.abs(best.cents)) best = { stringIndex, cents };
  }
  return best && Math.abs(best.cents) <= TUNER.farCents ? best : null;
}
