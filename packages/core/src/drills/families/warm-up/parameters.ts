/** What warm up may be given. */
import { hidden, optional, whole } from '../../parameters';

export const parameters = {
  minutes: whole(1, 15),
  /** Lowest fret of the figure; left out, the lowest one this hand spans comfortably. */
  startFret: hidden(optional(whole(1, 20))),
};
