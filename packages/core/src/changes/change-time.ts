/**
 * Seconds one change takes the reference hand, from one fingering to another on one neck. Fingers are kept,
 * adjusted, guiding, moved, placed or lifted; the hand may shift as a whole, and a finger's own travel is what
 * is left after that. Writes into caller's arrays; `grade-change.ts` explains.
 */
import type { HoldModel } from '../effort/hold';
import type { PreparedFingering } from '../effort/prepared';
import { nibble, THUMB } from '../grips/fingerings';
import { CHANGE } from './constants';

export const KEPT = 1;
export const ADJUSTED = 2;
export const GUIDING = 3;
const MOVED = 4;
export const PLACED = 5;
export const LIFTED = 6;

/** One end of a change: a fingering at a place, with its points of effort. */
export interface HeldGrip {
  readonly fingering: PreparedFingering;
  readonly lowestFret: number;
  readonly points: number;
}

/** Filled by `changeSeconds`: what each finger does, its own travel, and the parts in seconds. */
export interface ChangeWork {
  readonly kind: Int8Array;
  readonly travelMm: Float64Array;
  readonly seconds: Float64Array;
  /** Signed distance the hand moves along the neck, mm. */
  shiftMm: number;
  shiftFrets: number;
}

export function changeWork(): ChangeWork {
  return {
    kind: new Int8Array(6),
    travelMm: new Float64Array(6),
    seconds: new Float64Array(8),
    shiftMm: 0,
    shiftFrets: 0,
  };
}

/** Index of difficulty in bits (Fitts 1954); D and W in mm. */
function bits(distanceMm: number, widthMm: number): number {
  return Math.max(0, Math.log2((2 * distanceMm) / widthMm));
}

function fretOf(grip: HeldGrip, finger: number): number {
  return grip.lowestFret + nibble(grip.fingering.fret, finger) - 1;
}

function middleRow(f: PreparedFingering, finger: number): number {
  return (nibble(f.low, finger) + nibble(f.high, finger)) / 2;
}

/** The fret under the index, or where it would be; 0 for an open grip. */
function handPosition(grip: HeldGrip): number {
  const { pressed } = grip.fingering;
  if (nibble(pressed, 1)) return fretOf(grip, 1);
  let position = 99;
  for (let f = 2; f <= 4; f++)
    if (nibble(pressed, f)) position = Math.min(position, Math.max(1, fretOf(grip, f) - f + 1));
  if (position < 99) return position;
  return nibble(pressed, THUMB) ? fretOf(grip, THUMB) : 0;
}

