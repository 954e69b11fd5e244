/**
 * What a state of a path costs by itself and what going from one to the next costs, under an objective. Seconds and
 * shifts of a pair of states do not depend on the objective: they are worked out when first asked for and kept.
 */
import type { HoldModel } from '../effort/hold';
import { changeSeconds, changeWork } from './change-time';
import { CHANGE } from './constants';
import { lineCost, VOICE_LOST, type PathWeights } from './path';
import type { PathChoice, PathState } from './path-states';

/** Seconds and millimetres between every two states of two choices, NaN until asked for. */
interface EdgeTable {
  readonly seconds: Float64Array;
  readonly shiftMm: Float64Array;
}

/** Changes worked out once, by the ids of the choices on either side. */
export interface ChangeMemory {
  readonly tables: Map<string, EdgeTable>;
  cells: number;
}
export const changeMemory = (): ChangeMemory => ({ tables: new Map(), cells: 0 });
/** 16 bytes a cell: about 60 MB. */
const MOST_CELLS = 4_000_000;

export interface PathCosts {
  readonly ofState: (state: PathState) => number;
  /** Cost between state `i` of one choice and state `j` of the next. */
  readonly between: (from: PathChoice, to: PathChoice) => (i: number, j: number) => number;
  /** No change into the state can cost less. */
  readonly leastInto: (state: PathState) => number;
}

export function pathCosts(model: HoldModel, weights: PathWeights, memory: ChangeMemory): PathCosts {
  const work = changeWork();
  const tableOf = (from: PathChoice, to: PathChoice): EdgeTable => {
    const key = `${from.id}>${to.id}`;
    const known = memory.tables.get(key);
    if (known) return known;
    const size = from.states.length * to.states.length;
    if (memory.cells + size > MOST_CELLS) {
      memory.tables.clear();
      memory.cells = 0;
    }
    memory.cells += size;
    const made = { seconds: new Float64Array(size).fill(Number.NaN), shiftMm: new Float64Array(size) };
    memory.tables.set(key, made);
    return made;
  };
  return {
    ofState: (state) =>
      weights.useful * state.grip.usefulness + weights.second * CHANGE.perPoint * state.excess,
    leastInto: (state) => {
      const settle = ((CHANGE.settle * state.held.points) / 60) * CHANGE.settleUnplaced;
      const least = CHANGE.start * CHANGE.startUnmoved + settle - CHANGE.keep * CHANGE.keepMost;
      return weights.second * Math.max(0, least);
    },
    between: (from, to) => {
      const { seconds, shiftMm } = tableOf(from, to);
      const width = to.states.length;
      const lines = weights.voice > 0 || weights.top > 0 || weights.bass > 0;
      const perMm = weights.centimetre / 10;
      const perSecond = weights.second;
      return (i, j) => {
        const cell = i * width + j;
        // Not a number until worked out: the one value that differs from itself.
        if (seconds[cell] !== seconds[cell]) {
          seconds[cell] = changeSeconds(model, from.states[i].held, to.states[j].held, work);
          shiftMm[cell] = Math.abs(work.shiftMm);
        }
        const cost = perSecond * seconds[cell] + perMm * shiftMm[cell];
        return lines ? cost + linesCost(from.states[i], to.states[j], weights) : cost;
      };
    },
  };
}

function linesCost(a: PathState, b: PathState, weights: PathWeights): number {
  let cost = 0;
  if (weights.voice > 0) cost += weights.voice * voicesMoved(a, b);
  if (weights.top > 0) cost += weights.top * lineCost(b.topPitch - a.topPitch, weights.line);
  if (weights.bass > 0) cost += weights.bass * lineCost(b.bassPitch - a.bassPitch, weights.line);
  return cost;
}

/** Frets moved, the mean over the strings that sound in either grip. */
function voicesMoved(a: PathState, b: PathState): number {
  let sum = 0;
  let count = 0;
  for (let s = 0; s < a.grip.frets.length; s++) {
    const from = a.grip.frets[s];
    const to = b.grip.frets[s];
    if (from === null && to === null) continue;
    count++;
    sum += from === null || to === null ? VOICE_LOST : Math.abs(to - from);
  }
  return count ? sum / count : 0;
}
