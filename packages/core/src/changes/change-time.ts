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

/** One end of a change: a fingering at a place, with its points of effort. Made once, asked of thousands of times. */
export interface HeldGrip {
  readonly fingering: PreparedFingering;
  readonly lowestFret: number;
  readonly points: number;
  /** By finger 1 to 4 and the thumb as 5: the fret pressed, 0 where the finger is in the air. */
  readonly fret: Int8Array;
  /** By finger: the thickest and the thinnest string pressed, as indexes, and the middle between them. */
  readonly low: Int8Array;
  readonly high: Int8Array;
  readonly row: Float64Array;
  /** The fret under the index, or where it would be; 0 for an open grip. */
  readonly position: number;
  /** Mean row of the fingers that press; 3 where none does. */
  readonly meanRow: number;
}

export function heldGrip(fingering: PreparedFingering, lowestFret: number, points: number): HeldGrip {
  const fret = new Int8Array(6);
  const low = new Int8Array(6);
  const high = new Int8Array(6);
  const row = new Float64Array(6);
  let rows = 0;
  let count = 0;
  let position = 99;
  for (let f = 1; f <= 5; f++) {
    if (!nibble(fingering.pressed, f)) continue;
    fret[f] = lowestFret + nibble(fingering.fret, f) - 1;
    low[f] = nibble(fingering.low, f);
    high[f] = nibble(fingering.high, f);
    row[f] = (low[f] + high[f]) / 2;
    if (f === THUMB) continue;
    rows += row[f];
    count++;
    position = Math.min(position, Math.max(1, fret[f] - f + 1));
  }
  if (fret[1]) position = fret[1];
  else if (position === 99) position = fret[THUMB];
  return {
    fingering,
    lowestFret,
    points,
    fret,
    low,
    high,
    row,
    position,
    meanRow: count ? rows / count : 3,
  };
}

/** Filled by `changeSeconds`: what each finger does, its own travel, and the parts in seconds. */
export interface ChangeWork {
  readonly kind: Int8Array;
  readonly travelMm: Float64Array;
  /** What each finger's own way takes, by finger; the parts below count the slowest whole and the rest by a share. */
  readonly ownSeconds: Float64Array;
  readonly seconds: Float64Array;
  /** Signed distance the hand moves along the neck, mm. */
  shiftMm: number;
  shiftFrets: number;
}

export function changeWork(): ChangeWork {
  return {
    kind: new Int8Array(6),
    travelMm: new Float64Array(6),
    ownSeconds: new Float64Array(6),
    seconds: new Float64Array(8),
    shiftMm: 0,
    shiftFrets: 0,
  };
}

/** Length of a way in the plane; `Math.hypot` guards against overflow that millimetres never reach, at ten times the cost. */
const span = (alongMm: number, acrossMm: number): number =>
  Math.sqrt(alongMm * alongMm + acrossMm * acrossMm);

/** Index of difficulty in bits (Fitts 1954); D and W in mm. */
function bits(distanceMm: number, widthMm: number): number {
  return Math.max(0, Math.log2((2 * distanceMm) / widthMm));
}

/** Total seconds at pace 1; fills `work`. */
export function changeSeconds(model: HoldModel, from: HeldGrip, to: HeldGrip, work: ChangeWork): number {
  const { kind, travelMm, seconds } = work;
  const { pressMm, stringPitchMm, widthMm, stiffness } = model.geometry;
  const { fret: fretA, row: rowA } = from;
  const { fret: fretB, row: rowB } = to;
  kind.fill(0);
  travelMm.fill(0);
  work.ownSeconds.fill(0);
  seconds.fill(0);
  let kept = 0;
  let adjusted = 0;
  let guiding = 0;
  let moved = 0;
  let placed = 0;
  let lifted = 0;
  for (let f = 1; f <= 5; f++) {
    if (fretA[f] && fretB[f]) {
      const sameFret = fretA[f] === fretB[f];
      const sameRows = from.low[f] === to.low[f] && from.high[f] === to.high[f];
      if (sameFret && sameRows) {
        kind[f] = KEPT;
        kept++;
      } else if (sameFret && from.low[f] <= to.high[f] && to.low[f] <= from.high[f]) {
        kind[f] = ADJUSTED;
        adjusted++;
      } else if (sameRows) {
        kind[f] = GUIDING;
        guiding++;
      } else {
        kind[f] = MOVED;
        moved++;
      }
    } else if (fretB[f]) {
      kind[f] = PLACED;
      placed++;
    } else if (fretA[f]) {
      kind[f] = LIFTED;
      lifted++;
    }
  }

  const positionA = from.position || to.position;
  const positionB = to.position || from.position;
  const anchored = kept + adjusted > 0;
  const along = anchored ? 0 : pressMm[positionB] - pressMm[positionA];
  let across = 0;
  if (!anchored && guiding + moved > 0) {
    for (let f = 1; f <= 4; f++) {
      if (kind[f] !== GUIDING && kind[f] !== MOVED) continue;
      across += (rowB[f] - rowA[f]) * stringPitchMm[fretB[f]];
    }
    across /= guiding + moved;
  }
  work.shiftMm = along;
  work.shiftFrets = anchored ? 0 : positionB - positionA;
  const shiftDistance = span(along, across);
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
  const startRow = from.meanRow;
  for (let f = 1; f <= 5; f++) {
    const what = kind[f];
    if (what < GUIDING || what === LIFTED) continue;
    const fret = fretB[f];
    const row = rowB[f];
    let distance: number;
    if (what === PLACED) {
      const natural = Math.min(pressMm.length - 1, Math.max(1, positionA + (f === THUMB ? 0 : f - 1)));
      const dx = pressMm[fret] - pressMm[natural] - along;
      distance = span(dx, (row - startRow) * stringPitchMm[fret] - across) + CHANGE.hoverMm;
      travelMm[f] = distance;
    } else {
      const dx = pressMm[fret] - pressMm[fretA[f]];
      const dy = (row - rowA[f]) * stringPitchMm[fret];
      travelMm[f] = span(dx, dy);
      const rest = span(dx - along, dy - across);
      if (rest < CHANGE.freeMm) continue;
      distance = rest + (what === MOVED ? CHANGE.liftHeightMm : 0);
    }
    const width = Math.min(stringPitchMm[fret], 0.5 * widthMm[fret]);
    let time = CHANGE.moveBase + CHANGE.perBit * bits(distance, width);
    time += CHANGE.plan * (what === GUIDING ? CHANGE.guidePlan : 1) + (what === PLACED ? CHANGE.place : 0);
    work.ownSeconds[f] = time;
    sum += time;
    if (time > slowest) slowest = time;
  }
  seconds[2] = slowest + CHANGE.othersShare * (sum - slowest);

  let barre = 0;
  for (let f = 1; f <= 4; f++) {
    const before = from.high[f] > from.low[f];
    const after = to.high[f] > to.low[f];
    if (after && !(before && kind[f] === KEPT)) {
      const k = CHANGE.barre;
      const length = to.high[f] - to.low[f] + 1;
      const share = before ? (fretA[f] === fretB[f] ? k.sameFret : k.fromBarre) : 1;
      barre += k.on * (length / 6) * Math.sqrt(stiffness[fretB[f]]) * share;
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
