/** The drills that a path gives: the change looked at round and round, and the path's first grips as a loop. */
import type { PathStep, PractiseStep } from '@finch/core/changes';
import { changeLoop, type ChangeLoopRecipe } from '@finch/core/drills';

const MOST_IN_LOOP = 4;
const BEATS_EACH = 4;

/** Null where one of the two is not gripped. */
export function loopOfPair(from: PathStep, to: PathStep): ChangeLoopRecipe | null {
  if (!from.grip || !to.grip) return null;
  return changeLoop({
    grips: [
      { chord: from.chord.symbol, frets: from.grip.frets },
      { chord: to.chord.symbol, frets: to.grip.frets },
    ],
    beatsEach: BEATS_EACH,
  });
}

/** The loop as one of the steps that mend a change: its piece, at its tempo. */
export function practised(loop: ChangeLoopRecipe, at: PractiseStep): ChangeLoopRecipe {
  return {
    ...loop,
    parameters: {
      ...loop.parameters,
      ...(at.kind === 'loop' ? {} : { piece: at.kind }),
      ...(at.tempoBpm ? { tempoBpm: at.tempoBpm } : {}),
    },
  };
}

/** The path's first grips that are another each; null with fewer than two. Drills makes other families of them. */
export function loopOfPath(steps: readonly PathStep[]): ChangeLoopRecipe | null {
  const seen = new Set<string>();
  const grips = steps.flatMap(({ grip, chord }) => {
    if (!grip || seen.has(grip.frets.join())) return [];
    seen.add(grip.frets.join());
    return [{ chord: chord.symbol, frets: grip.frets }];
  });
  return grips.length < 2 ? null : changeLoop({ grips: grips.slice(0, MOST_IN_LOOP), beatsEach: BEATS_EACH });
}
