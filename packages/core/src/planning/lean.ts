/**
 * Three lessons that a teacher might give the same student on the same day: one mends, one goes on, one plays. Each is what the
 * planner makes when some things are worth more and some are not asked for (our assumptions); the rest of the rules stay.
 */
import type { BlockKind, Lean } from './plan';

export interface Leaning {
  /** Worth of a kind of block, times so much. */
  readonly worth: Readonly<Partial<Record<BlockKind, number>>>;
  /** New things: as trouble allows, none, or one whatever is in trouble. */
  readonly news: 'as trouble allows' | 'none' | 'one at least';
  /** Least and most share of what is played that is music. */
  readonly music: { readonly least: number; readonly most: number };
  /** Pieces and progressions that are played already, where there are so many. */
  readonly knownMusic: number;
  /** So many of what is in trouble are mended, where there are so many. */
  readonly mended: number;
}

const MUSIC = { least: 0.15, most: 0.5 } as const;

export const LEANING: Readonly<Record<Lean, Leaning>> = {
  even: { worth: {}, news: 'as trouble allows', music: MUSIC, knownMusic: 1, mended: 0 },
  mend: { worth: { repair: 3, review: 2 }, news: 'none', music: MUSIC, knownMusic: 1, mended: 3 },
  'go on': { worth: { new: 3 }, news: 'one at least', music: MUSIC, knownMusic: 1, mended: 0 },
  play: { worth: { apply: 4 }, news: 'none', music: { least: 0.4, most: 0.8 }, knownMusic: 2, mended: 0 },
};
