/**
 * Easier stand-ins for a grip: the same chord with something given up, and what that is. Every one is playable,
 * graded for the same hand, and clearly easier, or it is no relief.
 */
import type { Chord } from '../theory/chord';
import type { Degree } from '../theory/degree';
import type { Hand } from '../fretboard/hand';
import type { Instrument } from '../fretboard/instrument';
import { findShapes } from './find-shapes';
import { gradedAs } from './forms';
import type { GradedGrip } from './graded-grip';
import { lowestFretted, soundingCount } from './limits';

export type StandInKind =
  | 'fewer strings'
  | 'inner four'
  | 'no barre'
  | 'thumb bass'
  | 'no root'
  | 'elsewhere'
  | 'capo'
  | 'fewer fingers';

export interface StandIn {
  readonly kind: StandInKind;
  readonly grip: GradedGrip;
  /** String numbers that sounded and no longer do. */
  readonly silenced: readonly number[];
  /** How far the lowest fretted fret moves; positive toward the body. */
  readonly fretsMoved: number;
  /** Chord tones that sounded and no longer do. */
  readonly given: readonly Degree[];
  /** Fret of a capo this stand-in needs, 0 for none; frets of its grip count from there. */
  readonly capo: number;
}

interface Context {
  readonly chord: Chord;
  readonly hand: Hand;
  readonly instrument: Instrument;
}

/** At least this many grade points easier, or it is no relief. */
const LEAST_RELIEF = 4;
/** A capo higher than this leaves too little neck. */
const HIGHEST_CAPO = 7;

/** The most useful stand-in of each kind, easiest first. Empty when nothing is clearly easier. */
export function easierStandIns(grip: GradedGrip, context: Context): StandIn[] {
  const { hand, instrument, chord } = context;
  const all = findShapes({ ...context, limits: { bass: 'any', allowRootless: true, maxFret: 15 } });
  const eases = (other: GradedGrip) => other.effort.total <= grip.effort.total - LEAST_RELIEF;
  const easier = all.filter(eases);
  const position = lowestFretted(grip.frets);
  const near = (other: GradedGrip) => Math.abs(lowestFretted(other.frets) - position) <= 1;
  const within = (other: GradedGrip) =>
    other.frets.every((fret, s) => fret === null || fret === grip.frets[s]);
  const rooted = (other: GradedGrip) => other.rootString !== null;
  const sameTones = (other: GradedGrip) => other.omitted.length <= grip.omitted.length;
  const found: StandIn[] = [];
  const offer = (kind: StandInKind, other: GradedGrip | null | undefined, capo = 0) => {
    if (other) found.push(describe(kind, other, grip, capo));
  };
  offer(
    'fewer strings',
    easier.find((other) => within(other) && rooted(other)),
  );
  offer('inner four', innerFour(grip, easier, near));
  if (grip.barre)
    offer(
      'no barre',
      easier.find((other) => other.barre === null && near(other) && rooted(other)),
    );
  if (!hand.thumbOver && grip.frets[0] !== null && grip.frets[0] > 0) {
    const thumbed = gradedAs(grip.frets, chord, { hand: { ...hand, thumbOver: true }, instrument });
    if (thumbed && eases(thumbed) && thumbed.fingers[0] === 'T') offer('thumb bass', thumbed);
  }
  offer(
    'no root',
    easier.find((other) => !rooted(other) && near(other)),
  );
  offer(
    'elsewhere',
    easier.find((other) => !near(other) && other.inversion === '1' && sameTones(other)),
  );
  const capo = withCapo(context, eases);
  if (capo) offer('capo', capo.grip, capo.fret);
  const fingers = fingersUsed(grip);
  offer(
    'fewer fingers',
    easier.find(
      (other) => fingersUsed(other) === fingers - 1 && near(other) && other.inversion === grip.inversion,
    ),
  );
  const seen = new Set<string>();
  return found
    .filter((one) => {
      const key = `${one.capo} ${one.grip.frets.join()} ${one.grip.fingers.join()}`;
      return !seen.has(key) && seen.add(key);
    })
    .sort((a, b) => a.grip.effort.points - b.grip.effort.points);
}

/** Strings 5 to 2 alone, on instruments with six. */
function innerFour(
  grip: GradedGrip,
  easier: readonly GradedGrip[],
  near: (other: GradedGrip) => boolean,
): GradedGrip | undefined {
  if (grip.frets.length !== 6) return undefined;
  return easier.find(
    (other) =>
      near(other) &&
      other.frets[0] === null &&
      other.frets[5] === null &&
      soundingCount(other.frets) === 4 &&
      other.rootString !== null,
  );
}

/** The easiest open grip everyone knows that sounds this chord over a capo, the lowest capo first. */
function withCapo(
  { chord, hand, instrument }: Context,
  eases: (grip: GradedGrip) => boolean,
): { readonly grip: GradedGrip; readonly fret: number } | null {
  for (let fret = 1; fret <= HIGHEST_CAPO; fret++) {
    const capo = instrument.capo + fret;
    if (capo > 11) return null;
    const grips = findShapes({ chord, hand, instrument: { ...instrument, capo }, limits: { maxFret: 4 } });
    const grip = grips.find((other) => other.layout === 'open' && eases(other));
    if (grip) return { grip, fret };
  }
  return null;
}

function fingersUsed(grip: GradedGrip): number {
  return new Set(grip.fingers.filter((finger) => finger !== null && finger !== 0)).size;
}

function describe(kind: StandInKind, grip: GradedGrip, from: GradedGrip, capo: number): StandIn {
  const strings = from.frets.length;
  const silenced = from.frets.flatMap((fret, s) =>
    fret !== null && grip.frets[s] === null ? [strings - s] : [],
  );
  const given = [...new Set(from.degrees.flatMap((degree) => degree ?? []))].filter(
    (degree) => !grip.degrees.includes(degree),
  );
  const fretsMoved = capo ? 0 : lowestFretted(grip.frets) - lowestFretted(from.frets);
  return { kind, grip, silenced, fretsMoved, given, capo };
}
