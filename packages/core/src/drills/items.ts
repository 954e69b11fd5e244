/**
 * What a take was about: a closed union of core types. Attempts hold items, never skills; which skills an
 * item exercises is worked out at replay, so that a later syllabus reads old takes anew.
 */
import type { FingerLabel, Frets } from '../grips/grip';

export interface GripItem {
  readonly kind: 'grip';
  readonly frets: Frets;
  readonly fingers: readonly FingerLabel[];
  /** Sounding MIDI pitch of the open strings, thickest first. */
  readonly tuning: readonly number[];
  readonly capo: number;
  /** ASCII chord symbol. */
  readonly chord: string;
}

export type Item =
  | GripItem
  | {
      readonly kind: 'change';
      readonly from: GripItem;
      readonly to: GripItem;
      /** Beats the music leaves for it; one where left out. */
      readonly gapBeats?: number;
    }
  | { readonly kind: 'note'; readonly string: number; readonly fret: number; readonly name: string }
  | { readonly kind: 'interval'; readonly root: string; readonly degree: string }
  | { readonly kind: 'key'; readonly key: string }
  | { readonly kind: 'progression'; readonly key: string; readonly numerals: readonly string[] }
  | {
      readonly kind: 'line';
      readonly notes: readonly { readonly string: number; readonly fret: number; readonly finger: number }[];
    }
  | { readonly kind: 'strum'; readonly pattern: string }
  | { readonly kind: 'section'; readonly pieceId: string; readonly fromBar: number; readonly toBar: number };

/** A text that is equal for equal items; the fingering of a grip is not part of it. */
export function itemKey(item: Item): string {
  switch (item.kind) {
    case 'grip':
      return `grip ${item.chord} ${item.frets.map((fret) => fret ?? 'x').join('-')} c${item.capo}`;
    case 'change':
      return `change ${itemKey(item.from)} > ${itemKey(item.to)}`;
    case 'note':
      return `note ${item.string} ${item.fret}`;
    case 'interval':
      return `interval ${item.root} ${item.degree}`;
    case 'key':
      return `key ${item.key}`;
    case 'progression':
      return `progression ${item.numerals.join('-')} in ${item.key}`;
    case 'line':
      return `line ${item.notes.map((note) => `${note.string}:${note.fret}`).join(' ')}`;
    case 'strum':
      return `strum ${item.pattern}`;
    case 'section':
      return `section ${item.pieceId} ${item.fromBar}-${item.toBar}`;
  }
}
