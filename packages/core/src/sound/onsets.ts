/**
 * When a stroke or a tap begins, told by loudness: highs count most, since they die first, so that a stroke is heard over a chord
 * that still rings. All numbers are our assumptions.
 */
import { LEVEL_SECONDS } from './counted';

const ONSET = {
  /** Root mean square of full scale, and times the background, from which it is no silence. */
  quiet: 0.002,
  over: 4,
  /** Times the quietest of the last moments. */
  rises: 1.8,
  moments: 6,
  /** Seconds in which a strum is one stroke. */
  apart: 0.09,
  /** Seconds in which the background follows. */
  settles: 1.5,
} as const;

export interface OnsetListener {
  /**
   * Takes one loudness in, `LEVEL_SECONDS` after the one before; true when a stroke begins there.
   * @param level as `sharpLevelsOf` gives it, 0 to 1
   */
  readonly hear: (level: number) => boolean;
}

export function makeOnsetListener(): OnsetListener {
  let since = Number.POSITIVE_INFINITY;
  let floor = ONSET.quiet / ONSET.over;
  const before: number[] = [];
  return {
    hear: (level) => {
      since += LEVEL_SECONDS;
      const low = before.length ? Math.min(...before) : 0;
      before.push(level);
      if (before.length > ONSET.moments) before.shift();
      const heard =
        since >= ONSET.apart && level > Math.max(ONSET.quiet, ONSET.over * floor, ONSET.rises * low);
      if (heard) since = 0;
      // The background is what is left when nobody plays: it sinks at once and rises slowly.
      floor += (level - floor) * (level < floor ? 0.2 : LEVEL_SECONDS / ONSET.settles / 4);
      return heard;
    },
  };
}

/** Loudness of how samples in (-1, 1) change, one for each whole `LEVEL_SECONDS` of them: highs weigh most. */
export function sharpLevelsOf(samples: Float32Array, sampleRate: number): number[] {
  const each = Math.round(LEVEL_SECONDS * sampleRate);
  return Array.from({ length: Math.floor(samples.length / each) }, (_, i) => {
    let sum = 0;
    for (let s = Math.max(1, i * each); s < (i + 1) * each; s++) sum += (samples[s] - samples[s - 1]) ** 2;
    return Math.sqrt(sum / each);
  });
}
