/**
 * Points of effort to hold one fingering at one place on one neck: nine parts, each in points, written into
 * a caller's array so that a search over thousands allocates nothing. The terms and their assumptions are in
 * docs/models/effort.md; the constants in `constants.ts`.
 */
import { millionths } from '../kernel/number';
import { spanFactor, type Hand } from '../fretboard/hand';
import { neckGeometry, type NeckGeometry } from '../fretboard/geometry';
import type { Instrument } from '../fretboard/instrument';
import { nibble, THUMB } from '../grips/fingerings';
import { EFFORT } from './constants';
import { fixedParts, type PreparedFingering } from './prepared';

/** What a hand on a neck needs for many calls of `holdPoints`. */
export interface HoldModel {
  readonly geometry: NeckGeometry;
  readonly hand: Hand;
  readonly capo: number;
  readonly strings: number;
  /** Indexed a * 5 + b for fingers a < b; mm for this hand. */
  readonly comfortMm: Float64Array;
  readonly maxMm: Float64Array;
  readonly barreHand: number;
  readonly thumbHand: number;
}

const known = new WeakMap<Hand, WeakMap<Instrument, HoldModel>>();

export function holdModel(hand: Hand, instrument: Instrument): HoldModel {
  let perInstrument = known.get(hand);
  if (!perInstrument) known.set(hand, (perInstrument = new WeakMap()));
  const found = perInstrument.get(instrument);
  if (found) return found;
  const span = spanFactor(hand);
  const comfortMm = new Float64Array(25);
  const maxMm = new Float64Array(25);
  for (const pair of EFFORT.spans) {
    comfortMm[pair.a * 5 + pair.b] = pair.comfortMm * span;
    maxMm[pair.a * 5 + pair.b] = pair.maxMm * span;
  }
  const made: HoldModel = {
    geometry: neckGeometry(instrument),
    hand,
    capo: instrument.capo,
    strings: instrument.openPitches.length,
    comfortMm,
    maxMm,
    barreHand: hand.sizeFactor ** EFFORT.barre.handExponent,
    thumbHand: hand.sizeFactor ** EFFORT.thumb.handExponent,
  };
  perInstrument.set(instrument, made);
  return made;
}

export const PART_COUNT = 9;
const FRETTED = new Int16Array(6);

/**
 * Total points, or Infinity where the hand cannot reach. `lowestFret` is the fret of relative fret 1. The
 * parts that depend on the place are written into `parts` (length 9, order of EFFORT_PARTS) when the result
 * is finite; `fillFixedParts` adds those that do not.
 */
export function holdPoints(
  model: HoldModel,
  f: PreparedFingering,
  lowestFret: number,
  parts: Float64Array,
): number {
  if (f.highestFret === 0) {
    parts.fill(0);
    return f.fixedPoints;
  }
  const fret = FRETTED;
  for (let i = 1; i <= 5; i++) fret[i] = nibble(f.pressed, i) ? lowestFret + nibble(f.fret, i) - 1 : 0;
  const hasThumb = nibble(f.pressed, THUMB) > 0;
  if (hasThumb && !thumbReaches(model, f, fret)) return Number.POSITIVE_INFINITY;
  const reach = reachPoints(model, f, fret, hasThumb);
  if (reach === Number.POSITIVE_INFINITY) return reach;
  const { stiffness, widthMm } = model.geometry;
  const barre = barrePoints(model, f, fret);
  let crowding = 0;
  if (f.crowdExtra) {
    const width = widthMm[lowestFret + f.crowdFret - 1];
    crowding =
      EFFORT.crowding.weight * f.crowdExtra * (EFFORT.crowding.widthMm / width) * model.hand.sizeFactor;
  }
  const wrist = wristPoints(model, f, fret, lowestFret);
  let thumb = 0;
  if (hasThumb) {
    const stiff = 1 + EFFORT.thumb.stiffness * Math.max(0, stiffness[fret[THUMB]] - 1);
    thumb = EFFORT.thumb.weight * model.thumbHand * stiff;
  }
  let press = 0;
  for (let i = 1; i <= 5; i++) {
    if (fret[i]) press += EFFORT.press.weight * stiffness[fret[i]] * (i === 4 ? EFFORT.press.little : 1);
  }
  parts[0] = reach;
  parts[1] = barre;
  parts[2] = parts[4] = parts[5] = 0;
  parts[3] = crowding;
  parts[6] = wrist;
  parts[7] = thumb;
  parts[8] = press;
  return f.fixedPoints + reach + barre + crowding + wrist + thumb + press;
}

