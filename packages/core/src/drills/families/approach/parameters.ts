/** What an approach may be given. */
import { chord, oneOf, tempo, text, whole } from '../../parameters';

/** From the plainest to the furthest. */
export const WAYS = ['dominant', 'dim7', 'two-five', 'tritone', 'same shape'] as const;

export const parameters = {
  home: chord,
  /** Chords led into, one after the other. */
  targets: text('one to four chords, like Am7 Dm7', 1, 40),
  by: oneOf(WAYS),
  /** Beats of the approach before the bar line. */
  beats: whole(1, 4),
  tempoBpm: tempo,
};
