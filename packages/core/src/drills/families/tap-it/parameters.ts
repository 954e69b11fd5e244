/** What tap it may be given. */
import { tempo, whole } from '../../parameters';

export const TAP_LEVELS = 5;

export const parameters = {
  /** 1 quarters and silences, 2 eighths, 3 off the beat, 4 ties, 5 sixteenths. */
  level: whole(1, TAP_LEVELS),
  /** Quarters of a bar. */
  beats: whole(2, 7),
  bars: whole(2, 16, [4, 8, 12, 16]),
  tempoBpm: tempo,
};
