/** What note reading may be given. */
import { key, seconds, stringNumber, whole } from '../../parameters';

export const parameters = {
  key,
  /** Lowest fret of the four the hand covers; 0 adds the open strings. */
  position: whole(0, 21, [0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12]),
  /** Widest range, in strings counted from string 1. */
  strings: stringNumber,
  count: whole(1, 48, [8, 12, 16, 24, 48]),
  secondsPerNote: seconds,
};
