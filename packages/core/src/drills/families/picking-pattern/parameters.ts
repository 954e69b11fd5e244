/** What picking pattern may be given. */
import { grip, list, oneOf, tempo, text, whole } from '../../parameters';

/** Patterns that are usual to begin with. */
const USUAL = ['p i m a', 'p i m i', 'p i p m', 'p m i a', 'p i m a m i', 'p a m i', 'p im p im', 'p - im -'];

export const parameters = {
  grips: list(grip, 1, 4),
  /** Steps as `readPattern` reads them: `p i m a`, fingers together `pm`, `-` and `.`. */
  pattern: text('a pattern, like p i m a', 1, 160, USUAL),
  /** Steps to a beat. */
  perBeat: whole(1, 4),
  /** Quarters of a bar. */
  beats: whole(2, 7),
  barsEach: whole(1, 4),
  /** The thumb stays on the lowest string, or goes between it and another. */
  bass: oneOf(['root', 'alternating']),
  striker: oneOf(['fingers', 'plectrum']),
  tempoBpm: tempo,
};