/** Adds the structural parts to `parts` as `holdPoints` left it, so that all nine sum to the total. */
export function fillFixedParts(f: PreparedFingering, pattern: Int8Array, parts: Float64Array): void {
  const fixed = fixedParts(f, pattern);
  parts[2] += fixed.fingers;
  parts[3] += fixed.spread;
  parts[4] += fixed.mutes;
  parts[5] += fixed.arching;
}

/**
 * The easiest fingering and its points at a place, or null when the hand can hold none. Fingerings come with
 * their structural points rising, so the search ends where those alone exceed the best.
 */
export function easiestFingering(
  model: HoldModel,
  fingerings: readonly PreparedFingering[],
  lowestFret: number,
  parts: Float64Array,
): PreparedFingering | null {
  let best: PreparedFingering | null = null;
  let points = Number.POSITIVE_INFINITY;
  for (const prepared of fingerings) {
    if (prepared.fixedPoints > points) break;
    const sum = holdPoints(model, prepared, lowestFret, parts);
    if (millionths(sum) < millionths(points)) {
      points = sum;
      best = prepared;
    }
  }
  return best;
}

/** 0 to 100 from points. */
export function gradeOf(points: number): number {
  return 100 * (1 - Math.exp(-points / EFFORT.scale));
}

/** Points from a grade; the inverse of `gradeOf`. */
export function pointsOf(grade: number): number {
  return -EFFORT.scale * Math.log(1 - grade / 100);
}

function thumbReaches(model: HoldModel, f: PreparedFingering, fret: Int16Array): boolean {
  let lowest = 99;
  for (let i = 1; i <= 4; i++) if (nibble(f.pressed, i) && fret[i] < lowest) lowest = fret[i];
  if (lowest === 99) return true;
  const apart = fret[THUMB] - lowest;
  if (apart > EFFORT.thumb.above || apart < -EFFORT.thumb.below) return false;
  const mm = Math.abs(model.geometry.pressMm[fret[THUMB]] - model.geometry.pressMm[lowest]);
  return mm <= EFFORT.thumb.maxMm * model.hand.sizeFactor;
}

function reachPoints(model: HoldModel, f: PreparedFingering, fret: Int16Array, hasThumb: boolean): number {
  const { pressMm, stringPitchMm, widthMm } = model.geometry;
  const share = hasThumb ? EFFORT.thumb.reachShare : 1;
  const k = EFFORT.reach;
  let points = 0;
  let nearest = Number.POSITIVE_INFINITY;
  let farthest = 0;
  let previous = 0;
  for (let a = 1; a <= 4; a++) {
    if (!nibble(f.pressed, a)) continue;
    const at = pressMm[fret[a]];
    if (at < nearest) nearest = at;
    if (at > farthest) farthest = at;
    for (let b = a + 1; b <= 4; b++) {
      if (!nibble(f.pressed, b)) continue;
      const along = pressMm[fret[b]] - at;
      const strings =
        nibble(f.low, b) > nibble(f.high, a)
          ? nibble(f.low, b) - nibble(f.high, a)
          : nibble(f.low, a) > nibble(f.high, b)
            ? nibble(f.low, a) - nibble(f.high, b)
            : 0;
      const across = EFFORT.acrossWeight * strings * stringPitchMm[fret[b]];
      const distance = Math.sqrt(along * along + across * across);
      const most = model.maxMm[a * 5 + b] * share;
      if (distance > most) return Number.POSITIVE_INFINITY;
      const comfort = model.comfortMm[a * 5 + b] * share;
      if (distance > comfort) points += k.weight * ((distance - comfort) / (most - comfort)) ** k.exponent;
    }
    if (previous) {
      const extra = fret[a] - fret[previous] - (a - previous);
      points += extra > 0 ? (k.apart * extra * widthMm[fret[a]]) / k.apartWidthMm : -k.together * extra;
    }
    previous = a;
  }
  if (farthest > 0) points += (k.perSpan * (farthest - nearest)) / (100 * model.hand.sizeFactor);
  return points;
}

