/** What writing it out may be given. */
import { note, oneOf, text, whole } from '../../parameters';

export const WRITTEN = ['scales', 'triads', 'sevenths'] as const;
export const WRITTEN_KINDS = ['major', 'minor', 'harmonic minor', 'melodic minor'] as const;

export const parameters = {
  what: oneOf(WRITTEN),
  root: note,
  kind: oneOf(WRITTEN_KINDS),
  /** Keys one after the other, each a fifth up the circle. */
  keys: whole(1, 15, [1, 2, 3, 4, 5, 7]),
  /** How often the numbers are played in each key. */
  times: whole(1, 10, [1, 2, 3, 5, 10]),
  progression: text('numbers, like 1 5 6 4', 0, 40, ['1 5 6 4', '1 4 5 1', '2 5 1', '1 6 2 5']),
  days: whole(1, 7),
};
