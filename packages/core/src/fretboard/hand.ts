/**
 * A hand, as far as grips and changes know it. `sizeFactor` is the hand against the reference hand (.85
 * small, 1 middle, 1.12 large); `reachMm` is what the guided test measured between fingers 1 and 4 and, when
 * given, scales finger spans in the place of the factor.
 */
import { fail, ok, type Result } from '../kernel/result';

export interface Hand {
  readonly schemaVersion: 1;
  readonly sizeFactor: number;
  /** Whether the thumb may fret string 6 over the top of the neck. */
  readonly thumbOver: boolean;
  readonly reachMm?: number;
}

export const averageHand: Hand = { schemaVersion: 1, sizeFactor: 1, thumbOver: false };

/** Reaches from finger 1 to 4 that a hand may have here. */
export const REACH_MM = { least: 70, most: 180 } as const;
/** The reach of the reference hand between fingers 1 and 4. */
export const REFERENCE_REACH_MM = 140;

/** Checks a hand. Problems: `hand.size` (0.6 to 1.25), `hand.reach` (70 to 180 mm). */
export function makeHand(parts: Partial<Hand>): Result<Hand> {
  const made: Hand = { ...averageHand, ...parts };
  if (!(made.sizeFactor >= 0.6 && made.sizeFactor <= 1.25))
    return fail('hand.size', 'sizeFactor', '0.6 to 1.25');
  if (made.reachMm !== undefined && !(made.reachMm >= REACH_MM.least && made.reachMm <= REACH_MM.most)) {
    return fail('hand.reach', 'reachMm', `${REACH_MM.least} to ${REACH_MM.most} mm`);
  }
  return ok(made);
}

/** What finger spans are multiplied by. */
export function spanFactor(hand: Hand): number {
  return hand.reachMm === undefined ? hand.sizeFactor : hand.reachMm / REFERENCE_REACH_MM;
}
