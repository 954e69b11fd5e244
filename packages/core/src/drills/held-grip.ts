/** A chord alone on a grip this hand may hold. */
import { gripLimit, type DrillContext } from '../hands/taught-hand';
import { findShapes } from '../shapes/find-shapes';
import { parseChord } from '../theory/chord';
import type { NamedGrip } from './parameters';

/** The most useful grip of a chord for this hand within its limit; null where there is none or the symbol cannot be read. */
export function heldGrip(symbol: string, context: DrillContext): NamedGrip | null {
  const chord = parseChord(symbol);
  if (!chord.ok) return null;
  const { hand, instrument } = context;
  const [best] = findShapes({
    chord: chord.value,
    instrument,
    hand,
    limits: { bass: 'root', maxEffort: gripLimit(context) },
  });
  return best ? { chord: chord.value.symbol, frets: best.frets } : null;
}
