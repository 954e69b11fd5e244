/** What two a string may be given. */
import { note, oneOf, optional, stringNumber, tempo, text, whole } from '../../parameters';

export const QUALITIES = ['major7', 'dominant7', 'minor7', 'half-diminished', 'diminished7'] as const;

export const parameters = {
  root: note,
  quality: oneOf(QUALITIES),
  /** The string it begins on. */
  string: stringNumber,
  /** Lowest fret the first note may lie on; from 17 on the arpeggio lies twelve frets lower. */
  fromFret: optional(whole(1, 24, [1, 3, 5, 7, 9])),
  way: oneOf(['up', 'up and down']),
  /** Whether the ring finger takes a pair three frets apart, or the little one every pair. */
  fingers: oneOf(['1 4', '1 3']),
  keys: whole(1, 12, [1, 2, 3, 4, 12]),
  next: oneOf(['fourths', 'random']),
  /** Chords played over, a bar each, in place of the one chord. */
  over: optional(text('one to eight chords of four notes, like Bbm7 Eb7', 0, 80)),
  tempoBpm: tempo,
};
