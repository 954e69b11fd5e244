/** What a colour swap may be given. */
import { key, tempo, text, whole, yesOrNo } from '../../parameters';

/** Levels of colours, each with its class beside those before it. */
export const LEVELS = 6;

export const parameters = {
  key,
  numerals: text('one to sixteen numbers of the key, like ii7 V7 I', 1, 160, [
    'I vi IV V',
    'ii7 V7 Imaj7',
    'I IV V I',
    'I V vi IV',
  ]),
  /** Bars that are swapped. */
  swaps: whole(1, 4),
  level: whole(1, LEVELS),
  /** The highest note of a swapped bar stays what it was. */
  keepTop: yesOrNo,
  tempoBpm: tempo,
};
