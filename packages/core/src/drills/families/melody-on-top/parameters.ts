/** What a melody on top may be given. */
import { key, oneOf, optional, tempo, text, whole, yesOrNo } from '../../parameters';

export const parameters = {
  key,
  /** The string the tune lies on. */
  string: oneOf([1, 2]),
  /** Notes with their octaves where it matters; left out, the scale of the key. */
  melody: optional(text('notes, like Eb4 F G', 0, 200)),
  octaves: oneOf([1, 2]),
  way: oneOf(['up', 'up and down']),
  by: oneOf(['degree', 'class', 'chord']),
  /** The chord named, or the one whose job is kept. */
  chord: optional(text('a chord, like Cmaj7', 0, 20)),
  voicings: oneOf(['plain', 'richest']),
  bass: yesOrNo,
  outside: oneOf(['pass over', 'harmonise']),
  beatsEach: whole(2, 4),
  tempoBpm: tempo,
};
