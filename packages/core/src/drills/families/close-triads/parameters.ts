/** What close triads may be given. */
import {
  hidden,
  list,
  note,
  oneOf,
  optional,
  progression,
  stringNumber,
  tempo,
  three,
  whole,
} from '../../parameters';

export const parameters = {
  root: note,
  /** Three neighbouring string numbers, thick to thin. */
  strings: three(stringNumber),
  qualities: list(oneOf(['major', 'minor', 'diminished', 'augmented']), 1, 4),
  /** Played after the inversions, each chord in the inversion nearest to the last. */
  progression: optional(progression(16)),
  beatsEach: hidden(whole(2, 8)),
  tempoBpm: tempo,
};
