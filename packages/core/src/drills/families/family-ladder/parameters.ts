/** What family ladder may be given. */
import { hidden, note, oneOf, optional, tempo, whole } from '../../parameters';

const FORM_NAMES = ['C', 'A', 'G', 'E', 'D'] as const;

export const parameters = {
  root: note,
  form: oneOf(FORM_NAMES),
  /** Lowest fret of the first rung; left out, the lowest place that leads furthest. */
  fret: hidden(optional(whole(1, 24))),
  beatsEach: whole(2, 16, [2, 4, 8]),
  tempoBpm: tempo,
};