/** Total seconds at pace 1; fills `work`. */
export function changeSeconds(model: HoldModel, from: HeldGrip, to: HeldGrip, work: ChangeWork): number {
  const { kind, travelMm, seconds } = work;
  const { pressMm, stringPitchMm, widthMm, stiffness } = model.geometry;
  const a = from.fingering;
  const b = to.fingering;
  kind.fill(0);
  travelMm.fill(0);
  seconds.fill(0);
  const counts = [0, 0, 0, 0, 0, 0, 0];
  for (let f = 1; f <= 5; f++) {
    const inA = nibble(a.pressed, f) > 0;
    const inB = nibble(b.pressed, f) > 0;
    if (inA && inB) {
      const sameFret = fretOf(from, f) === fretOf(to, f);
      const sameRows = nibble(a.low, f) === nibble(b.low, f) && nibble(a.high, f) === nibble(b.high, f);
      const overlap = nibble(a.low, f) <= nibble(b.high, f) && nibble(b.low, f) <= nibble(a.high, f);
      kind[f] = sameFret && sameRows ? KEPT : sameFret && overlap ? ADJUSTED : sameRows ? GUIDING : MOVED;
    } else if (inB) kind[f] = PLACED;
    else if (inA) kind[f] = LIFTED;
    counts[kind[f]]++;
  }
  const [, kept, adjusted, guiding, moved, placed, lifted] = counts;

  const positionA = handPosition(from) || handPosition(to);
  const positionB = handPosition(to) || handPosition(from);
  const anchored = kept + adjusted > 0;
  const along = anchored ? 0 : pressMm[positionB] - pressMm[positionA];
  let across = 0;
  if (!anchored && guiding + moved > 0) {
    for (let f = 1; f <= 4; f++) {
      if (kind[f] !== GUIDING && kind[f] !== MOVED) continue;
      across += (middleRow(b, f) - middleRow(a, f)) * stringPitchMm[fretOf(to, f)];
    }
    across /= guiding + moved;
  }
  work.shiftMm = along;
  work.shiftFrets = anchored ? 0 : positionB - positionA;
  const shiftDistance = Math.hypot(along, across);
  const shifts = shiftDistance > CHANGE.shift.leastMm;
  if (shifts) {
    const k = CHANGE.shift;
    const width = Math.min(k.widthMm, 0.5 * widthMm[Math.max(1, positionB)]);
    let shift = CHANGE.moveBase + CHANGE.perBit * bits(shiftDistance, width);
    if (Math.abs(along) > k.planMm) shift += k.plan;
    shift += (k.far * Math.max(0, Math.abs(along) - k.farMm)) / 100;
    seconds[1] = guiding > 0 ? shift * k.guide : shift;
  }

  let slowest = 0;
  let sum = 0;
  const startRow = meanRow(a);
  for (let f = 1; f <= 5; f++) {
    const what = kind[f];
    if (what < GUIDING || what === LIFTED) continue;
    const fret = fretOf(to, f);
    const row = middleRow(b, f);
    let distance: number;
    if (what === PLACED) {
      const natural = Math.min(pressMm.length - 1, Math.max(1, positionA + (f === THUMB ? 0 : f - 1)));
      const dx = pressMm[fret] - pressMm[natural] - along;
      distance = Math.hypot(dx, (row - startRow) * stringPitchMm[fret] - across) + CHANGE.hoverMm;
      travelMm[f] = distance;
    } else {
      const dx = pressMm[fret] - pressMm[fretOf(from, f)];
      const dy = (row - middleRow(a, f)) * stringPitchMm[fret];
      travelMm[f] = Math.hypot(dx, dy);
      const rest = Math.hypot(dx - along, dy - across);
      if (rest < CHANGE.freeMm) continue;
      distance = rest + (what === MOVED ? CHANGE.liftHeightMm : 0);
    }
    const width = Math.min(stringPitchMm[fret], 0.5 * widthMm[fret]);
    let time = CHANGE.moveBase + CHANGE.perBit * bits(distance, width);
    time += CHANGE.plan * (what === GUIDING ? CHANGE.guidePlan : 1) + (what === PLACED ? CHANGE.place : 0);
    sum += time;
    if (time > slowest) slowest = time;
  }
  seconds[2] = slowest + CHANGE.othersShare * (sum - slowest);

  let barre = 0;
  for (let f = 1; f <= 4; f++) {
    const before = nibble(a.pressed, f) > 1;
    const after = nibble(b.pressed, f) > 1;
    if (after && !(before && kind[f] === KEPT)) {
      const k = CHANGE.barre;
      const length = nibble(b.high, f) - nibble(b.low, f) + 1;
      const share = before ? (fretOf(from, f) === fretOf(to, f) ? k.sameFret : k.fromBarre) : 1;
      barre += k.on * (length / 6) * Math.sqrt(stiffness[fretOf(to, f)]) * share;
    } else if (before && !after) barre += CHANGE.barre.off;
  }
  const changing = moved + placed + guiding + adjusted + lifted > 0;
  seconds[0] = CHANGE.start * (changing ? 1 : CHANGE.startUnmoved);
  seconds[3] = CHANGE.adjust * adjusted;
  seconds[4] = lifted > 0 ? CHANGE.liftOff * (1 + CHANGE.liftOffMore * (lifted - 1)) : 0;
  seconds[5] = barre;
  const landing = sum > 0;
  seconds[6] = landing ? -CHANGE.keep * Math.min(CHANGE.keepMost, kept) : 0;
  const settles = landing || adjusted > 0 || shifts;
  seconds[7] = ((CHANGE.settle * to.points) / 60) * (settles ? 1 : CHANGE.settleUnplaced);
  let total = 0;
  for (let i = 0; i < seconds.length; i++) total += seconds[i];
  return total;
}

function meanRow(f: PreparedFingering): number {
  let sum = 0;
  let count = 0;
  for (let finger = 1; finger <= 4; finger++) {
    if (!nibble(f.pressed, finger)) continue;
    sum += middleRow(f, finger);
    count++;
  }
  return count ? sum / count : 3;
}
