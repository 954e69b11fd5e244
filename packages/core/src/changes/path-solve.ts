/**
 * One row of choices solved exactly by dynamic programming over states (Viterbi 1967). Predecessors are looked at in
 * the order of their cost so far, and no further than one of them could still be the best. A path that must differ
 * from others counts the chords it grips otherwise in the state, so that it is exact too. A chord that is repeated keeps
 * its grip: who wants it otherwise locks another.
 */
import type { PathCosts } from './path-costs';
import type { PathChoice, PathState } from './path-states';

/** A quarter of the chords, and never more than this many: the count is part of the state. */
const MOST_DIFFERENT = 4;
const differencesWanted = (chords: number): number => Math.min(MOST_DIFFERENT, Math.ceil(chords / 4));

/** A row of choices solved: which state at each, -1 where there is none. */
export interface Solved {
  readonly choices: readonly PathChoice[];
  readonly picks: readonly number[];
  readonly cost: number;
}

export const stateAt = ({ choices, picks }: Solved, i: number): PathState | null =>
  choices[i].states[picks[i]] ?? null;

/** Whether two grips count as the same: equal, or one is the other less strings. */
export function alike(a: PathState, b: PathState): boolean {
  let more = false;
  let fewer = false;
  for (let s = 0; s < a.grip.frets.length; s++) {
    const [one, two] = [a.grip.frets[s], b.grip.frets[s]];
    if (one === two) continue;
    if (one === null) more = true;
    else if (two === null) fewer = true;
    else return false;
  }
  return !(more && fewer);
}

/**
 * The least cost through a row that differs enough from each path in `before`; null where none does. Layers count
 * the differences so far, capped at what is wanted; without paths before there is one layer.
 */
export function solve(
  choices: readonly PathChoice[],
  costs: PathCosts,
  before: readonly Solved[],
): Solved | null {
  const wanted = before.length ? differencesWanted(choices.length) : 0;
  const base = wanted + 1;
  const layers = base ** before.length;
  let best: Float64Array[] = [];
  const cameFrom: Int32Array[][] = [];
  for (const [i, choice] of choices.entries()) {
    const last = i > 0 ? choices[i - 1] : null;
    // A chord without a grip is one state that costs nothing, and the hand is free on either side of it.
    const count = Math.max(1, choice.states.length);
    const now = Array.from({ length: layers }, () => new Float64Array(count).fill(Number.POSITIVE_INFINITY));
    const from = Array.from({ length: layers }, () => new Int32Array(count).fill(-1));
    const orders = best.map((row) =>
      [...row.keys()].filter((p) => row[p] < Number.POSITIVE_INFINITY).sort((a, b) => row[a] - row[b]),
    );
    const linked = last !== null && last.states.length > 0 && choice.states.length > 0;
    const between = linked ? costs.between(last, choice) : null;
    // The same chord again, with nothing else asked of it: its grip stays.
    const stays = linked && last === choice;
    for (let j = 0; j < count; j++) {
      const state = choice.states[j];
      const own = state ? costs.ofState(state) : 0;
      const least = state && linked && !stays ? costs.leastInto(state) : 0;
      const rise = before.map((path) => {
        const other = stateAt(path, i);
        return state && other && !alike(state, other) ? 1 : 0;
      });
      if (i === 0) {
        now[raised(0, rise, base, wanted)][j] = own;
        continue;
      }
      for (let layer = 0; layer < layers; layer++) {
        const row = best[layer];
        const into = raised(layer, rise, base, wanted);
        const order = orders[layer];
        let lowest = now[into][j];
        let trace = from[into][j];
        for (const p of order) {
          const so = row[p] + own;
          if (so + least >= lowest - 1e-9) break;
          if (stays && p !== j) continue;
          const cost = between && !stays ? so + between(p, j) : so;
          if (cost < lowest - 1e-9) {
            lowest = cost;
            trace = layer * TRACE + p;
          }
        }
        now[into][j] = lowest;
        from[into][j] = trace;
      }
    }
    cameFrom.push(from);
    best = now;
  }
  if (choices.length === 0) return before.length ? null : { choices, picks: [], cost: 0 };
  const top = layers - 1;
  const end = best[top].reduce((least, cost, j) => (cost < best[top][least] ? j : least), 0);
  const cost = best[top][end];
  if (cost === Number.POSITIVE_INFINITY) return null;
  const picks: number[] = [];
  let layer = top;
  let at = end;
  for (let i = choices.length - 1; i >= 0; i--) {
    picks[i] = choices[i].states.length ? at : -1;
    const trace = cameFrom[i][layer][at];
    layer = Math.floor(trace / TRACE);
    at = trace % TRACE;
  }
  return { choices, picks, cost };
}

/** Layer and state in one number; a chord never has as many states. */
const TRACE = 65_536;

function raised(layer: number, rise: readonly number[], base: number, wanted: number): number {
  let into = 0;
  let place = 1;
  for (const by of rise) {
    const digit = Math.floor(layer / place) % base;
    into += Math.min(wanted, digit + by) * place;
    place *= base;
  }
  return into;
}
