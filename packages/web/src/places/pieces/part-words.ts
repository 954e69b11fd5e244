import type { PartKind } from '@finch/core/score';

export const PART_NAMES: Readonly<Record<PartKind, string>> = {
  full: 'Every chord',
  capo: 'Capo',
  'two notes': 'Two notes',
};
