/**
 * The share of a fingering's effort that follows from its pattern alone (which fingers, mutes, arching,
 * splits), worked out once per pattern and kept. What depends on millimetres is in `hold.ts`.
 */
import { assignedTo, fingeringsOf, nibble, THUMB, type FingeringStructure } from '../grips/fingerings';
import { millionths } from '../kernel/number';
import { EFFORT } from './constants';
import { customOf } from './custom';

export interface PreparedFingering extends FingeringStructure {
  /** Sum of `fixedParts`; nothing about the place on the neck can lower a fingering below it. */
  readonly fixedPoints: number;
  /** Relative fret in which `crowdExtra` more than two single fingers stand; 0 when none. */
  readonly crowdFret: number;
  readonly crowdExtra: number;
  /** Bit per finger: a thinner string must ring open or lower past its barre; another finger stands beyond it. */
  readonly ringsPast: number;
  readonly fingerBeyond: number;
  /** Sum over fingers of how far their string is from string 1, and how many fingers 1 to 4 are in use. */
  readonly lowSum: number;
  readonly count: number;
  readonly highestFret: number;
}

export interface FixedParts {
  readonly fingers: number;
  /** Crowding by a split fret and by spread tips; the narrow-fret share needs millimetres. */
  readonly spread: number;
  readonly mutes: number;
  readonly arching: number;
}

const cache = new WeakMap<readonly FingeringStructure[], readonly PreparedFingering[]>();

/** Every fingering of a relative pattern with its structural points, least of those first. */
export function preparedFingerings(pattern: Int8Array, thumbOver: boolean): readonly PreparedFingering[] {
  const structures = fingeringsOf(pattern, thumbOver);
  const found = cache.get(structures);
  if (found) return found;
  const agreed = customOf(pattern).flatMap((assigned) => {
    if (structures.some((one) => one.assigned === assigned)) return [];
    // The rules let fingers of one fret change places on neighbouring strings only; custom reaches further for a bass.
    const structure = assignedTo(assigned, pattern);
    return nibble(structure.pressed, THUMB) && !thumbOver ? [] : [structure];
  });
  const made = [...structures, ...agreed].map((structure) => prepare(structure, pattern));
  made.sort((a, b) => millionths(a.fixedPoints) - millionths(b.fixedPoints));
  cache.set(structures, made);
  return made;
}

function prepare(structure: FingeringStructure, pattern: Int8Array): PreparedFingering {
  const used = usedFingers(structure);
  const all = nibble(structure.pressed, THUMB) ? [...used, THUMB] : used;
  const crowd = crowdedFret(structure);
  const fixed = fixedParts(structure, pattern);
  let ringing = 0;
  let beyond = 0;
  for (const f of used) {
    if (ringsPast(structure, pattern, f)) ringing |= 1 << f;
    if (fingerBeyond(structure, pattern, f)) beyond |= 1 << f;
  }
  return {
    assigned: structure.assigned,
    fret: structure.fret,
    low: structure.low,
    high: structure.high,
    pressed: structure.pressed,
    swapped: structure.swapped,
    fixedPoints: fixed.fingers + fixed.spread + fixed.mutes + fixed.arching,
    crowdFret: crowd.fret,
    crowdExtra: crowd.extra,
    ringsPast: ringing,
    fingerBeyond: beyond,
    lowSum: used.reduce((sum, f) => sum + pattern.length - 1 - nibble(structure.low, f), 0),
    count: used.length,
    highestFret: all.reduce((most, f) => Math.max(most, nibble(structure.fret, f)), 0),
  };
}

/** The parts that follow from the pattern alone, in points. */
export function fixedParts(structure: FingeringStructure, pattern: Int8Array): FixedParts {
  const used = usedFingers(structure);
  return {
    fingers: fingersPoints(structure, used),
    spread: splitPoints(structure, pattern) + splayPoints(structure, used),
    mutes: mutesPoints(structure, pattern),
    arching: archingPoints(structure, pattern),
  };
}

/** Fingers 1 to 4 that press something. */
export function usedFingers(structure: FingeringStructure): number[] {
  return [1, 2, 3, 4].filter((finger) => nibble(structure.pressed, finger) > 0);
}

