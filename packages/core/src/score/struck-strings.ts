/** Which of the strings that sound a stroke or the plucking fingers reach; strings thickest first. */
import type { Pluck } from './piece';
import type { Struck } from './score';

/** An upstroke seldom reaches the thick strings (assumed). */
const UP_STRINGS = 4;

export const goesUp = (stroke: Struck): boolean => stroke === 'up' || stroke === 'up accent';

/** The strings of a stroke in the order it strikes them. */
export function strummedStrings<T>(stroke: Struck, sounding: readonly T[]): T[] {
  return goesUp(stroke) ? [...sounding].reverse().slice(0, UP_STRINGS) : [...sounding];
}

/** The thumb takes the lowest string of the grip, i m a the third, second and first from the thin side that sound. */
export function pluckedStrings<T>(fingers: Pluck, sounding: readonly T[]): T[] {
  const thin = (from: number): T | undefined => sounding[sounding.length - from];
  const strings = fingers.map((finger) =>
    finger === 'p' ? sounding[0] : thin({ i: 3, m: 2, a: 1 }[finger]),
  );
  return [...new Set(strings.filter((one): one is T => one !== undefined))];
}
