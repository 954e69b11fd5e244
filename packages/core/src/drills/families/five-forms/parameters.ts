/** What five forms may be given. */
import { note, oneOf, quality, tempo, whole, yesOrNo } from '../../parameters';

export const QUALITIES = ['major', 'minor', 'dominant7', 'major7', 'minor7'];

export const parameters = {
  root: note,
  quality: quality(QUALITIES),
  order: oneOf(['up', 'up and down']),
  barsEach: whole(1, 4),
  /** How many keys, and how the next one follows. */
  keys: whole(1, 4),
  next: oneOf(['fourths', 'fifths', 'random']),
  allowOpen: yesOrNo,
  tempoBpm: tempo,
};
