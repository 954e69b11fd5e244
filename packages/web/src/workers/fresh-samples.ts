/** Of what a microphone gives, only what is new since it was last read, in whole steps of loudness; what is over is read with the next. */
import { LEVEL_SECONDS, TUNER_SAMPLES } from '@finch/core/sound';
import type { Listening } from './microphone';

export interface FreshSamples {
  /** What is new; at most as much as a microphone holds. */
  readonly read: () => Float32Array;
  /** What was heard up to now is not read any more. */
  readonly skip: () => void;
}

/** @param now ms */
export function freshSamples(open: Listening, now: () => number): FreshSamples {
  const samples = new Float32Array(TUNER_SAMPLES);
  let readAt = now();
  return {
    skip: () => (readAt = now()),
    read: () => {
      open.read(samples);
      const steps = Math.floor((now() - readAt) / (1000 * LEVEL_SECONDS) + 1e-6);
      readAt += 1000 * LEVEL_SECONDS * steps;
      const fresh = Math.min(samples.length, Math.round(steps * LEVEL_SECONDS * open.sampleRate));
      return samples.subarray(samples.length - fresh);
    },
  };
}
