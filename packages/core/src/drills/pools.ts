/** Steps of the key that are called, from the plainest pool to the widest; `V7/x` leads into 2, 4, 5 or 6. */
export const POOLS = [
  '1 4 5',
  '1 4 5 6',
  '1 2 4 5 6',
  '1 2 3 4 5 6',
  '1 2 3 4 5 6 b7',
  '1 2 3 4 5 6 7 b7',
  '1 2 3 4 5 6 7 b7 V7/x',
] as const;
export type Pool = (typeof POOLS)[number];
