/** What degrees may be given. */
import { key, oneOf, tempo, whole } from '../../parameters';

const PLACES = ['root on 6', 'root on 5', 'root on 4', 'position'] as const;

export const parameters = {
  /** A major key by name. */
  key,
  of: oneOf(['triads', 'sevenths']),
  /** The string the roots lie on, or one position for all of them. */
  place: oneOf(PLACES),
  /** Fret under the index finger, where all seven lie in one position. */
  position: whole(1, 12),
  way: oneOf(['both', 'up', 'down']),
  beatsEach: whole(2, 8, [2, 3, 4, 8]),
  tempoBpm: tempo,
};
