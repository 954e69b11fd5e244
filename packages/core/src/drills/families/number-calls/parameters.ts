/** What number calls may be given. */
import { POOLS } from '../../pools';
import { key, oneOf, tempo, whole } from '../../parameters';

export const parameters = {
  key,
  pool: oneOf(POOLS),
  /** Keys one after the other, each a fifth up the circle. */
  keys: whole(1, 15, [1, 2, 3, 4]),
  length: whole(4, 16, [4, 8, 12, 16]),
  /** Beats before the bar line at which the next number is shown. */
  lead: whole(1, 4),
  /** One grip for each chord, or whichever lies nearest. */
  layout: oneOf(['fixed', 'nearest']),
  tempoBpm: tempo,
};
