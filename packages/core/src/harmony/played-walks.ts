/**
 * Bass walks that a hand can play: every chord of each is searched for a grip within the hand's limits before the walk is
 * offered, another chord over the same bass is taken where one has none, and the whole is chosen together as a path.
 */
import { pathMemory, planPath, type PathMemory, type PathOptions } from '../changes';
import type { GradedGrip } from '../shapes/graded-grip';
import type { Chord } from '../theory/chord';
import type { Key } from '../theory/key';
import { bassWalks, type BassWalk } from './approaches';

export interface PlayedWalk extends BassWalk {
  /** One for each step; null where nothing over that bass can be held. */
  readonly grips: readonly (GradedGrip | null)[];
  /** Effort of the hardest grip, 0 to 100. */
  readonly hardest: number;
  /** Seconds of the slowest change for this hand; null where no change has two grips. */
  readonly slowest: number | null;
}

/** Whether every step of a walk has a grip. */
export const isPlayable = (walk: Pick<PlayedWalk, 'grips'>): boolean =>
  walk.grips.every((grip) => grip !== null);

/**
 * Walks of at most `longest` steps between two chords, their two ends as given, those that can be played whole first, the
 * shorter before the longer. Limits never give way here: what needs them to is said to have no grip.
 */
export function playedWalks(
  [from, to]: readonly [Chord, Chord],
  key: Key,
  options: PathOptions,
  longest: number,
  memory: PathMemory = pathMemory(),
): PlayedWalk[] {
  const held = (chords: readonly Chord[]) =>
    planPath(chords, options, memory).steps.map(({ grip, gaveWay }) => (gaveWay.length ? null : grip));
  const playable = (chord: Chord) => held([chord])[0] !== null;
  const walks = bassWalks(from, to, key).filter((walk) => walk.steps.length <= longest);
  const played = walks.map((walk): PlayedWalk => {
    const steps = walk.steps.map((step) => {
      const chord = [step.chord, ...step.others].find(playable);
      return chord ? { ...step, chord } : step;
    });
    const path = planPath(steps.map((step) => step.chord), options, memory); // prettier-ignore
    const grips = path.steps.map(({ grip, gaveWay }) => (gaveWay.length ? null : grip));
    const seconds = path.changes.flatMap((change) => (change ? [change.seconds] : []));
    return {
      ...walk,
      steps,
      grips,
      hardest: Math.max(0, ...grips.map((grip) => grip?.effort.total ?? 0)),
      slowest: seconds.length ? Math.max(...seconds) : null,
    };
  });
  return played.sort((a, b) => Number(isPlayable(b)) - Number(isPlayable(a)));
}
