/** Somebody who counts four aloud, as a microphone hears it, and again after a while: a stand-in for a voice in the room. */
import { seededRandom } from '../kernel/random';

/** Seconds to the first count, between counts, and from one four to the next; rise and fall of a syllable (assumed). */
const SPOKEN = {
  first: 1,
  between: 0.6,
  again: 8,
  beats: 4,
  rise: 0.02,
  fall: 0.07,
  loud: 0.3,
  room: 0.002,
} as const;

export interface Counter {
  /** What sounds from an instant on, seconds since it began, written into the samples. */
  readonly samplesAt: (seconds: number, into: Float32Array) => void;
}

export function makeCounter(sampleRate: number, seed = 4): Counter {
  const noise = Float32Array.from(
    { length: sampleRate },
    (() => {
      const random = seededRandom(seed);
      return () => 2 * random.unit() - 1;
    })(),
  );
  const loudness = (at: number): number => {
    const into = (at % SPOKEN.again) - SPOKEN.first;
    const beat = Math.floor(into / SPOKEN.between);
    if (into < 0 || beat >= SPOKEN.beats) return 0;
    const since = into - beat * SPOKEN.between;
    return since < SPOKEN.rise ? since / SPOKEN.rise : Math.exp(-(since - SPOKEN.rise) / SPOKEN.fall);
  };
  return {
    samplesAt: (seconds, into) => {
      const first = Math.round(seconds * sampleRate);
      for (let i = 0; i < into.length; i++) {
        const at = first + i;
        into[i] = noise[at % noise.length] * (SPOKEN.room + SPOKEN.loud * loudness(at / sampleRate));
      }
    },
  };
}
