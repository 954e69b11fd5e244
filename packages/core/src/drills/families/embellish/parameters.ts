/** What an embellishment may be given. */
import { LINE_STYLES } from '../../../scales/line-styles';
import { grip, oneOf, tempo, whole } from '../../parameters';

/** What the hand may use, each with all before it. */
export const TECHNIQUES = [
  'slides',
  'hammers',
  'pulls',
  'double stops',
  'muted bass',
  'trills',
  'bends',
] as const;
export type Technique = (typeof TECHNIQUES)[number];

export const parameters = {
  /** The grip that is embellished, and the one it leads to. */
  grip,
  next: grip,
  style: oneOf(LINE_STYLES),
  /** Eighths of the fill. */
  notes: whole(2, 8),
  upTo: oneOf(TECHNIQUES),
  tempoBpm: tempo,
};
