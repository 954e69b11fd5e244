/** What string walk may be given. */
import { key, seconds, stringNumber, whole } from '../../parameters';

export const parameters = {
  string: stringNumber,
  /** A scale by name; `C major` walks the natural notes. */
  key,
  maxFret: whole(3, 24, [3, 5, 7, 9, 10, 12, 14, 15, 17]),
  /** Random calls after the walk. */
  calls: whole(1, 48, [6, 12, 18, 24]),
  secondsPerCall: seconds,
};
