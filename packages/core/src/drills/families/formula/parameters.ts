/** What formula may be given. */
import { ONE_NOTE_TARGETS } from '../../../shapes/one-note-targets';
import { grip, list, quality, seconds } from '../../parameters';

export const parameters = {
  grip,
  /** Quality ids to turn the chord into. */
  targets: list(quality(ONE_NOTE_TARGETS), 1, 32),
  secondsPerCall: seconds,
};