function barrePoints(model: HoldModel, f: PreparedFingering, fret: Int16Array): number {
  const k = EFFORT.barre;
  let points = 0;
  for (let i = 1; i <= 4; i++) {
    if (nibble(f.pressed, i) < 2) continue;
    const length = nibble(f.high, i) - nibble(f.low, i) + 1;
    const stiff = model.geometry.stiffness[fret[i]];
    points += k.base;
    if (i === 1) {
      const ringing = k.ringing + ((1 - k.ringing) * nibble(f.pressed, 1)) / length;
      points +=
        k.index * (length / 6) ** k.lengthExponent * stiff ** k.stiffnessExponent * ringing * model.barreHand;
    } else {
      const little = i === 4 ? k.little : 1;
      const long = (length / 2) ** k.otherLengthExponent;
      points += k.other * long * stiff ** k.otherStiffnessExponent * little * model.barreHand;
    }
    if ((f.ringsPast >> i) & 1) points += k.ringPast;
    if ((f.fingerBeyond >> i) & 1) points += k.sameFretBeyond * (i === 1 ? k.indexBeyond : 1);
  }
  return points;
}

function wristPoints(model: HoldModel, f: PreparedFingering, fret: Int16Array, lowestFret: number): number {
  const { pressMm, truePress1Mm, truePress5Mm } = model.geometry;
  const k = EFFORT.wrist;
  let nearest = Number.POSITIVE_INFINITY;
  for (let i = 1; i <= 4; i++)
    if (nibble(f.pressed, i) && pressMm[fret[i]] < nearest) nearest = pressMm[fret[i]];
  let points = 0;
  if (f.count > 0) {
    const nut = Math.max(0, 1 - (nearest - truePress1Mm) / (truePress5Mm - truePress1Mm));
    const lowness = f.lowSum / (f.count * (model.strings - 1));
    points += k.nut * nut * lowness;
  }
  let deviation = 0;
  for (let a = 1; a <= 3; a++) {
    if (nibble(f.pressed, a) !== 1) continue;
    for (let b = a + 1; b <= 4; b++) {
      if (!nibble(f.pressed, b)) continue;
      const strings = nibble(f.low, a) - nibble(f.high, b);
      if (strings <= 0) continue;
      const along = Math.max(k.leastMm, pressMm[fret[b]] - pressMm[fret[a]]);
      deviation = Math.max(deviation, ((strings / 5) * along) / 100);
    }
  }
  points += k.deviation * deviation;
  if (nibble(f.pressed, 4)) {
    const low = Math.max(0, (3 - nibble(f.low, 4)) / 3);
    const span = (pressMm[fret[4]] - nearest) / (k.littleSpanMm * model.hand.sizeFactor);
    const underBarre = nibble(f.pressed, 1) > 1 && nibble(f.low, 1) === 0 ? 0.5 : 1;
    points += k.little * low * Math.min(k.littleMost, span) * underBarre;
  }
  const trueLowest = lowestFret + model.capo;
  if (trueLowest > k.bodyFret) points += k.body * (trueLowest - k.bodyFret);
  return points;
}
