/** Which skills a part of a piece needs, read from its grips and changes. */
import type { PathOptions } from '../changes';
import { gripItem } from '../drills/grip-item';
import type { Item } from '../drills/items';
import type { Instrument } from '../fretboard/instrument';
import type { FingerLabel, Frets } from '../grips/grip';
import { partOf, type PartKind } from '../score/parts';
import { writtenChords, type Piece } from '../score/piece';
import { skillsOf } from './skills-of';
import type { Syllabus } from './skill';

/** A chord as it is gripped; null where nothing is. */
export interface Gripped {
  readonly chord: string;
  readonly grip: { readonly frets: Frets; readonly fingers: readonly FingerLabel[] } | null;
}

/** What is played of a piece, each with the index of the chord that asks for it: of a change the one it goes to. */
export function pieceItems(
  chords: readonly Gripped[],
  changes: readonly { readonly from: number; readonly to: number }[],
  instrument: Instrument,
): { readonly item: Item; readonly at: number }[] {
  const items = chords.map(({ chord, grip }) =>
    grip ? gripItem(grip.frets, grip.fingers, chord, instrument) : null,
  );
  return [
    ...items.flatMap((item, at) => (item ? [{ item, at }] : [])),
    ...changes.flatMap(({ from, to }) => {
      const [one, other] = [items[from], items[to]];
      return one && other ? [{ item: { kind: 'change', from: one, to: other } as const, at: to }] : [];
    }),
  ];
}

/** Ids of the skills that a part of a piece needs of this hand, in syllabus order; of all its notes where no such part is. */
export function pieceSkills(
  piece: Piece,
  kind: PartKind,
  options: PathOptions,
  syllabus: Pick<Syllabus, 'skills'>,
): string[] {
  const { grips, capo } = partOf(piece, kind, options) ?? partOf(piece, 'full', options);
  const chords = writtenChords(piece).map(({ chord }, i): Gripped => {
    const frets = grips[i];
    return { chord, grip: frets ? { frets, fingers: frets.map(() => null) } : null };
  });
  const changes = chords.slice(1).map((_, i) => ({ from: i, to: i + 1 }));
  const items = pieceItems(chords, changes, { ...options.instrument, capo });
  return skillsOf({ items: items.map(({ item }) => item) }, syllabus).map(({ skill }) => skill.id);
}
