/**
 * Somebody who tunes a guitar, as a microphone hears it: one string after the other is plucked, each off by so many cents, and
 * turned half of the way after every round. A stand-in for a room with a player in it.
 */
import type { Instrument } from '../fretboard/instrument';
import { pitchToHz, pluckSamples } from '../sound/pluck';

/** Seconds between two plucks; after so many rounds a string is left as it is: in tune. */
const PLUCK = { seconds: 2, rounds: 5 } as const;

export interface StringsPlayer {
  /** What sounds from an instant on, seconds since it began, written into the samples. */
  readonly samplesAt: (seconds: number, into: Float32Array) => void;
}

/** @param offCents of each string at the beginning, thickest first */
export function makeStringsPlayer(
  { openPitches, capo }: Instrument,
  offCents: readonly number[],
  sampleRate: number,
): StringsPlayer {
  const made = new Map<number, Float32Array>();
  const pluckNumber = (n: number): Float32Array => {
    const known = made.get(n);
    if (known) return known;
    const string = n % openPitches.length;
    const round = Math.floor(n / openPitches.length);
    const cents = round >= PLUCK.rounds ? 0 : (offCents[string] ?? 0) / 2 ** round;
    const samples = pluckSamples({
      frequencyHz: pitchToHz(openPitches[string] + capo) * 2 ** (cents / 1200),
      seconds: PLUCK.seconds,
      sampleRate,
      brightness: 0.5,
      seed: n + 1,
    });
    made.clear();
    made.set(n, samples);
    return samples;
  };
  return {
    samplesAt: (seconds, into) => {
      const first = Math.round(seconds * sampleRate);
      const each = Math.round(PLUCK.seconds * sampleRate);
      for (let i = 0; i < into.length; i++) {
        const at = first + i;
        into[i] = pluckNumber(Math.floor(at / each))[at % each] ?? 0;
      }
    },
  };
}
