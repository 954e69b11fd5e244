/**
 * Four counted aloud: short even sounds, then a rest. Told by loudness alone, so that it works in any language and for four knocks
 * on the wood; a strummed chord rings on and is none. All numbers are our assumptions.
 */

const COUNT = {
  beats: 4,
  /** Root mean square of full scale, and times the background, from which a sound begins. */
  quiet: 0.01,
  over: 4,
  /** Times the quietest since the last sound. */
  rises: 2,
  /** A sound is over at this share of its peak; one that lasts longer rings and is no count. */
  fallen: 0.3,
  longestSeconds: 0.35,
  /** Seconds between counts, and how far from even they may be. */
  shortest: 0.28,
  longest: 1.3,
  uneven: 0.25,
  /** Intervals of silence after the last. */
  rest: 1.4,
  /** Seconds in which the background follows. */
  settles: 1.5,
} as const;

/** Seconds of sound one loudness is taken over. */
export const LEVEL_SECONDS = 0.01;

export interface CountListener {
  /**
   * Takes one loudness in, `LEVEL_SECONDS` after the one before; true when four were counted and a rest followed.
   * @param level root mean square of full scale, 0 to 1
   */
  readonly hear: (level: number) => boolean;
  /** What was heard so far is forgotten. */
  readonly forget: () => void;
}

export function makeCountListener(): CountListener {
  let now = 0;
  let floor = COUNT.quiet;
  let began: number | null = null;
  let peak = 0;
  /** The quietest since the last sound was over: the next one rises from there, its tail is no sound of its own. */
  let low = 0;
  let beats: number[] = [];
  const forget = () => {
    began = null;
    beats = [];
  };
  const begin = (level: number) => {
    const last = beats.at(-1);
    if (last !== undefined && now - last > COUNT.longest) beats = [];
    [began, peak] = [now, level];
  };
  const end = (at: number) => {
    began = null;
    if (now - at > COUNT.longestSeconds) {
      // It rang: somebody plays.
      beats = [];
      return;
    }
    const last = beats.at(-1);
    // A second syllable, or the same sound once more.
    if (last === undefined || at - last >= COUNT.shortest) beats.push(at);
  };
  const isCounted = (): boolean => {
    if (began !== null || beats.length !== COUNT.beats) return false;
    const gaps = beats.slice(1).map((at, i) => at - beats[i]);
    const last = beats[beats.length - 1];
    const mean = (last - beats[0]) / gaps.length;
    if (gaps.some((gap) => Math.abs(gap - mean) > COUNT.uneven * mean)) return false;
    return now - last > COUNT.rest * mean;
  };
  return {
    forget,
    hear: (level) => {
      now += LEVEL_SECONDS;
      if (began === null) low = Math.min(low, level);
      if (began === null && level > Math.max(COUNT.quiet, COUNT.over * floor, COUNT.rises * low))
        begin(level);
      else if (began !== null) {
        peak = Math.max(peak, level);
        if (level < COUNT.fallen * peak) {
          end(began);
          low = level;
        }
      }
      if (began === null) floor += (level - floor) * (level < floor ? 0.2 : LEVEL_SECONDS / COUNT.settles);
      if (!isCounted()) return false;
      forget();
      return true;
    },
  };
}

/** Loudness of some samples in (-1, 1), one for each whole `LEVEL_SECONDS` of them. */
export function levelsOf(samples: Float32Array, sampleRate: number): number[] {
  const each = Math.round(LEVEL_SECONDS * sampleRate);
  return Array.from({ length: Math.floor(samples.length / each) }, (_, i) => {
    let sum = 0;
    for (let s = i * each; s < (i + 1) * each; s++) sum += samples[s] ** 2;
    return Math.sqrt(sum / each);
  });
}
