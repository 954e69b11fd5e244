/**
 * How hard a grip is to hold for a hand on an instrument: the fingering players agree on or else the easiest, its ties, the nine parts in
 * points with a reason each, and the grade 0 to 100. Model card: docs/models/effort.md.
 */
import { millionths } from '../kernel/number';
import { fail, ok, type Result } from '../kernel/result';
import type { Hand } from '../fretboard/hand';
import type { Instrument } from '../fretboard/instrument';
import { barresOf, fingerLabels, type Barre } from '../grips/barre';
import { checkFrets, type FingerLabel, type Frets } from '../grips/grip';
import { relativePattern } from '../grips/fingerings';
import { customOf } from './custom';
import { EFFORT, EFFORT_PARTS, type EffortPartName } from './constants';
import { fillFixedParts, gradeOf, holdModel, holdPoints, PART_COUNT, type HoldModel } from './hold';
import { explainPart, type Reason } from './explain';
import { preparedFingerings, type PreparedFingering } from './prepared';

export interface EffortPart {
  readonly name: EffortPartName;
  readonly points: number;
  readonly why: Reason;
}

export interface Fingering {
  readonly fingers: readonly FingerLabel[];
  readonly barres: readonly Barre[];
  readonly points: number;
  /** Whether players agree on it. */
  readonly custom: boolean;
}

export interface Effort {
  /** 0 to 100, never rounded. */
  readonly total: number;
  readonly points: number;
  /** All nine, in a fixed order; they sum to `points`. */
  readonly parts: readonly EffortPart[];
  readonly fingering: Fingering;
  /** Whether `fingering` is the one players agree on, shown to every hand that can hold it. */
  readonly custom: boolean;
  /** A fingering easier for this hand by more than half a point; null where the one graded is as easy as any. */
  readonly easier: Fingering | null;
  /** Other fingerings within half a point of it. */
  readonly ties: readonly Fingering[];
}

export interface HeldFingering {
  readonly prepared: PreparedFingering;
  readonly points: number;
  /** Whether players agree on it. */
  readonly custom: boolean;
}

export interface HeldFingerings {
  readonly lowestFret: number;
  readonly pattern: Int8Array;
  readonly held: HeldFingering[];
}

/**
 * Every fingering the hand can hold: those players agree on first, as custom has them, then the others, easiest first; equal
 * totals (in millionths) keep enumeration order.
 * `lowestFret` is the lowest fretted fret, 0 for an open grip.
 */
export function heldFingerings(frets: Frets, model: HoldModel): HeldFingerings {
  const pattern = new Int8Array(frets.length);
  const lowestFret = relativePattern(frets, pattern);
  const parts = new Float64Array(PART_COUNT);
  const held: HeldFingering[] = [];
  for (const prepared of preparedFingerings(pattern, model.hand.thumbOver)) {
    const points = holdPoints(model, prepared, lowestFret, parts);
    if (points < Number.POSITIVE_INFINITY)
      held.push({ prepared, points, custom: customOf(pattern).includes(prepared.assigned) });
  }
  const place = (one: HeldFingering) =>
    one.custom ? customOf(pattern).indexOf(one.prepared.assigned) : Number.POSITIVE_INFINITY;
  held.sort((a, b) =>
    a.custom || b.custom
      ? Number(b.custom) - Number(a.custom) || place(a) - place(b)
      : millionths(a.points) - millionths(b.points),
  );
  return { lowestFret, pattern, held };
}

/** Those worth trying where fingers are chosen together with a neighbour's: custom's alone, else all within `slack` points of the easiest. */
export function worthTrying(held: readonly HeldFingering[], slack: number): readonly HeldFingering[] {
  if (held[0]?.custom) return held.filter((one) => one.custom);
  return held.filter((one) => one.points <= held[0].points + slack);
}

/**
 * Grades a grip. Problems: those of `checkFrets`, `grip.fingers` when no fingering holds the pattern and
 * `grip.reach` when fingers would but this hand cannot span it. `pinned` chooses a fingering by its labels.
 */
export function gradeGrip(
  frets: Frets,
  hand: Hand,
  instrument: Instrument,
  options: { readonly pinned?: readonly FingerLabel[] } = {},
): Result<Effort> {
  const checked = checkFrets(frets, instrument);
  if (!checked.ok) return checked;
  const model = holdModel(hand, instrument);
  const { lowestFret, pattern, held } = heldFingerings(frets, model);
  if (held.length === 0) return unreachable(frets, hand);
  const pinned = options.pinned;
  const chosen = pinned
    ? held.find((candidate) => fingerLabels(frets, candidate.prepared).join() === pinned.join())
    : held[0];
  if (!chosen) return fail('grip.pinned', 'pinned', 'a fingering this hand can hold');
  const parts = new Float64Array(PART_COUNT);
  const points = holdPoints(model, chosen.prepared, lowestFret, parts);
  fillFixedParts(chosen.prepared, pattern, parts);
  const describe = (one: HeldFingering) => asFingering(frets, one);
  const easiest = held.reduce((least, one) => (one.points < least.points ? one : least));
  return ok({
    total: gradeOf(points),
    points,
    parts: EFFORT_PARTS.map((name, i) => ({
      name,
      points: parts[i],
      why: explainPart(name, parts[i], { model, prepared: chosen.prepared, lowestFret, frets }),
    })),
    fingering: describe(chosen),
    custom: chosen.custom,
    easier: points - easiest.points > EFFORT.tiePoints ? describe(easiest) : null,
    ties: held
      .filter((one) => one !== chosen && Math.abs(one.points - points) <= EFFORT.tiePoints)
      .map(describe),
  });
}

/** Every fingering this hand can hold a grip with, custom's first, then easiest first; empty when there is none or the grip is none. */
export function fingeringsFor(frets: Frets, hand: Hand, instrument: Instrument): Fingering[] {
  if (!checkFrets(frets, instrument).ok) return [];
  return heldFingerings(frets, holdModel(hand, instrument)).held.map((one) => asFingering(frets, one));
}

function asFingering(frets: Frets, one: HeldFingering): Fingering {
  const fingers = fingerLabels(frets, one.prepared);
  return { fingers, barres: barresOf(frets, fingers), points: one.points, custom: one.custom };
}

function unreachable(frets: Frets, hand: Hand): Result<never> {
  const fretted = frets.filter((fret): fret is number => fret !== null && fret > 0);
  const span = Math.max(...fretted) - Math.min(...fretted);
  if (span >= 4)
    return fail(
      'grip.reach',
      'frets',
      `${span + 1} frets for ${hand.reachMm ?? 140 * hand.sizeFactor} mm of reach`,
    );
  return fail('grip.fingers', 'frets', 'four fingers, or a barre over fewer strings');
}
