/** What strum reading may be given. */
import { grip, list, tempo, whole } from '../../parameters';

export const STRUM_LEVELS = 6;

export const parameters = {
  /** One to four grips, a bar each, round and round. */
  grips: list(grip, 1, 4),
  /** 1 quarters and silences, 2 eighths, 3 off the beat, 4 ties and accents, 5 chops and mutes, 6 sixteenths. */
  level: whole(1, STRUM_LEVELS),
  /** Quarters of a bar. */
  beats: whole(2, 7),
  bars: whole(2, 16, [4, 8, 12, 16]),
  tempoBpm: tempo,
};
