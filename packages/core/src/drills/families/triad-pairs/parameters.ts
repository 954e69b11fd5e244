/** What triad pairs may be given. */
import { stringNumber, note, oneOf, tempo, three, whole, yesOrNo } from '../../parameters';

export const parameters = {
  root: note,
  pair: oneOf(['stacked', 'side by side']),
  /** What they sound as over the root. */
  sound: oneOf(['maj7', '7', 'm7', 'm7b5', '9', '7sus4', '7alt']),
  /** Three neighbouring string numbers, thick to thin. */
  strings: three(stringNumber),
  played: oneOf(['stabs', 'lines']),
  /** Roots it is heard against, one after the other. */
  roots: whole(1, 3),
  /** Root and fifth under it. */
  drone: yesOrNo,
  tempoBpm: tempo,
};
