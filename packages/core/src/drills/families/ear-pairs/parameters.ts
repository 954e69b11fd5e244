/** What ear pairs may be given. */
import { note, oneOf, whole, yesOrNo } from '../../parameters';

export const HEARD_KINDS = [
  'triads',
  'sevenths',
  'sus or third',
  'colours on top',
  'inversions',
  'degrees over a drone',
  'cadences',
  'progressions',
] as const;
export type HeardKind = (typeof HEARD_KINDS)[number];

export const parameters = {
  what: oneOf(HEARD_KINDS),
  /** How many there are to choose from. */
  choices: oneOf([2, 3, 5]),
  count: whole(10, 40, [10, 20, 30, 40]),
  /** How often each may be heard before it is answered. */
  hearings: whole(1, 3),
  root: note,
  /** Every one on another root. */
  roving: yesOrNo,
  sounded: oneOf(['one by one', 'together']),
};
