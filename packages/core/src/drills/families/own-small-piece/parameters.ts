/** What an own small piece may be given. */
import { PIECE_LENGTHS, STRUM_WAYS } from '../../../score/piece-asked';
import { chord, grip, key, list, oneOf, optional, tempo, yesOrNo } from '../../parameters';

export const METRES = ['4/4', '3/4', '6/8'] as const;
const PLAYED = ['chords', 'melody'] as const;

export const parameters = {
  key,
  bars: oneOf(PIECE_LENGTHS),
  metre: oneOf(METRES),
  /** What the student holds: nothing else is used but the new chord. */
  grips: list(grip, 1, 12),
  /** One chord that is new. */
  fresh: optional(chord),
  /** Bars it comes in. */
  uses: oneOf([2, 3, 4]),
  /** A tune is heard over the chords. */
  melody: yesOrNo,
  strum: oneOf(STRUM_WAYS),
  /** What is played by the student. */
  play: oneOf(PLAYED),
  tempoBpm: tempo,
};
