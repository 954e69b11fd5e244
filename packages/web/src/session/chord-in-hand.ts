/**
 * The chord in hand, wherever it is: a place says which it has, and one key of the house leads with it to Shapes, Changes,
 * Harmony or Drills. Back leads to where it came from, as the browser's own way does.
 */
import { approachesTo } from '@finch/core/harmony';
import { fretsText, type Frets } from '@finch/core/grips';
import { parseChord } from '@finch/core/theory';
import { onScopeDispose, shallowRef } from 'vue';
import type { RouteLocationRaw } from 'vue-router';

export interface ChordInHand {
  readonly symbol: string;
  /** The grip in hand, where there is one: `x32010`. */
  readonly frets?: string;
  /** The chord before or after it, where there is one. */
  readonly before?: string;
  readonly next?: string;
  /** The key it is in, where that is known. */
  readonly key?: string;
}

type Read = () => ChordInHand | null;
const held = shallowRef<Read | null>(null);

/** Says which chord a place has in hand, until the calling component goes. */
export function offerChord(read: Read): void {
  held.value = read;
  onScopeDispose(() => {
    if (held.value === read) held.value = null;
  });
}

export const chordInHand = (): ChordInHand | null => held.value?.() ?? null;

/** One of grips that follow each other, between its neighbours; null where there is none there. */
export function chordAmong(
  grips: readonly { readonly chord: string; readonly frets: Frets }[],
  at: number,
): ChordInHand | null {
  const [before, one, next] = [grips[at - 1], grips[at], grips[at + 1]];
  if (!one) return null;
  return {
    symbol: one.chord,
    frets: fretsText(one.frets),
    ...(before ? { before: before.chord } : {}),
    ...(next ? { next: next.chord } : {}),
  };
}

export const WAYS_FOR_A_CHORD = ['shapes', 'changes', 'harmony', 'drills'] as const;
export type ChordWay = (typeof WAYS_FOR_A_CHORD)[number];

/** Where a chord is taken: to its grips, into a change, into its key, into a drill. */
export function wayOf(way: ChordWay, { symbol, frets, before, next, key }: ChordInHand): RouteLocationRaw {
  switch (way) {
    case 'shapes':
      return { name: 'shapes', query: { chord: symbol, ...(frets ? { frets } : {}) } };
    case 'changes': {
      // Alone it makes no change: its dominant leads into it.
      const read = parseChord(symbol);
      const alone = !before && !next && read.ok ? approachesTo(read.value)[1].chords[0].symbol : before;
      return { name: 'changes', query: { chords: [alone, symbol, next].filter(Boolean).join(' | ') } };
    }
    case 'harmony':
      return {
        name: 'harmony',
        query: {
          view: 'progression',
          chords: [before, symbol, next].filter(Boolean).join(' | '),
          ...(before ? { at: '1' } : {}),
          ...(key ? { key } : {}),
        },
      };
    case 'drills':
      return { name: 'drills', query: { chord: symbol, ...(frets ? { frets } : {}) } };
  }
}