function fingersPoints(structure: FingeringStructure, used: readonly number[]): number {
  const k = EFFORT.fingers;
  let points: number = k.count[used.length] + (structure.swapped ? k.swapped : 0);
  if (nibble(structure.pressed, 4)) points += k.little;
  if (nibble(structure.pressed, 3) && nibble(structure.pressed, 4)) {
    const apart =
      Math.abs(nibble(structure.low, 4) - nibble(structure.high, 3)) +
      (nibble(structure.fret, 4) !== nibble(structure.fret, 3) ? 1 : 0);
    points += k.ringWithLittle * (0.5 + (0.5 * Math.min(3, apart)) / 2);
  }
  if (nibble(structure.pressed, 3) && !nibble(structure.pressed, 2)) points += k.noNeighbour;
  if (nibble(structure.pressed, 4) && !nibble(structure.pressed, 3) && !nibble(structure.pressed, 2))
    points += k.noNeighbour;
  return points;
}

function mutesPoints(structure: FingeringStructure, pattern: Int8Array): number {
  const k = EFFORT.mutes;
  let first = -1;
  let last = -1;
  for (let s = 0; s < pattern.length; s++) {
    if (pattern[s] < 0) continue;
    if (first < 0) first = s;
    last = s;
  }
  let points = 0;
  for (let s = 0; s < pattern.length; s++) {
    if (pattern[s] >= 0) continue;
    if (s < first)
      points += k.bassSide * (s === first - 1 && nibble(structure.assigned, first) ? 1 : k.bassSideShare);
    else if (s > last) points += k.treble;
    else {
      const thicker = nibble(structure.assigned, s - 1);
      const thinner = nibble(structure.assigned, s + 1);
      if (!thicker && !thinner) points += k.none;
      else
        points += thicker && nibble(structure.pressed, thicker) === 1 ? k.leaning : k.leaning * k.edgeFactor;
    }
  }
  return points;
}

function archingPoints(structure: FingeringStructure, pattern: Int8Array): number {
  let points = 0;
  for (let s = 0; s < pattern.length; s++) {
    if (pattern[s] !== 0) continue;
    if (s > 0 && nibble(structure.assigned, s - 1)) points += EFFORT.arching.thicker;
    if (s < pattern.length - 1 && nibble(structure.assigned, s + 1)) points += EFFORT.arching.thinner;
  }
  return points;
}

/** Two fingers of one fret with a higher-fretted string between them, where a barre cannot help. */
function splitPoints(structure: FingeringStructure, pattern: Int8Array): number {
  let points = 0;
  for (let a = 1; a <= 3; a++) {
    for (let b = a + 1; b <= 4; b++) {
      if (
        !nibble(structure.pressed, a) ||
        !nibble(structure.pressed, b) ||
        nibble(structure.fret, a) !== nibble(structure.fret, b)
      )
        continue;
      const apart = nibble(structure.low, b) - nibble(structure.high, a);
      const between = Array.from(
        { length: Math.max(0, apart - 1) },
        (_, i) => nibble(structure.high, a) + 1 + i,
      );
      if (between.some((s) => pattern[s] > nibble(structure.fret, a) && nibble(structure.assigned, s)))
        points += EFFORT.crowding.split * (apart - 1) ** 2;
    }
  }
  return points;
}

function splayPoints(structure: FingeringStructure, used: readonly number[]): number {
  const tips = used.filter((f) => nibble(structure.pressed, f) === 1).map((f) => nibble(structure.low, f));
  if (tips.length === 0) return 0;
  const spread = Math.max(...tips) - Math.min(...tips);
  return EFFORT.crowding.splay * Math.max(0, spread - EFFORT.crowding.splayFreeStrings);
}

function crowdedFret(structure: FingeringStructure): { fret: number; extra: number } {
  for (const f of [1, 2]) {
    if (nibble(structure.pressed, f) !== 1) continue;
    const same = [1, 2, 3, 4].filter(
      (g) =>
        g >= f &&
        nibble(structure.pressed, g) === 1 &&
        nibble(structure.fret, g) === nibble(structure.fret, f),
    );
    if (same.length >= 3) return { fret: nibble(structure.fret, f), extra: same.length - 2 };
  }
  return { fret: 0, extra: 0 };
}

function ringsPast(structure: FingeringStructure, pattern: Int8Array, finger: number): boolean {
  if (nibble(structure.pressed, finger) < 2) return false;
  for (let s = nibble(structure.high, finger) + 1; s < pattern.length; s++) {
    if (pattern[s] < 0) continue;
    if (finger === 1 ? pattern[s] === 0 : pattern[s] < nibble(structure.fret, finger)) return true;
  }
  return false;
}

function fingerBeyond(structure: FingeringStructure, pattern: Int8Array, finger: number): boolean {
  if (nibble(structure.pressed, finger) < 2) return false;
  for (let s = nibble(structure.high, finger) + 1; s < pattern.length; s++) {
    if (nibble(structure.assigned, s) && pattern[s] === nibble(structure.fret, finger)) return true;
  }
  return false;
}
