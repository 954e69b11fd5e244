/** Which limit emptied a list, and the smallest step that fills it: asked of the same tests the list was made by. */
import { findShapes, type ShapeRequest } from './find-shapes';
import { DEFAULT_LIMITS, type GradedGrip, type ShapeLimits } from './graded-grip';
import { LIMIT_TESTS, LOOSEST, type LimitName } from './limits';

export interface LimitStep {
  /** Limits to give up together; one where one is enough. */
  readonly limits: readonly LimitName[];
  /** Smallest value of a limit that has one, in the order of `limits`; null for a yes or no. */
  readonly to: readonly (number | null)[];
  /** How many grips the step brings. */
  readonly brings: number;
  /** The most useful of them. */
  readonly first: GradedGrip;
}

/**
 * The steps that would bring grips, fewest limits first, then what brings most. Empty when the chord cannot be
 * held on this instrument by this hand under any limit. Cheap enough to run whenever a list comes out empty: one
 * search under the loosest limits.
 */
export function explainLimits(request: ShapeRequest): LimitStep[] {
  const limits: ShapeLimits = { ...DEFAULT_LIMITS, ...request.limits };
  const everything = findShapes({ ...request, limits: LOOSEST });
  const groups = new Map<string, { failed: (typeof LIMIT_TESTS)[number][]; grips: GradedGrip[] }>();
  let fewest = Number.POSITIVE_INFINITY;
  for (const grip of everything) {
    const failed = LIMIT_TESTS.filter((test) => !test.passes(grip, limits));
    if (failed.length === 0 || failed.length > fewest) continue;
    fewest = failed.length;
    const key = failed.map((test) => test.limit).join();
    const group = groups.get(key) ?? { failed, grips: [] };
    group.grips.push(grip);
    groups.set(key, group);
  }
  const strings = request.instrument.openPitches.length;
  return [...groups.values()]
    .filter((group) => group.failed.length === fewest)
    .map(({ failed, grips }) => stepOf(failed, grips, limits, strings))
    .sort((a, b) => b.brings - a.brings);
}

function stepOf(
  failed: readonly (typeof LIMIT_TESTS)[number][],
  grips: readonly GradedGrip[],
  limits: ShapeLimits,
  strings: number,
): LimitStep {
  const far = (grip: GradedGrip) =>
    failed.reduce((sum, { limit, needs }) => {
      const now = limits[limit];
      return needs && typeof now === 'number'
        ? sum + Math.abs(needs(grip, strings) - now) / Math.max(1, now)
        : sum;
    }, 0);
  // The smallest step is the one toward the nearest grip; it may bring more than that one along.
  const nearest = grips.reduce((best, grip) => (far(grip) < far(best) ? grip : best));
  const to = failed.map(({ needs }) => (needs ? needs(nearest, strings) : null));
  const within = grips.filter((grip) => far(grip) <= far(nearest) + 1e-9);
  return { limits: failed.map(({ limit }) => limit), to, brings: within.length, first: within[0] };
}
