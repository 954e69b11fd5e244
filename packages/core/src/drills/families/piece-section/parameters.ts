/** What piece section may be given. */
import { fretsOrNone, hidden, list, oneOf, tempo, text, whole } from '../../parameters';

/** A recipe goes into an address, and a server takes about 16 kB of one. */
export const SECTION_LIMITS = { bars: 32, chords: 96, characters: 4000 } as const;
export const SECTION_PARTS = ['as written', 'one stroke', 'melody', 'sung'] as const;

export const parameters = {
  pieceId: hidden(text('a piece', 0, 40)),
  title: hidden(text('a title', 0, 120)),
  /** Bar numbers on the chart of the piece. */
  fromBar: hidden(whole(1, 10_000)),
  toBar: hidden(whole(1, 10_000)),
  /** Those bars as a chart of their own, so that the drill stays what it was when the piece changes. */
  chart: hidden(text('bars as a chart', 1, SECTION_LIMITS.characters)),
  /** For every chord of that chart; null where nothing is gripped. */
  grips: list(fretsOrNone, 0, SECTION_LIMITS.chords),
  part: oneOf(SECTION_PARTS),
  tempoBpm: tempo,
};
