/**
 * Easier stand-ins for a grip: the same chord with something given up, and what that is. Drawn from the same
 * search, so every one is playable and graded for the same hand.
 */
import type { Chord } from '../theory/chord';
import type { Hand } from '../fretboard/hand';
import type { Instrument } from '../fretboard/instrument';
import type { Frets } from '../grips/grip';
import { findShapes } from './find-shapes';
import type { GradedGrip } from './graded-grip';

export type StandInKind = 'fewer strings' | 'no barre' | 'elsewhere' | 'no root';

export interface StandIn {
  readonly kind: StandInKind;
  readonly grip: GradedGrip;
  /** String numbers that sounded and no longer do. */
  readonly silenced: readonly number[];
  /** How far the lowest fretted fret moves; positive toward the body. */
  readonly fretsMoved: number;
}

/** At least this many grade points easier, or it is no relief. */
const LEAST_RELIEF = 4;

/** The easiest sensible stand-in of each kind, easiest first. Empty when nothing is clearly easier. */
export function easierStandIns(
  grip: GradedGrip,
  context: { readonly chord: Chord; readonly hand: Hand; readonly instrument: Instrument },
): StandIn[] {
  const any = findShapes({ ...context, limits: { bass: 'any', allowRootless: true, maxFret: 15 } });
  const easier = any.filter((other) => other.effort.total <= grip.effort.total - LEAST_RELIEF);
  const position = lowestFret(grip.frets);
  const near = (other: GradedGrip) => Math.abs(lowestFret(other.frets) - position) <= 1;
  const within = (other: GradedGrip) =>
    other.frets.every((fret, s) => fret === null || fret === grip.frets[s]) && other.rootString !== null;
  const sameTones = (other: GradedGrip) => other.omitted.length <= grip.omitted.length;
  const choose = (kind: StandInKind, fits: (other: GradedGrip) => boolean): StandIn[] => {
    const found = easier.find(fits);
    return found ? [describe(kind, found, grip, position)] : [];
  };
  const all = [
    ...choose('fewer strings', (other) => within(other) && soundingCount(other.frets) >= 3),
    ...choose(
      'no barre',
      (other) => grip.barre !== null && other.barre === null && near(other) && other.rootString !== null,
    ),
    ...choose('elsewhere', (other) => !near(other) && other.inversion === '1' && sameTones(other)),
    ...choose('no root', (other) => other.rootString === null && near(other)),
  ];
  const seen = new Set<string>();
  const distinct = all.filter((one) => !seen.has(one.grip.frets.join()) && seen.add(one.grip.frets.join()));
  return distinct.sort((a, b) => a.grip.effort.points - b.grip.effort.points);
}

function describe(kind: StandInKind, grip: GradedGrip, from: GradedGrip, position: number): StandIn {
  const strings = from.frets.length;
  const silenced = from.frets.flatMap((fret, s) =>
    fret !== null && grip.frets[s] === null ? [strings - s] : [],
  );
  return { kind, grip, silenced, fretsMoved: lowestFret(grip.frets) - position };
}

function lowestFret(frets: Frets): number {
  const fretted = frets.filter((fret): fret is number => fret !== null && fret > 0);
  return fretted.length ? Math.min(...fretted) : 0;
}

function soundingCount(frets: Frets): number {
  return frets.filter((fret) => fret !== null).length;
}
