/** The fingering shown for a pattern: custom's first that the hand can hold, else the easiest. */
import { customOf } from './custom';
import { easiestFingering, holdPoints, type HoldModel } from './hold';
import type { PreparedFingering } from './prepared';

export function shownFingering(
  model: HoldModel,
  pattern: Int8Array,
  all: readonly PreparedFingering[],
  lowestFret: number,
  parts: Float64Array,
): PreparedFingering | null {
  for (const assigned of customOf(pattern)) {
    const one = all.find((prepared) => prepared.assigned === assigned);
    if (one && holdPoints(model, one, lowestFret, parts) < Number.POSITIVE_INFINITY) return one;
  }
  return easiestFingering(model, all, lowestFret, parts);
}
