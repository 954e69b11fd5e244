/**
 * The tempo ladder: a drill played round by round, a rung faster after every round that came clean, once more after
 * one that did not, and a rung slower after the second in a row. It ends where a rung is held under one that twice was
 * not, at either end of the ladder, or after twelve rounds; with a barre after six, since a held barre is load (our
 * conventions). What it finds is the highest rung that came clean.
 */
import type { AnyRecipe } from './parameters';
import type { DrillOf } from './drill';
import { faster, slower } from './tempo';

export interface LadderRound {
  readonly bpm: number;
  readonly clean: boolean;
}

export interface Ladder {
  /** Rung now to be played, in beats a minute. */
  readonly bpm: number;
  readonly rounds: readonly LadderRound[];
  readonly mostRounds: number;
  /** The rung that twice in a row was not clean; null while none was. */
  readonly ceiling: number | null;
  readonly done: boolean;
}

export const LADDER_ROUNDS = { plain: 12, barre: 6 } as const;

/** Begins at the tempo given, which is the drill's own where left out. RangeError for a drill in free time. */
export function startLadder(
  drill: Pick<DrillOf<AnyRecipe>, 'tempoBpm' | 'hasBarre'>,
  bpm = drill.tempoBpm,
): Ladder {
  if (drill.tempoBpm === null || bpm === null) throw new RangeError('a drill in free time has no ladder');
  return {
    bpm,
    rounds: [],
    mostRounds: drill.hasBarre ? LADDER_ROUNDS.barre : LADDER_ROUNDS.plain,
    ceiling: null,
    done: false,
  };
}

/** The ladder after a round at its rung. */
export function afterRound(ladder: Ladder, clean: boolean): Ladder {
  if (ladder.done) return ladder;
  const { bpm } = ladder;
  const last = ladder.rounds[ladder.rounds.length - 1];
  const rounds = [...ladder.rounds, { bpm, clean }];
  const full = rounds.length >= ladder.mostRounds;
  if (clean) {
    const up = faster(bpm);
    const found = !up.ok || (ladder.ceiling !== null && up.value >= ladder.ceiling);
    return { ...ladder, rounds, bpm: found || full ? bpm : up.value, done: found || full };
  }
  const twice = last !== undefined && last.bpm === bpm && !last.clean;
  if (!twice) return { ...ladder, rounds, done: full };
  const down = slower(bpm);
  return {
    ...ladder,
    rounds,
    ceiling: bpm,
    bpm: down.ok && !full ? down.value : bpm,
    done: full || !down.ok,
  };
}

/** The highest rung that came clean; null where none did. */
export function highestClean(rounds: readonly LadderRound[]): number | null {
  const clean = rounds.filter((round) => round.clean).map((round) => round.bpm);
  return clean.length ? Math.max(...clean) : null;
}

/** Rungs around where it stands, slowest first: those played, and what lies next above. */
export function ladderRungs(ladder: Ladder): number[] {
  const next = faster(ladder.bpm);
  const after = next.ok ? faster(next.value) : next;
  const all = [
    ...ladder.rounds.map((round) => round.bpm),
    ladder.bpm,
    ...(next.ok && !ladder.done ? [next.value] : []),
    ...(after.ok && !ladder.done ? [after.value] : []),
  ];
  return [...new Set(all)].sort((a, b) => a - b);
}
