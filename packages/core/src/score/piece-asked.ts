/** What a small piece may be asked for, apart from what makes it: a page that only offers it does not load the rules. */
export const PIECE_LENGTHS = [8, 12, 16] as const;
/** How much the striking hand has to do. */
export const STRUM_WAYS = ['one stroke', 'every beat', 'moving'] as const;
export type StrumWay = (typeof STRUM_WAYS)[number];
