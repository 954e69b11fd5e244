/**
 * What a drill comes to for the nearest of a few hands. Making a drill searches grips, for tenths of a second where it
 * harmonises: it is made once for all students whose hands lie near each other, and how hard it is is asked of the student's own.
 */
import { barreShare } from '../drills/drill';
import type { Item } from '../drills/items';
import { makeDrill } from '../drills/make-drill';
import type { Recipe } from '../drills/recipe';
import { makeHand, spanFactor, type Hand } from '../fretboard/hand';
import type { Instrument } from '../fretboard/instrument';
import { DEFAULT_LIMITS, type HandLimits } from '../hands/limits';
import { clamp } from '../kernel/number';
import { must } from '../kernel/result';

export interface DrillSketch {
  readonly items: readonly Item[];
  readonly heaviestGrip: number;
  /** Share of its minutes in which a barre is pressed. */
  readonly barreShare: number;
}

/** Hands a tenth of the reference apart and necks 25 mm apart are taken for one when a drill chooses its grips (assumed). */
const NEAR = { size: 10, scaleMm: 25, gripEffort: 4 } as const;

const nearHand = (hand: Hand): Hand =>
  must(
    makeHand({
      sizeFactor: clamp(Math.round(spanFactor(hand) * NEAR.size) / NEAR.size, 0.6, 1.2),
      thumbOver: hand.thumbOver,
    }),
  );

const nearInstrument = ({ openPitches, scaleLengthMm, frets, capo }: Instrument): Instrument => ({
  schemaVersion: 1,
  openPitches,
  scaleLengthMm: Math.round(scaleLengthMm / NEAR.scaleMm) * NEAR.scaleMm,
  frets,
  capo,
  leftHanded: false,
});

const nearLimits = (gripEffort: number): HandLimits => ({
  ...DEFAULT_LIMITS,
  gripEffort: Math.ceil(gripEffort / NEAR.gripEffort) * NEAR.gripEffort,
});

/** What is kept is small: a few hands by the drills there are. */
const made = new Map<string, DrillSketch | null>();
const MOST_MADE = 20_000;

/** Null where such a hand cannot play it. @param of with a limit of grips, drills look for lighter ones */
export function sketchOf(
  recipe: Recipe,
  of: { readonly hand: Hand; readonly instrument: Instrument; readonly gripEffort?: number },
): DrillSketch | null {
  const near = {
    hand: nearHand(of.hand),
    instrument: nearInstrument(of.instrument),
    ...(of.gripEffort === undefined ? {} : { limits: nearLimits(of.gripEffort) }),
  };
  const key = JSON.stringify([recipe, near]);
  let sketch = made.get(key);
  if (sketch === undefined) {
    const drill = makeDrill(recipe, near);
    sketch = drill.ok
      ? {
          items: drill.value.items,
          heaviestGrip: drill.value.heaviestGrip,
          barreShare: barreShare(drill.value),
        }
      : null;
    if (made.size >= MOST_MADE) made.clear();
    made.set(key, sketch);
  }
  return sketch;
}
