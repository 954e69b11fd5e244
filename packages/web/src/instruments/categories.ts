/** Which texture stands for what, everywhere. */
import type { EffortPartName } from '@finch/core/effort';
import type { BlockKind } from '@finch/core/planning';

export const CATEGORY: Readonly<Record<BlockKind, number>> = {
  'warm up': 6,
  review: 1,
  repair: 1,
  new: 3,
  rest: 4,
  apply: 2,
  'take home': 5,
};

export const PART_CATEGORY: Readonly<Record<EffortPartName, number>> = {
  reach: 1,
  barre: 2,
  fingers: 3,
  crowding: 6,
  mutes: 4,
  arching: 4,
  wrist: 6,
  thumb: 5,
  press: 5,
};
