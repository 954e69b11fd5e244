/** What key detective may be given. */
import { oneOf, whole, yesOrNo } from '../../parameters';

export const ASKS = ['key', 'key and numbers', 'key, numbers and what is foreign'] as const;

export const parameters = {
  /** Lists asked about, each in a key of its own. */
  lists: whole(1, 6),
  /** Chords of a list. */
  length: whole(3, 8),
  /** Chords from outside the key. */
  foreign: whole(0, 2),
  kinds: oneOf(['major', 'minor', 'both']),
  sevenths: yesOrNo,
  ask: oneOf(ASKS),
  secondsPerCall: whole(10, 60, [10, 15, 20, 30, 45, 60]),
};
