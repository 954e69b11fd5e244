/** A path on paper: its grips as cards in order, each with the change that leaves it. */
import type { Path } from '@finch/core/changes';
import type { PaperCard } from '@finch/core/paper';
import type { PaperJob } from '../../paper/paper-files';
import { fretsMoved, nameChord } from '../../words';

const MOST_CARDS = 120;

/**
 * @param where where each chord stands, by step: "bar 6"
 * @returns null where nothing is gripped
 */
export function pathJob(
  path: Path,
  where: readonly string[],
  given: { readonly title: string; readonly who: string; readonly leftHanded: boolean },
): PaperJob | null {
  const cards = path.steps.flatMap(({ grip, chord }, i): PaperCard[] => {
    if (!grip) return [];
    const next = path.changes[i];
    const leaves = next
      ? `; on at ${Math.round(next.tempoBpm)} bpm, ${next.shiftFrets ? fretsMoved(next.shiftFrets) : 'no shift'}`
      : '';
    const { frets, fingers, degrees, notes } = grip;
    return [{ frets, fingers, degrees, notes, name: nameChord(chord.symbol), under: `${where[i]}${leaves}` }];
  });
  if (cards.length === 0) return null;
  const tempo =
    path.tempoBpm === null ? '' : `, all changes nine of ten clean at ${Math.round(path.tempoBpm)} bpm`;
  return {
    layout: 'page',
    title: given.title || 'A path along the neck',
    foot: `${cards.length} chords for ${given.who}${tempo}`,
    show: 'fingers',
    leftHanded: given.leftHanded,
    cards: cards.slice(0, MOST_CARDS),
  };
}
