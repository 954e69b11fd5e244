/** What spell it may be given. */
import { key, oneOf, whole } from '../../parameters';

export const WHATS = ['notes', 'degrees', 'triads', 'sevenths', 'chords', 'scales'] as const;

export const parameters = {
  what: oneOf(WHATS),
  key,
  /** Keys asked, each a fifth up the circle from the first. */
  keys: whole(1, 15, [1, 2, 3, 5, 7, 15]),
  count: whole(5, 30, [5, 10, 20, 30]),
  secondsPerCall: whole(4, 20),
};
