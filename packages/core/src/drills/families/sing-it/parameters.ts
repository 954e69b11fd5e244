/** What sing it may be given. */
import { key, oneOf, whole } from '../../parameters';

export const SUNG = ['home', 'home and 5', 'the chord', 'the five', 'the scale'] as const;
export type Sung = (typeof SUNG)[number];

export const parameters = {
  key,
  /** Which tones are asked for. */
  what: oneOf(SUNG),
  /** Where home lies: from F2 up, or from F3 up. */
  voice: oneOf(['low', 'high']),
  count: whole(5, 20, [5, 10, 15, 20]),
};
