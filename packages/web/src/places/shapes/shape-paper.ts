/** A grip as a card on paper, with what this student calls it. */
import type { Hook } from '@finch/contract';
import type { PaperCard } from '@finch/core/paper';
import type { GradedGrip } from '@finch/core/shapes';
import { nameChord } from '../../words';
import { nameOfShape } from '../../words/shape-words';

export function paperCard(grip: GradedGrip, symbol: string, hook: Hook | null): PaperCard {
  const nickname = hook?.nickname ? `; “${hook.nickname}”` : '';
  return {
    frets: grip.frets,
    fingers: grip.fingers,
    degrees: grip.degrees.map((degree) => (degree === 'bass' ? null : degree)),
    notes: grip.notes,
    name: nameChord(symbol),
    under: `${nameOfShape(grip)}; effort ${Math.round(grip.effort.total)}${nickname}`,
  };
}
