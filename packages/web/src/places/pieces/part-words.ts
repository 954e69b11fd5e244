import type { PartKind } from '@finch/core/score';

export const PART_NAMES: Readonly<Record<PartKind, string>> = {
  full: 'Full',
  capo: 'Capo',
  'two notes': 'Two notes',
};
