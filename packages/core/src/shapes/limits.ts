/**
 * What a teacher may ask of a grip, each limit as one test on a graded grip with the value that would let it
 * through. The search narrows itself by the ones it understands; the same tests then say which limit emptied a
 * list and what the smallest step is that fills it, so that the two can never disagree.
 */
import { gradeOf } from '../effort/hold';
import type { Frets } from '../grips/grip';
import { degreeParts } from '../theory/degree';
import { DEFAULT_LIMITS, type GradedGrip, type ShapeLimits } from './graded-grip';

export type LimitName = keyof ShapeLimits;

interface LimitTest {
  readonly limit: LimitName;
  readonly passes: (grip: GradedGrip, limits: ShapeLimits) => boolean;
  /** The value of the limit that this grip needs, for limits with one. */
  readonly needs?: (grip: GradedGrip, strings: number) => number;
}

export const lowestFretted = (frets: Frets): number => {
  let lowest = 0;
  for (const fret of frets) if (fret !== null && fret > 0 && (lowest === 0 || fret < lowest)) lowest = fret;
  return lowest;
};
const highestFretted = (frets: Frets): number => {
  let highest = 0;
  for (const fret of frets) if (fret !== null && fret > highest) highest = fret;
  return highest;
};
export const soundingCount = (frets: Frets): number => {
  let count = 0;
  for (const fret of frets) if (fret !== null) count++;
  return count;
};
export function innerMutes(frets: Frets): number {
  let pending = 0;
  let inner = 0;
  let begun = false;
  for (const fret of frets) {
    if (fret === null) pending++;
    else {
      if (begun) inner += pending;
      begun = true;
      pending = 0;
    }
  }
  return inner;
}
/**
 * The position of a grip: the fret under the index finger, or where the index would lie when it is not used (a
 * finger a fret). 0 for open strings alone.
 */
export function positionOf(grip: Pick<GradedGrip, 'frets' | 'fingers'>): number {
  let position = 0;
  let lowest = 5;
  grip.frets.forEach((fret, s) => {
    const finger = grip.fingers[s];
    if (fret === null || fret === 0 || typeof finger !== 'number' || finger >= lowest) return;
    lowest = finger;
    position = Math.max(1, fret - finger + 1);
  });
  return position;
}
const isFive = (degree: string) => degree !== 'bass' && degreeParts(degree).number === 5;
const sounds = (grip: GradedGrip, string: number) => grip.frets[grip.frets.length - string] !== null;
/** Degree on the thinnest string that sounds. */
export const topDegree = (grip: GradedGrip): string | null =>
  grip.degrees.findLast((degree) => degree !== null) ?? null;

/** In the order in which a teacher would give way: what costs least first. */
export const LIMIT_TESTS: readonly LimitTest[] = [
  {
    limit: 'maxEffort',
    passes: (grip, { maxEffort }) => gradeOf(grip.effort.points) <= maxEffort,
    needs: (grip) => Math.ceil(grip.effort.total),
  },
  {
    limit: 'maxFret',
    passes: (grip, { maxFret }) => highestFretted(grip.frets) <= maxFret,
    needs: (grip) => highestFretted(grip.frets),
  },
  {
    limit: 'minFret',
    passes: (grip, { minFret }) => minFret === 0 || lowestFretted(grip.frets) >= minFret,
    needs: (grip) => lowestFretted(grip.frets),
  },
  {
    limit: 'minStrings',
    passes: (grip, { minStrings }) => soundingCount(grip.frets) >= minStrings,
    needs: (grip) => soundingCount(grip.frets),
  },
  {
    limit: 'maxStrings',
    passes: (grip, { maxStrings }) => soundingCount(grip.frets) <= maxStrings,
    needs: (grip) => soundingCount(grip.frets),
  },
  {
    limit: 'maxInnerMutes',
    passes: (grip, { maxInnerMutes }) => innerMutes(grip.frets) <= maxInnerMutes,
    needs: (grip) => innerMutes(grip.frets),
  },
  {
    limit: 'bass',
    passes: (grip, { bass, allowRootless }) =>
      bass === 'any' ||
      allowRootless ||
      grip.inversion === '1' ||
      grip.slashBass ||
      (bass === 'root or 5' && isFive(grip.inversion)),
  },
  { limit: 'allowRootless', passes: (grip, limits) => limits.allowRootless || grip.rootString !== null },
  { limit: 'allowOpen', passes: (grip, limits) => limits.allowOpen || !grip.frets.includes(0) },
  { limit: 'wantOpen', passes: (grip, limits) => !limits.wantOpen || grip.frets.includes(0) },
  { limit: 'allowBarre', passes: (grip, limits) => limits.allowBarre || grip.barre === null },
  {
    limit: 'mustSound',
    passes: (grip, { mustSound }) => mustSound.every((string) => sounds(grip, string)),
  },
  {
    limit: 'mustMute',
    passes: (grip, { mustMute }) => !mustMute.some((string) => sounds(grip, string)),
  },
  {
    limit: 'rootString',
    passes: (grip, { rootString }) => rootString === null || grip.rootString === rootString,
  },
  {
    limit: 'position',
    passes: (grip, { position }) => position === null || positionOf(grip) === position,
  },
  { limit: 'form', passes: (grip, { form }) => form === null || (grip.form ?? grip.closes) === form },
  { limit: 'inversion', passes: (grip, { inversion }) => inversion === null || grip.inversion === inversion },
  { limit: 'top', passes: (grip, { top }) => top === null || topDegree(grip) === top },
];

/** Tests the search does not do itself, for limits that differ from what everything passes. */
export function testsBeside(limits: ShapeLimits): readonly LimitTest[] {
  return LIMIT_TESTS.filter(
    ({ limit }) =>
      // The search knows the root in the bass and any bass; what lies between is tested beside it.
      (!SEARCHED.has(limit) || (limit === 'bass' && limits.bass === 'root or 5')) &&
      JSON.stringify(limits[limit]) !== JSON.stringify(LOOSEST[limit]),
  );
}
const SEARCHED: ReadonlySet<LimitName> = new Set<LimitName>([
  'maxFret',
  'minFret',
  'minStrings',
  'maxInnerMutes',
  'allowRootless',
  'allowOpen',
  'bass',
  'mustSound',
  'mustMute',
]);

/** Limits that leave out nothing that a hand can hold; inner mutes stay within what anyone plays. */
export const LOOSEST: ShapeLimits = {
  ...DEFAULT_LIMITS,
  maxFret: 24,
  bass: 'any',
  allowRootless: true,
  minStrings: 3,
  maxInnerMutes: 2,
};
